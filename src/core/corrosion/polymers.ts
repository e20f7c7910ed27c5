import {
  capPieces,
  loopByTube,
  type Design,
  type Loop,
  type LoopId,
  type ComponentId,
} from '../design';
import {
  isWet,
  POLYMER_MATERIALS,
  type PolymerMaterial,
  type TubePart,
  type WettedPolymerSurface,
} from '../components';
import { msg } from '../messages';
import { EFFECT, judgePolymer, type Agent, type PolymerVerdict } from './polymer';

export interface SoftCarrier {
  readonly component: ComponentId;
  readonly name: string;
  readonly as: WettedPolymerSurface['as'] | 'tube';
}

/** A plastic or rubber that the coolant of a loop touches, and how it takes it. */
export interface WettedPolymer {
  readonly loop: LoopId;
  readonly material: PolymerMaterial;
  readonly carriers: readonly SoftCarrier[];
  readonly verdict: PolymerVerdict;
  /** Why it does not simply hold. */
  readonly because: string | null;
}

/**
 * What the coolant of a loop holds that plastics and rubber mind, by volume; soft PVC gives off
 * plasticiser, told as a trace.
 */
function agentsIn({ coolant, tube }: Loop): readonly (readonly [Agent, number])[] {
  return [
    [
      coolant.base.glycol === 'ethylene' ? 'ethylene glycol' : 'propylene glycol',
      coolant.base.glycol === 'none' ? 0 : coolant.base.volumeShare,
    ],
    ['alcohol', coolant.alcoholShare ?? 0],
    ['plasticiser', tube.material === 'soft PVC' ? TRACE : 0],
  ];
}
const TRACE = 0.001;

const isPolymer = (
  material: TubePart['material'],
): material is PolymerMaterial & TubePart['material'] =>
  POLYMER_MATERIALS.some((p) => p === material);

/**
 * Every plastic and rubber the coolant touches, loop by loop: bodies, seals and tube. What a part's
 * data do not tell is not judged.
 */
export function judgePolymers(design: Design): readonly WettedPolymer[] {
  return design.loops.flatMap((loop) => {
    const by = new Map<PolymerMaterial, SoftCarrier[]>();
    const note = (material: PolymerMaterial, carrier: SoftCarrier): void => {
      const list = by.get(material) ?? [];
      if (!list.some((c) => c.component === carrier.component && c.as === carrier.as))
        by.set(material, [...list, carrier]);
    };
    const touched = new Set([
      ...loop.connections.flatMap((l) => [l.from.component, l.to.component]),
      ...loop.caps.map((c) => c.component),
    ]);
    for (const component of design.components)
      if (touched.has(component.id) && isWet(component.part))
        for (const s of component.part.polymers ?? [])
          note(s.material, { component: component.id, name: component.name, as: s.as });
    const tubed = loopByTube(loop).filter((l) => l.connections.some((c) => c.by === 'tube'));
    const fittings = [
      ...tubed.map((l) => l.fitting),
      ...loop.caps.flatMap((c) => capPieces(design.kit, c)),
    ];
    for (const f of fittings)
      for (const s of f.polymers ?? [])
        note(s.material, { component: `fitting:${f.id}`, name: f.name, as: s.as });
    for (const { tube } of tubed)
      if (isPolymer(tube.material))
        note(tube.material, { component: `tube:${tube.id}`, name: tube.name, as: 'tube' });
    return [...by]
      .map(([material, carriers]): WettedPolymer => ({
        loop: loop.id,
        material,
        carriers,
        ...against(loop, material),
      }))
      .sort((a, b) => a.material.localeCompare(b.material));
  });
}

function against(
  loop: Loop,
  material: PolymerMaterial,
): Pick<WettedPolymer, 'verdict' | 'because'> {
  if ((loop.coolant.attacks ?? []).includes(material))
    return { verdict: 'fails', because: msg`its own data say that it attacks it` };
  const reported = agentsIn(loop).map(([agent, share]) => ({
    agent,
    share,
    verdict: judgePolymer(material, agent, share),
  }));
  const worst =
    reported.find((t) => t.verdict === 'fails') ?? reported.find((t) => t.verdict === 'marginal');
  if (!worst) return { verdict: 'ok', because: null };
  return {
    verdict: worst.verdict,
    because:
      worst.agent === 'plasticiser'
        ? msg`plasticiser from the tube ${EFFECT.plasticiser}`
        : `${Math.round(worst.share * 100)} % ${worst.agent} ${EFFECT[worst.agent]}`,
  };
}
