import {
  capPieces,
  loopByTube,
  type Design,
  type Loop,
  type LoopId,
  type ComponentId,
} from '../design';
import { distance, type Vec } from '../geometry';
import { isWet, type Metal, type WettedSurface } from '../components';
import { ANODIC_INDEX, byIndex, DIFFERENCE_LIMIT, LIMIT_SLACK_V, type Environment } from './table';
import { judgePolymers, type WettedPolymer } from './polymers';
import { METAL_VERDICTS, type PairFacts, type PairVerdict } from './verdict';

export interface PairJudgement {
  readonly difference_V: number;
  readonly limit_V: number;
  readonly dissolves: Metal;
  readonly allowed: boolean;
  readonly onLimit: boolean;
}

/** Two metals in one coolant. The less noble one (higher index) dissolves. */
export function judgePair(a: Metal, b: Metal, environment: Environment): PairJudgement {
  const difference_V = Math.abs(ANODIC_INDEX[a] - ANODIC_INDEX[b]);
  const limit_V = DIFFERENCE_LIMIT[environment];
  return {
    difference_V,
    limit_V,
    dissolves: ANODIC_INDEX[a] > ANODIC_INDEX[b] ? a : b,
    allowed: difference_V <= limit_V + LIMIT_SLACK_V,
    onLimit: Math.abs(difference_V - limit_V) <= LIMIT_SLACK_V,
  };
}

/** A pair as verdicts see it. */
export function pairFacts(a: Metal, b: Metal, environment: Environment): PairFacts {
  const { dissolves, difference_V, limit_V } = judgePair(a, b, environment);
  return { anode: dissolves, cathode: dissolves === a ? b : a, difference_V, limit_V };
}

export interface Carrier {
  readonly component: ComponentId;
  readonly name: string;
  readonly area_mm2: number;
  /** Metals under its plating, where this metal is one. */
  readonly platedOver: readonly Metal[];
}
export interface WettedMetal {
  readonly loop: LoopId;
  readonly metal: Metal;
  readonly area_mm2: number;
  readonly carriers: readonly Carrier[];
  readonly platedOver: readonly Metal[];
}

export interface MetalPair {
  readonly loop: LoopId;
  readonly a: Metal;
  readonly b: Metal;
  readonly difference_V: number;
  readonly limit_V: number;
  readonly verdict: PairVerdict;
  /** Which of METAL_VERDICTS speaks against it; null when it holds. */
  readonly reason: string | null;
  readonly dissolves: Metal;
  /** Area of what dissolves over area of the nobler metal: small is worse. */
  readonly areaRatio: number;
  readonly carriers: Readonly<Record<string, readonly string[]>>;
}

export interface CorrosionReport {
  readonly environments: Readonly<Record<string, Environment>>;
  readonly metals: readonly WettedMetal[];
  readonly pairs: readonly MetalPair[];
  /** Plastics and rubbers against the coolant. */
  readonly polymers: readonly WettedPolymer[];
}

/** A loop counts as harsh without an inhibitor and ordinary with one in date. */
export function environmentOf(loop: Loop): Environment {
  return loop.coolant.inhibitor_months > loop.coolantAge_months ? 'ordinary' : 'harsh';
}

/** Every pair of wetted metals in each loop, judged by METAL_VERDICTS. Dry metal never counts. */
export function judgeCorrosion(design: Design): CorrosionReport {
  const metals = design.loops.flatMap((loop) => wettedMetals(design, loop));
  const pairs = design.loops.flatMap((loop) => {
    const environment = environmentOf(loop);
    const own = metals.filter((m) => m.loop === loop.id);
    return own.flatMap((x, i) =>
      own.slice(i + 1).map((y): MetalPair => {
        const j = judgePair(x.metal, y.metal, environment);
        const anode = j.dissolves === x.metal ? x : y,
          cathode = anode === x ? y : x;
        const facts = pairFacts(x.metal, y.metal, environment),
          against = METAL_VERDICTS.find((v) => v.applies(facts));
        return {
          loop: loop.id,
          a: x.metal,
          b: y.metal,
          difference_V: j.difference_V,
          limit_V: j.limit_V,
          verdict: against?.verdict ?? 'ok',
          reason: against?.id ?? null,
          dissolves: j.dissolves,
          areaRatio: cathode.area_mm2 > 0 ? anode.area_mm2 / cathode.area_mm2 : Infinity,
          carriers: {
            [x.metal]: x.carriers.map((c) => c.component),
            [y.metal]: y.carriers.map((c) => c.component),
          },
        };
      }),
    );
  });
  return {
    environments: Object.fromEntries(design.loops.map((l) => [l.id, environmentOf(l)])),
    metals,
    pairs,
    polymers: judgePolymers(design),
  };
}

/** Put down for a run of tube that is not laid yet, mm (an estimate). */
const USUAL_RUN_MM = 300;

/** Length of the tubes of some connections, mm: by their corners where they are laid. */
const lengthOf = ({ layout }: Design, tubes: Loop['connections']): number =>
  tubes.reduce((sum, { id }) => {
    const corners = layout.routes[id]?.corners;
    return (
      sum +
      (corners
        ? corners.slice(1).reduce((s, p, i) => s + distance(p, corners[i] as Vec), 0)
        : USUAL_RUN_MM)
    );
  }, 0);

function wettedMetals(design: Design, loop: Loop): WettedMetal[] {
  const found = new Map<Metal, { area: number; carriers: Carrier[]; platedOver: Set<Metal> }>();
  const note = (s: WettedSurface, component: string, name: string, times: number): void => {
    const entry = found.get(s.metal) ?? { area: 0, carriers: [], platedOver: new Set<Metal>() };
    entry.area += s.area_mm2 * times;
    entry.carriers.push({
      component,
      name,
      area_mm2: s.area_mm2 * times,
      platedOver: s.platedOver ? [s.platedOver] : [],
    });
    if (s.platedOver) entry.platedOver.add(s.platedOver);
    found.set(s.metal, entry);
  };
  const touched = new Set([
    ...loop.connections.flatMap((l) => [l.from.component, l.to.component]),
    ...loop.caps.map((c) => c.component),
  ]);
  for (const component of design.components)
    if (touched.has(component.id) && isWet(component.part))
      for (const s of component.part.wetted) note(s, component.id, component.name, 1);
  for (const { tube, fitting, connections } of loopByTube(loop)) {
    const tubes = connections.filter((l) => l.by === 'tube');
    if (tubes.length === 0) continue;
    if (tube.material === 'copper')
      note(
        { metal: 'copper', area_mm2: Math.PI * tube.inner_mm * lengthOf(design, tubes) },
        `tube:${tube.id}`,
        tube.name,
        1,
      );
    for (const s of fitting.wetted)
      note(s, `fitting:${fitting.id}`, fitting.name, 2 * tubes.length);
  }
  for (const cap of loop.caps)
    for (const piece of capPieces(design.kit, cap))
      for (const s of piece.wetted) note(s, `fitting:${piece.id}`, piece.name, 1);
  return [...found]
    .map(([metal, e]) => ({
      loop: loop.id,
      metal,
      area_mm2: e.area,
      carriers: merge(e.carriers),
      platedOver: [...e.platedOver],
    }))
    .sort((a, b) => byIndex(a.metal, b.metal));
}

function merge(carriers: readonly Carrier[]): Carrier[] {
  const by = new Map<string, Carrier>();
  for (const c of carriers)
    by.set(c.component, {
      ...c,
      area_mm2: (by.get(c.component)?.area_mm2 ?? 0) + c.area_mm2,
      platedOver: [...new Set([...(by.get(c.component)?.platedOver ?? []), ...c.platedOver])],
    });
  return [...by.values()];
}
