import type { MountFace } from '../components';
import { bandsAt, OCTAVES_HZ, pitched, weightedSum, type Bands } from './bands';
import { soundAtDistance, soundAtSpeed, soundSum } from './level';

/** Where a source is: on a side of the case, within it, or in the open. */
export type SoundPlace = MountFace | 'inside' | 'open';

/** What makes noise: pieces alike at one speed. */
export interface SoundSource {
  readonly component: string;
  readonly count: number;
  /** Of one at full speed and 1 m, dBA. */
  readonly level_dBA: number;
  readonly shape_dB: Bands;
  readonly speed_rpm: number;
  readonly fullSpeed_rpm: number;
  readonly place: SoundPlace;
}

/**
 * What the listener, before the machine, hears less of a source by where it is, dB (common practice,
 * no source): one that looks to the rear, the far side or the floor; one within the case, by band, since sheet and
 * glass hold back high tones more than low ones.
 */
const TURNED_AWAY_DB = {
  front: 0,
  side: 0,
  top: 0,
  rear: -2,
  bottom: -1,
  tray: -2,
  open: 0,
} as const;
const WITHIN_DB: Bands = [0, 0, -1, -2, -3, -4, -5, -6];

const held = (place: SoundPlace): Bands =>
  place === 'inside' ? WITHIN_DB : OCTAVES_HZ.map(() => TURNED_AWAY_DB[place]);

const offsets = new WeakMap<Bands, Map<SoundPlace, number>>();
/** By how much its place changes a source's level, dBA. */
export function placeOffset(shape_dB: Bands, place: SoundPlace): number {
  if (place !== 'inside') return TURNED_AWAY_DB[place];
  const known = offsets.get(shape_dB) ?? new Map<SoundPlace, number>();
  offsets.set(shape_dB, known);
  let offset = known.get(place);
  if (offset === undefined) {
    const by = held(place);
    offset = weightedSum(shape_dB.map((b, i) => b + (by[i] as number))) - weightedSum(shape_dB);
    known.set(place, offset);
  }
  return offset;
}

/** Level of all pieces of a source where they stand, at 1 m, dBA; −Infinity when they stand still. */
export const sourceLevel = (s: SoundSource): number =>
  soundAtSpeed(s.level_dBA, s.speed_rpm, s.fullSpeed_rpm) +
  10 * Math.log10(s.count) +
  placeOffset(s.shape_dB, s.place);

/** All sources together at a distance, dBA, never below 0: sums of energy, in the open. */
export function heardLevel(sources: readonly SoundSource[], listener_m: number): number {
  const total = soundSum(sources.map(sourceLevel));
  return Number.isFinite(total) ? Math.max(0, soundAtDistance(total, 1, listener_m)) : 0;
}

/** The same by octave band, and what each source brings. */
export interface Heard {
  readonly total_dBA: number;
  readonly bands_dB: Bands;
  readonly sources: readonly { readonly component: string; readonly level_dBA: number }[];
}

export function heard(sources: readonly SoundSource[], listener_m: number): Heard {
  const turning = sources.filter((s) => Number.isFinite(sourceLevel(s)));
  const far_dB = soundAtDistance(0, 1, listener_m);
  const each = turning.map((s) => bandsAt(sourceLevel(s) + far_dB, shapeOf(s)));
  return {
    total_dBA: heardLevel(sources, listener_m),
    bands_dB: OCTAVES_HZ.map((_, i) => soundSum(each.map((bands) => bands[i] as number))),
    sources: turning.map((s) => ({
      component: s.component,
      level_dBA: sourceLevel(s) + far_dB,
    })),
  };
}

/** The shape of a source as it turns and stands. */
const shapeOf = ({ shape_dB, speed_rpm, fullSpeed_rpm, place }: SoundSource): Bands => {
  const by = held(place);
  return pitched(shape_dB, speed_rpm / fullSpeed_rpm).map((b, i) => b + (by[i] as number));
};

/** Blades of a pump's wheel, where its papers do not say (common practice, no source). */
const BLADES = 7;
/** The tone of a pump: as many a second as blades pass, Hz. */
export const bladeTone = (speed_rpm: number): number => (speed_rpm / 60) * BLADES;
