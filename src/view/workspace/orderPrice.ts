import { applyEdit, withoutRoutes, type Design, type Edit } from '@/core/design';
import { analyse } from '@/core/analysis';
import { formatMeasure, formatNumber } from '@/core/units';
import { msg } from '@/core/messages';

/**
 * What another order would cost, in a line, before the station is let go: runs estimated from port
 * to port, before and after alike.
 */
export function orderPrice(design: Design, edit: Edit): string {
  const now = analyse(withoutRoutes(design)).reports;
  const next = analyse(withoutRoutes(applyEdit(design, edit).design)).reports;
  const tube = (next.bom.tube_mm - now.bom.tube_mm) / 1000;
  const bends =
    next.runs.reduce((s, r) => s + r.bends, 0) - now.runs.reduce((s, r) => s + r.bends, 0);
  const load = design.brief.loadCase;
  const spots = next.heat[load].hotSpots.flatMap((s) => {
    const old = now.heat[load].hotSpots.find(
      (o) => o.component === s.component && o.hotSpot === s.hotSpot,
    );
    return s.temp_C !== null && old?.temp_C !== null && old
      ? [{ name: s.name, by: s.temp_C - old.temp_C }]
      : [];
  });
  const most = spots.reduce<{ name: string; by: number } | null>(
    (a, b) => (!a || Math.abs(b.by) > Math.abs(a.by) ? b : a),
    null,
  );
  return msg`${formatMeasure(tube, 'm', { decimals: 2, signed: true })} of tube,
    ${formatNumber(bends, { signed: true })} bends (both
    estimated)${most ? `, ${most.name} ${formatMeasure(most.by, 'K', { decimals: 1, signed: true })}` : ''}`;
}
