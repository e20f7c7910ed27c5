import { formatMeasure, formatMillimetres } from '../units';
import { cableTrunk } from '../wiring';
import { msg } from '../messages';
import type { SpatialCheck } from './inputs';

export const fitCables: SpatialCheck = {
  code: 'fit.cables',
  severity: 'marginal',
  stage: 'case',
  get meaning() {
    return msg`The cables of this machine lie deeper than the room behind its tray: the panel
      will bulge or not close. Flat or custom cables, or some of them led before the tray, make
      room.`;
  },
  get source() {
    return msg`depth behind the tray, of the case; cables by what the parts draw, spread 80 mm
      wide (estimate; common practice, no source)`;
  },
  run: ({ system, design }) => {
    const behind_mm = design.case?.behind_mm ?? 0;
    const hasSupply = design.components.some((c) => c.part.kind === 'supply');
    if (behind_mm <= 0 || !hasSupply) return [];
    const { depth_mm, thickest_mm, area_mm2 } = cableTrunk(system);
    if (depth_mm <= behind_mm) return [];
    return [
      {
        subjects: ['case'],
        title: msg`The cables are deeper than the clearance behind the tray`,
        detail: msg`Together they fill about ${formatMeasure(area_mm2 / 100, 'cm²')},
          ${formatMillimetres(depth_mm)} deep; the thickest is
          ${formatMillimetres(thickest_mm)}, and behind the tray are
          ${formatMillimetres(behind_mm)}.`,
        measured: depth_mm,
        limit: behind_mm,
        unit: 'mm',
      },
    ];
  },
};
