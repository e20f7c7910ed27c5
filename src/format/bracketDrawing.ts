import Drawing from 'dxf-writer';
import type { Bracket, BracketHole } from '@/core/bracket';
import { num as n, xml as escape } from './svgText';

/** Room round the plate on the sheet, and the ruler under it, mm. */
const SHEET_MARGIN = 12,
  RULER_MM = 100,
  RULER_ROOM = 16;

/** The plate at 1:1 with a ruler of 100 mm to check the printer by. Seen from above, mm. */
export function bracketToSvg(plate: Bracket, title: string): string {
  const width = Math.max(plate.width_mm, RULER_MM) + 2 * SHEET_MARGIN,
    height = plate.height_mm + 2 * SHEET_MARGIN + RULER_ROOM;
  const y = (z: number): number => SHEET_MARGIN + plate.height_mm - z;
  const hole = (h: BracketHole): string => {
    const cx = SHEET_MARGIN + h.x_mm,
      cy = y(h.z_mm),
      r = h.diameter_mm / 2,
      arm = r + 2;
    return `<circle cx="${n(cx)}" cy="${n(cy)}" r="${n(r)}"/><path d="M${n(cx - arm)} ${n(cy)}h${n(2 * arm)}M${n(cx)} ${n(cy - arm)}v${n(2 * arm)}" stroke-width="0.1"/>`;
  };
  const top = SHEET_MARGIN + plate.height_mm + 8;
  const ticks = Array.from(
    { length: RULER_MM / 5 + 1 },
    (_, i) => `M${SHEET_MARGIN + i * 5} ${n(top)}v${i % 2 === 0 ? 4 : 2.5}`,
  ).join('');
  const numbers = [0, 50, 100]
    .map(
      (v) =>
        `<text x="${SHEET_MARGIN + v}" y="${n(top + 8)}" font-size="3.2" text-anchor="middle" fill="#000" stroke="none" font-family="monospace">${v}</text>`,
    )
    .join('');
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}"><title>${escape(title)}</title><g fill="none" stroke="#000" stroke-width="0.25">` +
    `<rect x="${SHEET_MARGIN}" y="${SHEET_MARGIN}" width="${n(plate.width_mm)}" height="${n(plate.height_mm)}" rx="${n(plate.corner_mm)}"/>${plate.holes.map(hole).join('')}<path d="M${SHEET_MARGIN} ${n(top)}h${RULER_MM}${ticks}"/></g>` +
    `${numbers}<text x="${SHEET_MARGIN}" y="8" font-size="4" font-family="sans-serif">${escape(title)}: ${n(Math.round(plate.width_mm * 10) / 10)} × ${n(Math.round(plate.height_mm * 10) / 10)} mm, 1:1</text></svg>\n`
  );
}

/** The same outline and holes as DXF in millimetres: layers OUTLINE and HOLES. */
export function bracketToDxf(plate: Bracket): string {
  const drawing = new Drawing();
  drawing.setUnits('Millimeters');
  const { width_mm: w, height_mm: h, corner_mm: r } = plate;
  drawing.addLayer('OUTLINE', Drawing.ACI.WHITE, 'CONTINUOUS');
  drawing.setActiveLayer('OUTLINE');
  drawing.drawLine(r, 0, w - r, 0);
  drawing.drawLine(w, r, w, h - r);
  drawing.drawLine(w - r, h, r, h);
  drawing.drawLine(0, h - r, 0, r);
  drawing.drawArc(r, r, r, 180, 270);
  drawing.drawArc(w - r, r, r, 270, 360);
  drawing.drawArc(w - r, h - r, r, 0, 90);
  drawing.drawArc(r, h - r, r, 90, 180);
  drawing.addLayer('HOLES', Drawing.ACI.RED, 'CONTINUOUS');
  drawing.setActiveLayer('HOLES');
  for (const hole of plate.holes) drawing.drawCircle(hole.x_mm, hole.z_mm, hole.diameter_mm / 2);
  return drawing.toDxfString();
}
