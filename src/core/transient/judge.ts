import type { LoadCaseId } from '../components';
import type { Hunting, Settling, SpeedTrack } from './types';

/** At rest within this, K. */
const REST_K = 0.2;
/** A change smaller than this has no time constant worth telling, K. */
const LEAST_CHANGE_K = 0.5;

/** How a coolant comes to rest from a step on. */
export function settlingOf(
  track: { readonly id: string; readonly name: string; readonly mean_C: Float64Array },
  from: number,
  step_s: number,
): Settling {
  const { mean_C } = track;
  const last = mean_C.length - 1,
    start = Math.min(from, last);
  const a = mean_C[start] as number,
    b = mean_C[last] as number;
  const change = b - a;
  const timeTo = (share: number): number | null => {
    if (Math.abs(change) < LEAST_CHANGE_K) return null;
    let i = start;
    while (i < last && Math.abs((mean_C[i] as number) - a) < share * Math.abs(change)) i += 1;
    return (i - start) * step_s;
  };
  let i = last;
  while (i > start && Math.abs((mean_C[i - 1] as number) - b) <= REST_K) i -= 1;
  // Still moving at the end: the last tenth alone changes by more than rest.
  const tenth = Math.max(start, last - Math.max(1, Math.round((last - start) / 10)));
  const moving = Math.abs((mean_C[tenth] as number) - b) > REST_K / 2;
  return {
    loop: track.id,
    name: track.name,
    from_C: a,
    to_C: b,
    tau_s: moving ? null : timeTo(1 - 1 / Math.E),
    t90_s: moving ? null : timeTo(0.9),
    steady_s: moving ? null : (i - start) * step_s,
  };
}

/** Swings smaller than this are not heard, rpm; fewer turns than this are no hunting. */
const LEAST_SWING_RPM = 60,
  LEAST_TURNS = 6;
/** The last swings are still at least this share of the first: it does not die away. */
const STAYS = 0.6;

/** A speed that goes up and down again and again in the last third of the time. */
export function huntingOf(
  track: Pick<SpeedTrack, 'component' | 'name' | 'controlled' | 'speed_rpm'>,
  loads: readonly LoadCaseId[],
  step_s: number,
): Hunting[] {
  if (!track.controlled) return [];
  const { speed_rpm } = track;
  const from = Math.floor((speed_rpm.length * 2) / 3);
  const turns: { at: number; rpm: number }[] = [];
  let low = speed_rpm[from] as number,
    high = low,
    lowAt = from,
    highAt = from,
    rising: boolean | null = null;
  for (let i = from; i < speed_rpm.length; i += 1) {
    const v = speed_rpm[i] as number;
    if (v > high) {
      high = v;
      highAt = i;
    }
    if (v < low) {
      low = v;
      lowAt = i;
    }
    if (rising !== false && high - v >= LEAST_SWING_RPM) {
      turns.push({ at: highAt, rpm: high });
      rising = false;
      low = v;
      lowAt = i;
      high = v;
      highAt = i;
    } else if (rising !== true && v - low >= LEAST_SWING_RPM) {
      turns.push({ at: lowAt, rpm: low });
      rising = true;
      high = v;
      highAt = i;
      low = v;
      lowAt = i;
    }
  }
  if (turns.length < LEAST_TURNS) return [];
  const swings = turns.slice(1).map((t, i) => Math.abs(t.rpm - (turns[i] as { rpm: number }).rpm));
  if ((swings[swings.length - 1] as number) < STAYS * (swings[0] as number)) return [];
  const first = turns[0] as { at: number },
    last = turns[turns.length - 1] as { at: number };
  const changes = loads.slice(from).filter((l, i, all) => i > 0 && l !== all[i - 1]).length;
  return [
    {
      component: track.component,
      name: track.name,
      period_s: (2 * (last.at - first.at) * step_s) / (turns.length - 1),
      swing_rpm: swings.reduce((a, b) => a + b, 0) / swings.length,
      follows: changes >= turns.length / 3,
    },
  ];
}
