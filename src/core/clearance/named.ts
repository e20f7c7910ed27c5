import { labelOf, type Names } from '../system';
import type { AirflowObstruction } from './airflowObstruction';
import type { ClearanceReport } from './gaps';
import type { MountDepth } from './mountDepth';
import type { PortFit } from './ports';

/** Measured in a nameless system, told with what the builder calls things. */
export const nameGaps = (report: ClearanceReport, names: Names): ClearanceReport => ({
  ...report,
  gaps: report.gaps.map((gap) => ({
    ...gap,
    nameA: labelOf(names, gap.a, gap.nameA),
    nameB: labelOf(names, gap.b, gap.nameB),
  })),
});

export const namePorts = (fits: readonly PortFit[], names: Names): readonly PortFit[] =>
  fits.map((fit) => ({
    ...fit,
    name: labelOf(names, fit.component, fit.name),
    with: fit.with === null ? null : labelOf(names, fit.withComponent, fit.with),
  }));

export const nameObstructions = (
  found: readonly AirflowObstruction[],
  names: Names,
): readonly AirflowObstruction[] =>
  found.map((o) => ({
    ...o,
    name: labelOf(names, o.component, o.name),
    by: o.by === null ? null : labelOf(names, o.byComponent, o.by),
  }));

export const nameDepths = (depths: readonly MountDepth[], names: Names): readonly MountDepth[] =>
  depths.map((depth) => ({
    ...depth,
    blockedBy:
      depth.blockedBy === null ? null : labelOf(names, depth.blockedByComponent, depth.blockedBy),
  }));
