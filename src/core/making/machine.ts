import type { CardPart, FanPart, HotSpot } from '../components';
import type { Vec } from '../geometry';
import { msg, worded } from '../messages';
import { fanPoints } from './shapes';

export interface CardFigures {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
  readonly draw_W: number;
  readonly size: Vec;
  /** Without its cooler, mm. */
  readonly bare_mm: number;
  readonly layout?: string;
  readonly limit_C?: number;
}

/** Usual limits and resistances of a card's spots (common practice, no source). */
const SPOTS: readonly HotSpot[] = worded(() => [
  { id: 'core', name: msg`core`, limit_C: 90, interface_KW: 0.03, onAir_KW: 0.13 },
  { id: 'memory', name: msg`memory`, limit_C: 95, interface_KW: 0.055, onAir_KW: 0.165 },
  { id: 'regulators', name: msg`regulators`, limit_C: 105, interface_KW: 0.05, onAir_KW: 0.15 },
]);
/** Cards shorter than this have their plug at the end. */
const SHORT_MM = 200;

/** A card with its plug on the upper edge near the front, on short cards at the end. */
export const makeCard = (f: CardFigures): CardPart => ({
  kind: 'card',
  ...(f.layout === undefined ? {} : { layout: f.layout }),
  id: f.id,
  name: f.name,
  maker: f.maker,
  price_minor: f.price,
  tolerance_mm: 1,
  size: f.size,
  bareThickness_mm: f.bare_mm,
  powerPlug:
    f.size[0] < SHORT_MM
      ? { min: [f.size[0], 0, 50], max: [f.size[0] + 28, f.bare_mm, 78] }
      : {
          min: [f.size[0] - 38, 0, f.size[2]],
          max: [f.size[0] - 8, f.bare_mm, f.size[2] + 30],
        },
  draw_W: f.draw_W,
  shares: { idle: 0.08, gaming: 0.95, render: 0.85, stress: 1 },
  hotSpots: SPOTS.map((s) =>
    s.id === 'core' && f.limit_C !== undefined ? { ...s, limit_C: f.limit_C } : s,
  ),
});

export interface FanFigures {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly price: number;
  readonly section_mm: number;
  readonly thick_mm: number;
  readonly fullSpeed_rpm: number;
  readonly minSpeed_rpm: number;
  readonly free_m3h: number;
  readonly shutOff_Pa: number;
  readonly sound_dBA: number;
  readonly power_W: number;
}

/** A fan with the usual curve between what it moves freely and what it holds. */
export const makeFan = (f: FanFigures): FanPart => ({
  kind: 'fan',
  id: f.id,
  name: f.name,
  maker: f.maker,
  price_minor: f.price,
  tolerance_mm: 0.5,
  size: [f.section_mm, f.section_mm, f.thick_mm],
  section_mm: f.section_mm,
  minSpeed_rpm: f.minSpeed_rpm,
  fullSpeed_rpm: f.fullSpeed_rpm,
  points: fanPoints(f.free_m3h, f.shutOff_Pa),
  sound_dBA: f.sound_dBA,
  power_W: f.power_W,
});
