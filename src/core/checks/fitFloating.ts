import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { formatMillimetres } from '../units';
import { boxGap, type Box } from '../geometry';
import { roomOf } from '../system';
import { nameOf, type SpatialCheck } from './inputs';

/**
 * A bracket, a strap or tape bridges so much air between a part and what holds it, mm (common
 * practice, no source).
 */
const REACH_MM = 30;

export const fitFloating: SpatialCheck = {
  code: 'fit.floating',
  severity: 'marginal',
  stage: 'case',
  get meaning() {
    return msg`A pump or reservoir that was placed freely has nothing near it to be fixed to: no
      panel, floor, radiator, fan or other part within reach of a bracket or tape. Move it to
      one, or onto a place of the case.`;
  },
  get source() {
    return msg`geometry; 30 mm as the reach of a bracket is common practice, no source`;
  },
  run: (context) =>
    context.design.components.flatMap((component): Diagnostic[] => {
      if (
        component.placement.on !== 'free' ||
        (component.part.kind !== 'pump' && component.part.kind !== 'reservoir')
      )
        return [];
      const placed = context.system.placed.get(component.id);
      const { rooms } = context.system;
      if (!placed || placed.solids.length === 0 || !rooms) return [];
      const room = roomOf(context.system, component.id);
      // Outside it stands on the table, or on what the builder puts there.
      if (room === 'outside') return [];
      const interior = room === 'behind' && rooms.behind ? rooms.behind : rooms.inside;
      // Parts screwed to it port to port hold it as well as a bracket does.
      if (context.system.mates.screwedTo(component.id).length > 0) return [];
      const around = [
        ...[...context.system.placed.values()]
          .filter((p) => p.id !== component.id)
          .flatMap((p) =>
            p.solids.map((s) => ({ box: s.box, name: nameOf(context, s.component) })),
          ),
        ...context.system.obstacles.map((o) => ({ box: o.box, name: o.detail })),
      ];
      const boxes = placed.solids.map((s) => s.box);
      const nearest = around
        .map((a) => ({ name: a.name, gap_mm: Math.min(...boxes.map((b) => boxGap(b, a.box))) }))
        .sort((a, b) => a.gap_mm - b.gap_mm)[0];
      const wall_mm = Math.min(...boxes.map((b) => wallGap(b, interior)));
      const gap_mm = Math.min(nearest?.gap_mm ?? Infinity, wall_mm);
      if (gap_mm <= REACH_MM) return [];
      return [
        {
          subjects: [component.id],
          title: msg`${component.name} has nothing to be fixed to`,
          detail: msg`The nearest thing is
            ${nearest && nearest.gap_mm < wall_mm ? nearest.name : msg`a wall of the case`},
            ${formatMillimetres(gap_mm)} away; a bracket or tape reaches about
            ${formatMillimetres(REACH_MM)}.`,
          measured: gap_mm,
          limit: REACH_MM,
          unit: 'mm',
          candidates: () =>
            (context.design.case?.spots ?? []).map((s) => ({
              label: msg`Move ${component.name} to “${s.name}”`,
              edit: {
                do: 'component.place' as const,
                component: component.id,
                placement: { on: 'spot' as const, spot: s.id, turn: 0 as const },
              },
            })),
        },
      ];
    }),
};

/**
 * From a body to the nearest wall that holds something: not the side that opens (largest z). Below
 * 0 it reaches through.
 */
function wallGap(body: Box, interior: Box): number {
  const low = ([0, 1, 2] as const).map((i) => body.min[i] - interior.min[i]);
  const high = ([0, 1] as const).map((i) => interior.max[i] - body.max[i]);
  return Math.min(...low, ...high);
}
