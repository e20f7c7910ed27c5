import { fitOf, lossDrop } from '@/core/hydraulics';
import { METAL_NAMES } from '@/core/corrosion';
import type { InlinePart, Part } from '@/core/components';
import { formatMeasure, formatNumber, formatSize } from '@/core/units';
import { listAnd, listOr, msg, noted } from '@/core/messages';

const dims = formatSize;

/** What matters of a part, in a line. */
export function partFigures(p: Part): string {
  switch (p.kind) {
    case 'case':
      return msg`${formatNumber(p.volume_L)} L, inside ${dims(p.interior)},
        ${p.mounts.map((m) => `${m.face} ${listOr(m.fans.map((f) => `${f.count} × ${f.size_mm}`))}`).join(', ')}`;
    case 'radiator':
      return msg`${p.sections} × ${p.section_mm}, ${formatMeasure(p.size[2], 'mm')} thick,
        ${p.core.fpi} fins per inch, ${p.core.finMetal}, ${p.ports.length} ports,
        ${p.screw.thread}`;
    case 'fan':
      return msg`${p.section_mm} × ${formatMeasure(p.size[2], 'mm')},
        ${formatNumber(p.minSpeed_rpm)} to ${formatNumber(p.fullSpeed_rpm)} rpm,
        ${formatMeasure(p.points[p.points.length - 1]?.[0], 'm³/h')} free,
        ${formatMeasure(p.points[0]?.[1], 'Pa', { decimals: 1 })},
        ${formatNumber(p.sound_dBA, { decimals: 1 })} dBA`;
    case 'pump':
      return msg`${formatMeasure(p.points[0]?.[1], 'm', { decimals: 1 })} shut-off head,
        ${formatMeasure(p.points[p.points.length - 1]?.[0], 'L/min')} free,
        ${formatNumber(p.minSpeed_rpm)} to ${formatNumber(p.fullSpeed_rpm)} rpm,
        ${formatNumber(p.sound_dBA)} dBA, ${p.power_W} W`;
    case 'reservoir':
      return `${dims(p.size)}, ${formatMeasure(p.fill_mL, 'mL')}`;
    case 'block':
      return msg`for ${listAnd(p.cools)},
        ${formatNumber(p.resistance[p.resistance.length - 2]?.[1], { decimals: 3 })} K/W at
        ${p.resistance[p.resistance.length - 2]?.[0] ?? '–'} L/min,
        ${p.wetted.map((w) => METAL_NAMES[w.metal]).join(', ')}, ${dims(p.size)}`;
    case 'processor':
    case 'memory':
    case 'board':
      return `${formatNumber(p.draw_W)} W${p.kind === 'board' ? `, ${p.standard}` : ''}, ${dims(p.size)}`;
    case 'device':
      return `${formatNumber(p.draw_W, { decimals: 1 })} W, ${dims(p.size)}${p.format ? `, ${p.format}` : ''}${p.connector ? `, ${p.connector}` : ''}`;
    case 'card':
      return msg`${formatNumber(p.draw_W)} W, ${dims(p.size)},
        ${formatMeasure(p.bareThickness_mm, 'mm')} bare`;
    case 'supply':
      return `${formatNumber(p.rating_W)} W, ${dims(p.size)}`;
    case 'cable':
      return noted(
        p.duty === 'hub' ? msg`hub powered by the power supply` : msg`splitter on one header`,
        msg`${p.outlets} plugs`,
        msg`${formatNumber(p.limit_A, { decimals: 1 })} A in all`,
      );
    case 'tube':
      return noted(
        msg`${p.outer_mm}/${p.inner_mm} mm ${p.material}`,
        msg`bends no tighter than ${formatMeasure(p.minBend_mm, 'mm')}`,
        p.stick_mm ? msg`sticks of ${formatMeasure(p.stick_mm, 'mm')}` : msg`by the metre`,
      );
    case 'fitting':
      return noted(
        msg`${p.thread}, bore ${p.bore_mm} mm, K ${p.k}`,
        p.tube && msg`for ${p.tube.outer_mm}/${p.tube.inner_mm} mm`,
      );
    case 'coolant':
      return noted(
        p.look,
        p.base.glycol === 'none'
          ? msg`no glycol`
          : msg`${formatNumber(p.base.volumeShare * 100)} % ${p.base.glycol} glycol by volume`,
        p.inhibitor_months > 0 ? msg`inhibitor ${p.inhibitor_months} months` : msg`no inhibitor`,
        formatMeasure(p.bottle_mL, 'mL'),
      );
    case 'inline':
      return noted(p.duty, takes(p), dims(p.size));
    case 'layer':
      return msg`${p.section_mm} mm, ${formatMeasure(p.thickness_mm, 'mm', { decimals: 1 })}
        thick, ${formatMeasure(p.loss_Pa, 'Pa', { decimals: 1 })} at 1 m/s`;
    case 'consumable':
      return noted(
        p.tool ? msg`tool` : msg`used up`,
        p.duty.replace('-', ' '),
        p.pack > 1 && msg`${p.pack} in a pack`,
        p.tube_mm && msg`for ${p.tube_mm} mm`,
      );
    case 'screw':
      return msg`${p.thread} × ${p.length_mm} mm, ${p.pack} in a pack`;
  }
}

/** Where in-line pieces are compared. */
const AT_LMIN = 4;
function takes(p: InlinePart): string | null {
  const points = p.passages[0]?.points ?? [];
  return points.length > 0
    ? msg`takes ${formatMeasure(lossDrop(fitOf(points), AT_LMIN), 'kPa', { decimals: 1 })} at
        ${AT_LMIN} L/min`
    : null;
}
