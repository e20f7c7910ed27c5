import type { Transient } from '@/core/transient';
import { toCsv } from './csv';

/**
 * A run over time as CSV (RFC 4180), one row a step: seconds, load, then a column for each loop,
 * hot spot, fan and pump.
 */
export function transientToCsv(t: Transient): string {
  const at = (a: Float64Array, i: number, decimals: number): string =>
    (a[i] as number).toFixed(decimals);
  const fields = [
    'time_s',
    'load',
    'room_C',
    'case_air_C',
    ...t.loops.flatMap((l) => [`${l.id}_mean_C`, `${l.id}_hottest_C`, `${l.id}_flow_Lmin`]),
    ...t.hotSpots.map((s) => `${s.component}/${s.hotSpot}_C`),
    ...t.speeds.map((s) => `${s.component}_rpm`),
    'noise_dBA',
  ];
  const data = t.load.map((load, i) => [
    String(t.time_s[i]),
    load,
    at(t.room_C, i, 2),
    at(t.caseAir_C, i, 3),
    ...t.loops.flatMap((l) => [at(l.mean_C, i, 3), at(l.hottest_C, i, 3), at(l.flow_Lmin, i, 3)]),
    ...t.hotSpots.map((s) => at(s.temp_C, i, 3)),
    ...t.speeds.map((s) => at(s.speed_rpm, i, 0)),
    at(t.noise_dBA, i, 2),
  ]);
  return toCsv({ fields, data });
}
