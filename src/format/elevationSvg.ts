import { unitShown } from '@/core/units';
import type { ElevationShape, ElevationSheet } from '@/core/elevation';
import { num as n, xml } from './svgText';

/** An elevation at 1:1, mm. */
export function elevationToSvg(sheet: ElevationSheet): string {
  const { width_mm: w, height_mm: h } = sheet;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${n(w)}mm" height="${n(h)}mm" viewBox="0 0 ${n(w)} ${n(h)}" font-family="sans-serif"><title>${xml(sheet.title)}</title><rect width="${n(w)}" height="${n(h)}" fill="#fff"/><text x="12" y="15" font-size="8" font-weight="600">${xml(sheet.title)}, ${unitShown('mm')}</text>${sheet.shapes.map(shapeToSvg).join('')}</svg>\n`;
}

function shapeToSvg(s: ElevationShape): string {
  if (s.shape === 'rect')
    return `<rect x="${n(s.at[0])}" y="${n(s.at[1])}" width="${n(s.size[0])}" height="${n(s.size[1])}" fill="#fff" fill-opacity="0.75" stroke="#000" stroke-width="${s.weight}"/>`;
  if (s.shape === 'line')
    return `<polyline points="${s.points.map(([x, y]) => `${n(x)},${n(y)}`).join(' ')}" fill="none" stroke="#000" stroke-width="${s.weight}" stroke-linejoin="round"/>`;
  const [x, y] = s.at;
  const turned = s.isUpright ? ` transform="rotate(-90 ${n(x)} ${n(y)})"` : '';
  const anchor = s.size < 7 ? ' text-anchor="middle"' : '';
  return `<text x="${n(x)}" y="${n(y)}" font-size="${s.size}"${anchor}${turned}>${xml(s.text)}</text>`;
}
