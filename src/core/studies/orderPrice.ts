import { analyse, type Analysis } from '../analysis';
import { applyEdit, withoutRoutes, type Design, type Edit } from '../design';

/** What another order of a loop's parts comes to: all differences to the order it has. */
export interface OrderPrice {
  readonly tube_m: number;
  readonly bends: number;
  /** The hot spot it changes most; null where none has a temperature. */
  readonly spot: { readonly name: string; readonly by_K: number } | null;
}

/** Runs are estimated from port to port, before and after alike, whether they are routed or not. */
export function orderPrice(design: Design, edit: Edit): OrderPrice {
  const now = analyse(withoutRoutes(design)),
    next = analyse(withoutRoutes(applyEdit(design, edit).design));
  return {
    tube_m: (next.reports.bom.tube_mm - now.reports.bom.tube_mm) / 1000,
    bends: bendsOf(next) - bendsOf(now),
    spot: mostChanged(now, next),
  };
}

const bendsOf = ({ reports }: Analysis): number => reports.runs.reduce((s, r) => s + r.bends, 0);

function mostChanged(now: Analysis, next: Analysis): OrderPrice['spot'] {
  const spotsOf = ({ reports, system }: Analysis) =>
    reports.heat[system.design.brief.loadCase].hotSpots;
  const changes = spotsOf(next).flatMap(({ component, hotSpot, name, temp_C }) => {
    const old = spotsOf(now).find((o) => o.component === component && o.hotSpot === hotSpot);
    return temp_C === null || !old || old.temp_C === null
      ? []
      : [{ name, by_K: temp_C - old.temp_C }];
  });
  return changes.reduce<OrderPrice['spot']>(
    (most, change) => (!most || Math.abs(change.by_K) > Math.abs(most.by_K) ? change : most),
    null,
  );
}
