import { counted, msg } from '../messages';
import type { OperatingCheck } from './inputs';

export const flowBetween: OperatingCheck = {
  code: 'flow.between',
  severity: 'note',
  stage: 'flow',
  get meaning() {
    return msg`A run's flow is between laminar and turbulent (Re 2,000 to 4,000). No friction
      formula is right there; the pressure of that run may be off by a third. It is seldom a
      large share of the loop.`;
  },
  get source() {
    return msg`Colebrook (1939), 64/Re, and the join between them`;
  },
  run: (context) => {
    const runs = context.flow.links.filter((l) => l.regime === 'between laminar and turbulent');
    if (runs.length === 0) return [];
    const share = runs.reduce((s, r) => s + r.drop_kPa, 0);
    const head = context.flow.loops.reduce((s, l) => s + l.head_kPa, 0);
    return [
      {
        subjects: runs.map((r) => r.id),
        title: msg`${runs.length} ${counted(runs.length, 'run is', 'runs are')} between laminar
          and turbulent`,
        detail: msg`Their friction is uncertain, but they take only
          ${head > 0 ? Math.round((100 * share) / head) : 0} % of the pump's head.`,
      },
    ];
  },
};
