import { applyEdit, type Design, type Edit, type ComponentId } from '../design';
import { analyse } from '../analysis';
import { BEND_MM, MOST_ORDERED, ordersByEstimate, reorderLoop } from '../loops';
import { compileSystem } from '../system';
import { layoutEdit, routeDesign, routesOf, unroutedRuns, withRoutes } from '../routing';
import { msg } from '../messages';

/** A loop's parts in one order, laid and judged whole. */
export interface OrderJudged {
  readonly order: readonly string[];
  /** Null for the order there is now. */
  readonly edit: Edit | null;
  readonly tube_mm: number;
  readonly bends: number;
  /** Runs for which routing found no way. */
  readonly without: number;
  /** Hottest spot of each part cooled in this loop, °C. */
  readonly temps: readonly { readonly component: ComponentId; readonly temp_C: number }[];
  /** Mean coolant over room air of this loop, K. */
  readonly deltaT_K: number | null;
}

export interface OrdersCompared {
  readonly rows: readonly OrderJudged[];
  /** Orders there are, and how many of them were laid in space. */
  readonly all: number;
  /** Most that any part's temperature differs between the orders shown, K. */
  readonly spread_K: number | null;
}

/** Of the orders that are cheapest by estimate, so many are laid in space. */
const MOST_LAID = 6;

/** Why a loop's orders are not compared; null when they are. */
export function whyNoOrders(design: Design, loopId: string): string | null {
  const graph = compileSystem(design).loops.find((g) => g.loop.id === loopId);
  if (!graph) return msg`There is no such loop.`;
  if (graph.branched) return msg`The flow splits in this loop: its parts have no single order.`;
  if (!graph.closed) return msg`The loop is not closed yet.`;
  return graph.stations.length > MOST_ORDERED
    ? msg`It has ${graph.stations.length} parts; orders are compared for up to ${MOST_ORDERED}.`
    : null;
}

/**
 * Orders of a loop's parts behind its reservoir and pumps, ranked by runs without a way, then tube
 * and bends. All are weighed by the way between the parts; the straightest by estimated runs; the
 * best of those are routed in space and worked out whole. `tell` hears how far it is and stops by
 * answering false.
 */
export function compareOrders(
  design: Design,
  loopId: string,
  tell: (done: number, of: number) => boolean = () => true,
): OrdersCompared | null {
  const system = compileSystem(design),
    graph = system.loops.find((g) => g.loop.id === loopId);
  if (!graph || whyNoOrders(design, loopId) !== null) return null;
  const steps = MOST_LAID + 2;
  if (!tell(0, steps)) return null;
  const { all, ranked } = ordersByEstimate(design, loopId);
  if (!tell(1, steps)) return null;
  const now = graph.stations.join(),
    rows: OrderJudged[] = [judge(routedWhole(design), loopId, graph.stations, null)];
  for (const { order, design: after } of ranked
    .filter((e) => e.order.join() !== now)
    .slice(0, MOST_LAID)) {
    if (!tell(rows.length + 1, steps)) return null;
    const laid = layoutEdit(after, routeDesign(after));
    const reorder = reorderLoop(design, loopId, order);
    // What is taken is what was judged, to the last corner.
    const edit: Edit = laid ? { do: 'batch', edits: [reorder, laid] } : reorder;
    rows.push(judge(laid ? applyEdit(after, laid).design : after, loopId, order, edit));
  }
  rows.sort(
    (a, b) =>
      a.without - b.without || a.tube_mm + a.bends * BEND_MM - b.tube_mm - b.bends * BEND_MM,
  );
  const components = [...new Set(rows.flatMap((r) => r.temps.map((t) => t.component)))];
  const spreads = components.map((i) => {
    const t = rows.flatMap((r) => r.temps.find((x) => x.component === i)?.temp_C ?? []);
    return Math.max(...t) - Math.min(...t);
  });
  return { rows, all, spread_K: spreads.length > 0 ? Math.max(...spreads) : null };
}

/**
 * The build as its document says where every run is routed, or was found to have no way; routed
 * from nothing otherwise.
 */
function routedWhole(design: Design): Design {
  const system = compileSystem(design);
  const routed = routesOf(system);
  const open = unroutedRuns(system, routed).length - routed.missing.length;
  return open === 0 ? design : withRoutes(design);
}

function judge(
  design: Design,
  loopId: string,
  order: readonly string[],
  edit: Edit | null,
): OrderJudged {
  const { reports, routed } = analyse(design);
  const runs = reports.runs.filter((r) => r.loop === loopId && r.by === 'tube'),
    heat = reports.heat[design.brief.loadCase];
  const cooled = new Map<string, number>();
  for (const s of heat.hotSpots)
    if (s.cooledBy !== null && order.includes(s.cooledBy) && s.temp_C !== null)
      cooled.set(s.component, Math.max(cooled.get(s.component) ?? -Infinity, s.temp_C));
  return {
    order,
    edit,
    tube_mm: runs.reduce((s, r) => s + r.cut_mm, 0),
    bends: runs.reduce((s, r) => s + r.bends, 0),
    without: routed.missing.filter((m) => m.loop === loopId).length,
    temps: [...cooled].map(([component, temp_C]) => ({ component, temp_C })),
    deltaT_K: heat.loops.find((l) => l.id === loopId)?.deltaT_K ?? null,
  };
}
