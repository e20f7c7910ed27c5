import { formatCelsius, formatMeasure, formatNumber } from '@/core/units';
import type { Expansion, LoopVolume } from '@/core/bom';
import type { LyingTube, Run } from '@/core/tubing';
import type { Reason } from '@/view/shared';
import { msg } from '@/core/messages';

/** Radii of a run's bends, each once; the tube's own of a straight one. */
const radiiOf = ({ lra, radius_mm }: NonNullable<Run['routed']>): string =>
  [...new Set([...lra.map((b) => b.radius_mm), ...(lra.length === 0 ? [radius_mm] : [])])]
    .map((r) => `${formatMeasure(r, 'mm', { decimals: 1 })}`)
    .join(', ');

export const reasonForRun = (r: Run): Reason =>
  r.routed
    ? {
        title: r.name,
        formula: msg`Straights and arcs of the routed middle line, and how deep both ends sit in
          their fittings.`,
        inputs: [
          { name: msg`bends`, value: formatNumber(r.bends) },
          { name: msg`radius`, value: radiiOf(r.routed) },
          { name: msg`kept from everything`, value: formatMeasure(r.routed.kept_mm, 'mm') },
          {
            name: msg`nearest`,
            value: r.routed.nearest
              ? `${formatMeasure(r.routed.nearest.gap_mm, 'mm', { decimals: 1 })}`
              : msg`nothing`,
          },
        ],
        source: msg`routing in space`,
      }
    : {
        title: r.name,
        formula:
          r.guess ??
          msg`Estimated from where the two ports are and point: straight legs with bends of the
            tube's radius, plus what goes into each fitting. Routing in space will replace it.`,
        inputs: [
          { name: msg`bends`, value: formatNumber(r.bends) },
          { name: msg`turning`, value: `${formatNumber(r.turning_deg)}°` },
        ],
        source: msg`estimate from the ports`,
      };

export const reasonForVolume = (v: LoopVolume): Reason => ({
  title: msg`Coolant of the loop`,
  formula: msg`Blocks, radiators and pump whole, the reservoir to its fill mark, tubes by bore
    and length; 15 % margin.`,
  inputs: [
    { name: msg`parts`, value: formatMeasure(v.parts_mL, 'mL') },
    { name: msg`tubes`, value: formatMeasure(v.tubes_mL, 'mL') },
    { name: msg`to buy`, value: formatMeasure(v.buy_mL, 'mL') },
  ],
  source: msg`part data; spare by common practice`,
});

export const reasonForLying = (
  run: Run,
  { turning_deg, beside_mm, sag_mm }: LyingTube,
): Reason => ({
  title: msg`${run.name}, left to itself`,
  formula: msg`The curve of least bending energy between its two fittings at its length; sag of a
    full tube clamped at both ends, w L⁴ / 384 E I, for a hardness of 70 Shore A (estimated).`,
  inputs: [
    { name: msg`beside its route`, value: formatMeasure(beside_mm, 'mm', { decimals: 1 }) },
    { name: msg`turning`, value: `${formatNumber(turning_deg)}°` },
    { name: msg`sag`, value: formatMeasure(sag_mm, 'mm', { decimals: 1 }) },
  ],
  source: msg`elastica (Euler 1744; Love, ch. XIX); rubber by its hardness (Gent 1958)`,
});

export const reasonForExpansion = (e: Expansion): Reason => ({
  title: msg`Growth when hot`,
  formula: msg`Volume times the ratio of the coolant’s densities, cold over hot, less one. The
    air over it is pressed together and warmed as an ideal gas with water vapour in it; tubes
    swell by ΔV/V = (2 Δp/E) ((D² + d²)/(D² − d²) + ν).`,
  inputs: [
    { name: msg`filled at`, value: formatCelsius(e.cold_C, 1) },
    { name: msg`hottest coolant`, value: formatCelsius(e.hot_C, 1) },
    { name: msg`air at the fill`, value: formatMeasure(e.air_mL, 'mL') },
    { name: msg`what tubes give`, value: `${formatMeasure(e.swells_mL, 'mL', { decimals: 1 })}` },
    {
      name: msg`closed warm, then cold`,
      value: `${formatMeasure(-e.sinks_bar, 'bar', { decimals: 2 })}`,
    },
  ],
  source: msg`density fits of the coolant; ideal gas; vapour by Magnus (WMO); thick-walled
    cylinder (Lamé), moduli from memory`,
});
