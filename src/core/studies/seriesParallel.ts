import { applyEdit, type Design, type Edit, componentName, type ComponentId } from '../design';
import { obstructedModel } from '../analysis';
import { solveCoupled, solvePrepared } from '../thermal';
import { rowEdit, splitEdit, whyNoSplit } from '../loops';
import { compileSystem } from '../system';
import type { InlinePart } from '../components';
import { runsOf } from '../routing';
import { msg } from '../messages';

/** What one part sees in one arrangement. */
export interface SplitPart {
  readonly component: ComponentId;
  readonly name: string;
  readonly flow_Lmin: number;
  readonly drop_kPa: number;
  readonly hotSpots: readonly {
    readonly name: string;
    readonly temp_C: number | null;
    readonly limit_C: number;
  }[];
}
export interface Arrangement {
  /** What would make the build so; null when it is so already. */
  readonly edit: Edit | null;
  readonly flow_Lmin: number;
  readonly head_kPa: number;
  readonly deltaT_K: number | null;
  /** Least room of these parts' spots under their limits, K. */
  readonly headroom_K: number | null;
  readonly parts: readonly SplitPart[];
}
export interface SeriesParallel {
  readonly row: Arrangement;
  readonly beside: Arrangement;
  /**
   * Which leaves the parts more room under their limits, and by how much; within a tenth of a
   * kelvin they are the same.
   */
  readonly better: 'row' | 'beside' | 'same' | null;
  readonly by_K: number | null;
}

/** Below this the two arrangements count as the same, K. */
const SAME_K = 0.1;

/**
 * The same parts one behind the other and side by side, each worked out whole: runs, flow, heat.
 * Null with the reason in words when it cannot be.
 */
export function compareSeriesParallel(
  design: Design,
  loop: string,
  components: readonly string[],
  tee: InlinePart,
): SeriesParallel | { readonly why: string } {
  const graph = compileSystem(design).loops.find((g) => g.loop.id === loop);
  if (!graph) return { why: msg`There is no such loop.` };
  const toRow = graph.branched ? rowEdit(design, loop) : null;
  const row = toRow ? applyEdit(design, toRow).design : design;
  const why = whyNoSplit(row, loop, components);
  if (why !== null) return { why };
  const order = compileSystem(row).loops.find((g) => g.loop.id === loop)?.stations ?? [];
  const inOrder = [...components].sort((a, b) => order.indexOf(a) - order.indexOf(b));
  const toSplit = splitEdit(row, loop, inOrder, tee);
  if (!toSplit) return { why: msg`These parts cannot be set in parallel.` };
  const beside = isBeside(design, loop, components) ? design : applyEdit(row, toSplit).design;
  const one: Arrangement = { ...look(row, loop, components), edit: toRow };
  const editToIt = (): Edit | null => {
    if (beside === design) return null;
    if (toRow)
      return {
        do: 'batch',
        edits: [toRow, toSplit].flatMap((e) => (e.do === 'batch' ? e.edits : [e])),
      };
    return toSplit;
  };
  const other: Arrangement = {
    ...look(beside, loop, components),
    edit: editToIt(),
  };
  const known = one.headroom_K !== null && other.headroom_K !== null;
  const by = known ? (other.headroom_K as number) - (one.headroom_K as number) : null;
  const betterOne = () => {
    if (by === null) return null;
    if (Math.abs(by) < SAME_K) return 'same';
    if (by > 0) return 'beside';
    return 'row';
  };
  return {
    row: one,
    beside: other,
    by_K: by === null ? null : Math.abs(by),
    better: betterOne(),
  };
}

/**
 * Whether these parts stand side by side now: none leads to another on the way from the reservoir.
 */
export function isBeside(design: Design, loop: string, components: readonly string[]): boolean {
  const layout = compileSystem(design).loops.find((g) => g.loop.id === loop)?.layout;
  if (!layout) return false;
  const cables = (from: number, to: number, seen = new Set<number>()): boolean => {
    if (seen.has(from)) return false;
    seen.add(from);
    return layout.legs.some(
      (l) => l.from === from && !l.back && (l.to === to || cables(l.to, to, seen)),
    );
  };
  const visits = components.map((i) => layout.visits.findIndex((v) => v.component === i));
  return visits.every((a) => visits.every((b) => a === b || !cables(a, b)));
}

function look(
  design: Design,
  loop: string,
  components: readonly string[],
): Omit<Arrangement, 'edit'> {
  const system = compileSystem(design);
  const runs = runsOf(system);
  const { loadCase } = design.brief;
  const { flow, prepared } = solveCoupled(system, runs, obstructedModel(system), loadCase);
  const report = solvePrepared(prepared, loadCase);
  const state = flow.loops.find((l) => l.id === loop);
  const parts = components.map((component): SplitPart => {
    const links = flow.links.filter((l) => l.component === component && l.loop === loop);
    const hotSpots = report.hotSpots
      .filter((s) => s.cooledBy === component)
      .map((s) => ({ name: s.name, temp_C: s.temp_C, limit_C: s.limit_C }));
    return {
      component,
      name: componentName(design, component),
      flow_Lmin: links.reduce((s, l) => s + Math.abs(l.flow_Lmin), 0),
      drop_kPa: Math.max(0, ...links.map((l) => l.drop_kPa)),
      hotSpots,
    };
  });
  const rooms = parts.flatMap((p) =>
    p.hotSpots.map((s) => (s.temp_C === null ? null : s.limit_C - s.temp_C)),
  );
  return {
    flow_Lmin: state?.flow_Lmin ?? 0,
    head_kPa: state?.head_kPa ?? 0,
    deltaT_K: report.loops.find((l) => l.id === loop)?.deltaT_K ?? null,
    headroom_K:
      rooms.length === 0 || rooms.some((r) => r === null) ? null : Math.min(...(rooms as number[])),
    parts,
  };
}
