import { applyEdit, type Design, type Edit, findComponent } from '../design';
import { analyse, type Analysis } from '../analysis';
import { worstRise } from '../thermal';
import type { ComponentPart, Part } from '../components';

/**
 * What a build would be with another part in a component's place; differences to what it is now.
 */
export interface PartCompared {
  readonly part: string;
  readonly name: string;
  readonly edit: Edit;
  readonly deltaT_K: number | null;
  readonly noise_dBA: number;
  /** Slowest loop. */
  readonly flow_Lmin: number | null;
  /** The list's sum for the loop, minor units. */
  readonly cost_minor: number;
  readonly clashes: number;
  /** Tightest gap of the component, mm. */
  readonly gap_mm: number | null;
  readonly fails: number;
}

interface Figures {
  readonly rise: number | null;
  readonly noise: number;
  readonly flow: number | null;
  readonly cost: number;
  readonly clashes: number;
  readonly gap: number | null;
  readonly fails: number;
}

function figures({ reports, findings }: Analysis, design: Design, component: string): Figures {
  const heat = reports.heat[design.brief.loadCase],
    flows = reports.flow.loops.map((l) => l.flow_Lmin),
    own = reports.clearance.gaps.filter((g) => g.a === component || g.b === component);
  return {
    rise: worstRise(heat),
    noise: heat.noise_dBA,
    flow: flows.length > 0 ? Math.min(...flows) : null,
    cost: reports.bom.loopTotal,
    clashes: reports.clearance.gaps.filter((g) => g.verdict === 'clash').length,
    gap: own[0]?.gap_mm ?? null,
    fails: findings.filter((f) => f.severity === 'fails').length,
  };
}

const less = (a: number | null, b: number | null): number | null =>
  a === null || b === null ? null : a - b;

/**
 * Every part of the same kind on offer in a component's place, each worked out whole with estimated
 * runs; cheapest first. `tell` hears how far it is and stops by answering false.
 */
export function compareParts(
  design: Design,
  componentId: string,
  offer: readonly Part[],
  tell: (done: number, of: number) => boolean = () => true,
): readonly PartCompared[] {
  const component = findComponent(design, componentId);
  if (!component) return [];
  const others = offer.filter(
      (p): p is ComponentPart => p.kind === component.part.kind && p.id !== component.part.id,
    ),
    now = figures(analyse(design), design, componentId),
    out: PartCompared[] = [];
  for (const [i, part] of others.entries()) {
    if (!tell(i, others.length)) break;
    const edit: Edit = { do: 'component.replace', component: componentId, part },
      after = applyEdit(design, edit).design,
      then = figures(analyse(after), after, componentId);
    out.push({
      part: part.id,
      name: part.name,
      edit,
      deltaT_K: less(then.rise, now.rise),
      noise_dBA: then.noise - now.noise,
      flow_Lmin: less(then.flow, now.flow),
      cost_minor: then.cost - now.cost,
      clashes: then.clashes - now.clashes,
      gap_mm: then.gap,
      fails: then.fails - now.fails,
    });
  }
  return out.sort(
    (a, b) => Number(a.clashes > 0) - Number(b.clashes > 0) || a.cost_minor - b.cost_minor,
  );
}
