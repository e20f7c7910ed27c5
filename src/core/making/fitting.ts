import type { FittingPart } from '../components';
import { msg } from '../messages';
import { sealed } from './shapes';

export interface TubeFittingFigures {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
  readonly holds: 'compression' | 'barb' | 'hard-tube';
  readonly outer_mm: number;
  readonly inner_mm: number;
  readonly length_mm: number;
  readonly diameter_mm: number;
  readonly metal: 'nickel' | 'brass' | 'copper';
}

/** Entry and partial exit of such a fitting, on its own bore (common practice, no source). */
const USUAL_K = { compression: 0.6, barb: 0.7, 'hard-tube': 0.3 } as const;
/** A barb's wall inside the tube, mm either side (common practice, no source). */
const BARB_WALL_MM = 1;
const WETTED_MM2 = 700;

/** A fitting for a tube, of a few figures. */
export const makeTubeFitting = (f: TubeFittingFigures): FittingPart => ({
  kind: 'fitting',
  id: f.id,
  name: f.name,
  maker: f.maker,
  price_minor: f.price,
  tolerance_mm: 0.2,
  duty: f.holds,
  thread: 'G1/4',
  bore_mm: f.holds === 'hard-tube' ? f.inner_mm : f.inner_mm - 2 * BARB_WALL_MM,
  k: USUAL_K[f.holds],
  kSource: msg`entry and partial exit of such a fitting, common practice`,
  length_mm: f.length_mm,
  diameter_mm: f.diameter_mm,
  wetted: [
    f.metal === 'nickel'
      ? { metal: 'nickel', platedOver: 'brass', area_mm2: WETTED_MM2 }
      : { metal: f.metal, area_mm2: WETTED_MM2 },
  ],
  polymers: sealed(),
  tube: { outer_mm: f.outer_mm, inner_mm: f.inner_mm },
});
