import { msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { atFullSpeed, networkOf, slowestShareFor } from '../hydraulics';
import { formatFlow, formatNumber } from '../units';
import { type OperatingCheck, type CheckInputs, nameOf } from './inputs';

function faster(context: CheckInputs, loop: string): Fix[] {
  const graph = context.system.loops.find((g) => g.loop.id === loop);
  const state = context.flow.loops.find((l) => l.id === loop);
  if (!graph || !state) return [];
  const share = slowestShareFor(
    atFullSpeed(networkOf(context.system, graph, context.runs, state.coolant_C)),
    context.design.brief.limits.flow_Lmin,
  );
  if (share === null) return [];
  return graph.links.flatMap((e): Fix[] => {
    if (e.law.kind !== 'pump' || e.component === null) return [];
    const { part } = e.law;
    const rpm = Math.min(part.fullSpeed_rpm, Math.ceil((share * part.fullSpeed_rpm) / 50) * 50);
    return [
      {
        label: msg`Run ${nameOf(context, e.component)} at ${formatNumber(rpm)} rpm`,
        edit: { do: 'component.set', component: e.component, values: { speed_rpm: rpm } },
      },
    ];
  });
}

export const flowLow: OperatingCheck = {
  code: 'flow.low',
  severity: 'marginal',
  stage: 'flow',
  get meaning() {
    return msg`The pump moves less coolant than the brief asks, or less than a block needs. Run
      it faster, take out restriction, or add a second pump in series.`;
  },
  get source() {
    return msg`the brief; below 2 L/min is poor, 3 to 4.5 good (common practice, no source)`;
  },
  run: (context) => {
    const target = context.design.brief.limits.flow_Lmin;
    const diagnostic: Diagnostic[] = [];
    for (const loop of context.flow.loops) {
      if (loop.status !== 'solved' || loop.flow_Lmin >= target - 0.005) continue;
      const name = context.design.loops.find((l) => l.id === loop.id)?.name ?? loop.id;
      const fixes = faster(context, loop.id);
      diagnostic.push({
        severity: loop.flow_Lmin < 1 ? 'fails' : 'marginal',
        subjects: [loop.id],
        title: msg`${name} moves ${formatFlow(loop.flow_Lmin)}`,
        detail: msg`You asked for ${formatFlow(target)}; the flow is ${loop.band}.
          ${fixes.length > 0 ? msg`The pump can do more.` : msg`The pump is at its end: less restriction, a stronger pump, or a second one in series would help.`}`,
        measured: loop.flow_Lmin,
        limit: target,
        unit: 'L/min',
        candidates: () => fixes,
      });
    }
    for (const component of context.design.components) {
      if (component.part.kind !== 'block') continue;
      const links = context.flow.links.filter((l) => l.component === component.id);
      const flow = Math.abs(links[0]?.flow_Lmin ?? 0);
      if (links.length > 0 && flow > 0 && flow < component.part.minFlow_Lmin) {
        diagnostic.push({
          subjects: [component.id],
          title: msg`${component.name} gets too little flow`,
          detail: msg`${formatFlow(flow)} pass it; its maker wants
            ${formatFlow(component.part.minFlow_Lmin)}.`,
          measured: flow,
          limit: component.part.minFlow_Lmin,
          unit: 'L/min',
        });
      }
    }
    return diagnostic;
  },
};
