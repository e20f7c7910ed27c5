import type { Reports } from '@/core/analysis';
import type { LoopGraph } from '@/core/system';
import { formatMeasure } from '@/core/units';
import { msg } from '@/core/messages';

/** What a station of a loop does to the coolant, in words: temperature behind it, and pressure. */
export function stationText(
  { loop, layout, links }: LoopGraph,
  reports: Reports,
  visit: number,
  name: string,
  out_C: number | undefined,
): string {
  const pressures = reports.flow.loops.find((l) => l.id === loop.id)?.pressures;
  const at = (node: string | undefined): number => (node ? (pressures?.[node] ?? 0) : 0);
  const linkOf = (connection: string | undefined) => links.find((e) => e.id === connection);
  const into = linkOf(layout.legs.find((l) => l.to === visit)?.connection),
    out = linkOf(layout.legs.find((l) => l.from === visit)?.connection);
  const gain = at(out?.from) - at(into?.to);
  const warmth =
    out_C === undefined
      ? msg`temperature unknown`
      : msg`coolant leaves at ${formatMeasure(out_C, '°C', { decimals: 1 })}`;
  return `${name}: ${warmth}, ${formatMeasure(gain, 'kPa', { decimals: 1, signed: true })}`;
}
