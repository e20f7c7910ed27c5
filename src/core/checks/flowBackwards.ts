import { findComponent, type Component } from '../design';
import { listAnd, msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import type { PumpPart } from '../components';
import { formatFlow, formatNumber } from '../units';
import { nameOf, type OperatingCheck } from './inputs';

export const flowBackwards: OperatingCheck = {
  code: 'flow.backwards',
  severity: 'fails',
  stage: 'flow',
  get meaning() {
    return msg`A stronger pump pushes coolant backwards through a weaker one beside it. Match
      their speeds, or set them one behind the other.`;
  },
  get source() {
    return msg`the network solution; a pump must run forwards (any pump handbook)`;
  },
  run: (context) =>
    context.flow.pumps
      .filter((p) => p.flow_Lmin < -1e-6)
      .map((p): Diagnostic => {
        const component = findComponent(context.design, p.id);
        const part = component?.part.kind === 'pump' ? component.part : null;
        const others = context.flow.pumps.filter(
          (o) => o.loop === p.loop && o.id !== p.id && o.flow_Lmin > 0,
        );
        const strong = others.reduce<(typeof others)[number] | null>(
          (a, b) => (a && a.head_m >= b.head_m ? a : b),
          null,
        );
        const twin = strong && findComponent(context.design, strong.id);
        return {
          subjects: [p.id],
          title: msg`${nameOf(context, p.id)} is pushed backwards`,
          detail:
            others.length > 0
              ? msg`${formatFlow(-p.flow_Lmin)} run back through it;
                  ${listAnd(others.map((o) => nameOf(context, o.id)))} overcomes it.`
              : msg`${formatFlow(-p.flow_Lmin)} run back through it.`,
          measured: p.flow_Lmin,
          limit: 0,
          unit: 'L/min',
          candidates: () =>
            part && component && strong && twin
              ? [
                  ...faster(component, part, p.speed_rpm, strong.head_m),
                  ...alike(component, part, twin, strong.speed_rpm),
                ]
              : [],
        };
      }),
};

/**
 * Share of the shut-off head that must be to spare over the stronger pump's head before a speed is
 * offered.
 */
const SPARE = 1.15;

/** A speed at which its shut-off head stands above the other's head, when it has one. */
function faster(component: Component, part: PumpPart, now_rpm: number, against_m: number): Fix[] {
  const shutOff = part.points[0]?.[1] ?? 0;
  const rpm = Math.ceil((part.fullSpeed_rpm * Math.sqrt((SPARE * against_m) / shutOff)) / 50) * 50;
  return shutOff > 0 && rpm > now_rpm && rpm <= part.fullSpeed_rpm
    ? [
        {
          label: msg`Run ${component.name} at ${formatNumber(rpm)} rpm`,
          edit: { do: 'component.set', component: component.id, values: { speed_rpm: rpm } },
        },
      ]
    : [];
}

/** The same pump twice, at the same speed. */
function alike(component: Component, part: PumpPart, twin: Component, rpm: number): Fix[] {
  if (twin.part.kind !== 'pump' || twin.part.id === part.id) return [];
  return [
    {
      label: msg`Make ${component.name} a ${twin.part.name} at the same speed`,
      edit: {
        do: 'batch',
        edits: [
          { do: 'component.replace', component: component.id, part: twin.part },
          { do: 'component.set', component: component.id, values: { speed_rpm: rpm } },
        ],
      },
    },
  ];
}
