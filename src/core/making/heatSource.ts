import type { CardPart, DevicePart, ProcessorPart } from '../components';
import type { Vec } from '../geometry';
import { msg } from '../messages';
import { makeCard } from './machine';

/** What a heat source that is told by its watts stands for. */
export type HeatSourceKind = 'processor' | 'card' | 'device';

export interface HeatSourceFigures {
  readonly id: string;
  readonly name: string;
  /** Power draw under full load, W, above 0. */
  readonly heat_W: number;
  /** Along x, y, z, mm; the usual size of its kind where nothing is said. */
  readonly size?: Vec;
}

const MAKER = 'told by its watts';
/** Usual sizes, mm (common practice, no source). */
export const USUAL_SIZE: Readonly<Record<HeatSourceKind, Vec>> = {
  processor: [40, 40, 7],
  card: [270, 42, 120],
  device: [100, 30, 100],
};
/** A card without its cooler, mm (common practice, no source). */
const BARE_CARD_MM = 10;
/** From die to block under full load, K: paste and lid of usual processors (common practice, no source). */
const DIE_OVER_BLOCK_K = 33;
/** How much hotter still it gets with an air cooler, K/W (common practice, no source). */
const AIR_COOLER_KW = 0.16;
const CORE_LIMIT_C = 95;
/** A device on air: what it gets above the case air under full load, and its limit (no source). */
const DEVICE_OVER_AIR_K = 20,
  DEVICE_LIMIT_C = 80;

/**
 * A part to reckon with while no data sheet is at hand: it makes so many watts in so much room, all
 * else is as usual of its kind. What fits it (hole pattern, layout) is not known, and is said so.
 */
export function makeHeatSource(
  kind: HeatSourceKind,
  f: HeatSourceFigures,
): ProcessorPart | CardPart | DevicePart {
  const size = f.size ?? USUAL_SIZE[kind];
  const named = { id: f.id, name: f.name, maker: MAKER };
  if (kind === 'card')
    return makeCard({ ...named, price: 0, draw_W: f.heat_W, size, bare_mm: BARE_CARD_MM });
  const common = { ...named, price_minor: 0, tolerance_mm: 0.5, size, draw_W: f.heat_W };
  if (kind === 'processor') {
    const interface_KW = DIE_OVER_BLOCK_K / f.heat_W;
    return {
      kind,
      ...common,
      shares: { idle: 0.14, gaming: 0.55, render: 0.92, stress: 1 },
      hotSpots: [
        {
          id: 'die',
          name: msg`hottest core`,
          limit_C: CORE_LIMIT_C,
          interface_KW,
          onAir_KW: interface_KW + AIR_COOLER_KW,
        },
      ],
    };
  }
  const onAir_KW = DEVICE_OVER_AIR_K / f.heat_W;
  return {
    kind,
    duty: 'extension',
    ...common,
    shares: { idle: 0.5, gaming: 0.7, render: 0.9, stress: 1 },
    hotSpots: [
      {
        id: 'chip',
        name: msg`chip`,
        limit_C: DEVICE_LIMIT_C,
        interface_KW: onAir_KW / 2,
        onAir_KW,
      },
    ],
  };
}
