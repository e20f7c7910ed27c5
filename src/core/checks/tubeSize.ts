import { loopByTube, type Edit, type Loop } from '../design';
import type { FittingPart } from '../components';
import { msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import type { SpatialCheck } from './inputs';

/** Another fitting on every run of a tube: the loop's own, or that of runs of their own. */
const fittingEdit = (loop: Loop, fitting: FittingPart): Edit => ({
  do: 'batch',
  edits: [
    ...(loop.connections.some((c) => !c.tube)
      ? [{ do: 'loop.fitting' as const, loop: loop.id, fitting }]
      : []),
    ...loop.connections.flatMap((c) =>
      c.tube
        ? [
            {
              do: 'connection.tube' as const,
              loop: loop.id,
              connection: c.id,
              tube: c.tube,
              fitting,
            },
          ]
        : [],
    ),
  ],
});

export const tubeSize: SpatialCheck = {
  code: 'tube.size-mismatch',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`The fittings of a loop are made for another tube than the one chosen. Outer and
      inner diameter must both match; hard tube needs fittings for hard tube.`;
  },
  get source() {
    return msg`data of tube and fitting`;
  },
  run: (context) =>
    context.design.loops.flatMap(loopByTube).flatMap((loop): Diagnostic[] => {
      const { tube, fitting } = loop;
      const hard = fitting.duty === 'hard-tube';
      const sameOuter = fitting.tube?.outer_mm === tube.outer_mm;
      const sameInner = hard || fitting.tube?.inner_mm === tube.inner_mm;
      if (sameOuter && sameInner && hard === tube.hard) return [];
      const match = context.offer.find(
        (p) =>
          p.kind === 'fitting' &&
          (tube.hard ? p.duty === 'hard-tube' : p.duty === 'compression') &&
          p.tube?.outer_mm === tube.outer_mm &&
          (tube.hard || p.tube.inner_mm === tube.inner_mm),
      );
      const fixes: Fix[] =
        match?.kind === 'fitting'
          ? [
              {
                label: msg`Use ${match.name} throughout`,
                edit: fittingEdit(loop, match),
              },
            ]
          : [];
      return [
        {
          subjects: [loop.id],
          title: msg`${fitting.name} does not fit ${tube.name}`,
          detail: msg`The tube is ${tube.outer_mm}/${tube.inner_mm} mm
            ${tube.hard ? msg`hard` : msg`soft`}; the fitting is for
            ${fitting.tube ? msg`${fitting.tube.outer_mm}/${fitting.tube.inner_mm} mm ${hard ? msg`hard` : msg`soft`} tube` : msg`no tube`}.`,
          measured: tube.outer_mm,
          limit: fitting.tube?.outer_mm ?? 0,
          unit: 'mm',
          candidates: () => fixes,
        },
      ];
    }),
};
