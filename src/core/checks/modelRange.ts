import { COOLANT_RANGE_C } from '../fluids';
import { BEND_RATIOS } from '../hydraulics';
import { formatCelsius, formatFlow, formatNumber, formatShown } from '../units';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { nameOf, type CheckInputs, type OperatingCheck } from './inputs';

/** Beyond the last point by more than this share a fit is carried on further than it was measured. */
const BEYOND = 0.25;

/** A figure that is worked out beyond what its points or its formula were made for. */
interface Outside {
  readonly component: string;
  readonly what: string;
}

const flowThrough = ({ flow }: CheckInputs, component: string): number =>
  Math.max(0, ...flow.links.map((l) => (l.component === component ? Math.abs(l.flow_Lmin) : 0)));

/** A flow outside the flows that were measured. */
function beyondPoints(
  points: readonly (readonly [number, number])[],
  flow_Lmin: number,
): string | null {
  const flows = points.map(([q]) => q).filter((q) => q > 0);
  if (flows.length === 0 || flow_Lmin <= 0) return null;
  const [least, most] = [Math.min(...flows), Math.max(...flows)];
  if (flow_Lmin <= most * (1 + BEYOND) && flow_Lmin >= least * (1 - BEYOND)) return null;
  return msg`${formatFlow(flow_Lmin)}, measured from ${formatFlow(least)} to ${formatFlow(most)}`;
}

function ofParts(context: CheckInputs): readonly Outside[] {
  return context.design.components.flatMap(({ id, part }): Outside[] => {
    const flow_Lmin = flowThrough(context, id);
    const out: Outside[] = [];
    const note = (of: string, points: readonly (readonly [number, number])[]): void => {
      const beyond = beyondPoints(points, flow_Lmin);
      if (beyond) out.push({ component: id, what: msg`${of} at ${beyond}` });
    };
    if ('passages' in part && part.kind !== 'pump')
      for (const p of part.passages) note(msg`pressure drop`, p.points);
    if (part.kind === 'block') note('K/W', part.resistance);
    return out;
  });
}

const ofPumps = ({ flow, design }: CheckInputs): readonly Outside[] =>
  flow.pumps.flatMap(({ id, flow_Lmin, speed }): Outside[] => {
    const part = design.components.find((c) => c.id === id)?.part;
    if (part?.kind !== 'pump' || speed <= 0) return [];
    const last = (part.points[part.points.length - 1] as readonly [number, number])[0] * speed;
    return flow_Lmin > last * 1.001
      ? [
          {
            component: id,
            what: msg`head at ${formatFlow(flow_Lmin)}, its curve ends at ${formatFlow(last)}`,
          },
        ]
      : [];
  });

const ofRuns = ({ runs, design }: CheckInputs): readonly Outside[] =>
  runs.flatMap((run): Outside[] => {
    const bore_mm = design.loops.find((l) => l.id === run.loop)?.tube.inner_mm ?? Infinity;
    const arc = run.routed?.path.find(
      (s) =>
        s.kind === 'arc' &&
        (s.radius / bore_mm < BEND_RATIOS.least || s.radius / bore_mm > BEND_RATIOS.most),
    );
    if (arc?.kind !== 'arc') return [];
    return [
      {
        component: run.id,
        what: msg`bend of ${formatNumber(arc.radius / bore_mm, { decimals: 1 })} times its bore,
          tabulated from ${BEND_RATIOS.least} to ${BEND_RATIOS.most}`,
      },
    ];
  });

const ofCoolant = ({ heat }: CheckInputs): readonly Outside[] =>
  heat.loops.flatMap(({ id, hottest_C, coolest_C }): Outside[] => {
    const out = [hottest_C, coolest_C].find(
      (t) => t !== null && (t > COOLANT_RANGE_C.max || t < COOLANT_RANGE_C.min),
    );
    return out === undefined || out === null
      ? []
      : [
          {
            component: id,
            what: msg`properties of its coolant at ${formatCelsius(out)}, fitted from
              ${formatShown(COOLANT_RANGE_C.min, '°C')} to
              ${formatCelsius(COOLANT_RANGE_C.max)}`,
          },
        ];
  });

export const modelRange: OperatingCheck = {
  code: 'model.range',
  severity: 'note',
  stage: 'flow',
  get meaning() {
    return msg`A figure is worked out beyond what its points or its formula were made for: less
      sure than the others. Measure nearer to where the part works, or bring it back.`;
  },
  get source() {
    return msg`the ranges that each correlation states; a quarter beyond the last point is let
      pass`;
  },
  run: (context) => {
    const outside = [
      ...ofParts(context),
      ...ofPumps(context),
      ...ofRuns(context),
      ...ofCoolant(context),
    ];
    const subjects = [...new Set(outside.map((o) => o.component))];
    return subjects.map((subject): Diagnostic => ({
      subjects: [subject],
      title: msg`${nameIn(context, subject)} is worked out beyond what was measured`,
      detail: `${outside
        .filter((o) => o.component === subject)
        .map((o) => o.what)
        .join('; ')}.`,
    }));
  },
};

/** Of a part, a run or a loop. */
const nameIn = (context: CheckInputs, id: string): string =>
  context.runs.find((r) => r.id === id)?.name ??
  context.design.loops.find((l) => l.id === id)?.name ??
  nameOf(context, id);
