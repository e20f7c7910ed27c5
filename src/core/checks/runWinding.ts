import { findComponent } from '../design';
import { inTheWayOf, routesOf, winds } from '../routing';

import { counted, msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { SpatialCheck } from './inputs';

/** More bends than this in one hard tube are worth a word (common practice, no source). */
const MANY_BENDS = 4;

export const runWinding: SpatialCheck = {
  code: 'run.winding',
  severity: 'note',
  stage: 'runs',
  get meaning() {
    return msg`A hard tube has more than four bends, or goes round the same way four times: hard
      to bend, hard to put in, and it shows. Improve the layout: other ports, a turned radiator
      or a part a little aside often take half of them away.`;
  },
  get source() {
    return msg`common practice, no source`;
  },
  run: (context) => {
    const winding = context.runs.filter(
      ({ routed, tube, bends }) =>
        routed && tube.hard && (bends > MANY_BENDS || winds(routed.path)),
    );
    if (winding.length === 0) return [];
    const { routes } = routesOf(context.system);
    return winding.flatMap((run): Diagnostic[] => {
      const route = routes.find((r) => r.connection === run.id);
      if (!route) return [];
      const why = inTheWayOf(context.system, route, routes);
      return [
        {
          subjects: [run.id],
          title: msg`${run.name} takes ${counted(run.bends, '# bend', '# bends')}`,
          detail: reasonIn(context, why),
          measured: run.bends,
          limit: MANY_BENDS,
          unit: '',
        },
      ];
    });
  },
};

function reasonIn(
  { design, runs }: Parameters<SpatialCheck['run']>[0],
  why: ReturnType<typeof inTheWayOf>,
): string {
  if (!why) return msg`No simpler route was found.`;
  const least = msg`Between its two fittings ${counted(why.leastBends, '# bend', '# bends')}
    would do with nothing in the way`;
  if (why.meets === null) return msg`${least}; the bends it needs do not fit before it.`;
  const name =
    findComponent(design, why.meets)?.name ??
    runs.find((r) => r.id === why.meets)?.name ??
    design.case?.obstacles.find((o) => `case:${o.id}` === why.meets)?.name ??
    msg`the case`;
  return msg`${least}; ${name} is in the way.`;
}
