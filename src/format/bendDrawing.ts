import Drawing from 'dxf-writer';
import { mandrelsOf, springBackWords, type BendSheet } from '@/core/plan';
import { listAnd, msg, sentences, noted } from '@/core/messages';
import { num, xml } from './svgText';
import { toCsv } from './csv';

/**
 * A4 upright, its margins, and strips of the tube across it, mm. Strips overlap so that they can be
 * laid one on the other.
 */
const PAGE = { width: 210, height: 297, margin: 14 } as const;
const STRIP_MM = 175,
  OVERLAP_MM = 10,
  ROW_MM = 42,
  WORDS_MM = 70,
  HEAD_MM = 39,
  RULER_MM = 100;

const deg = (v: number): string => `${num(Math.round(v * 10) / 10)}°`;
const mm1 = (v: number): string => (Math.round(v * 10) / 10).toFixed(1);

/** How many millimetres of tube each strip carries beyond the one before. */
const STEP_MM = STRIP_MM - OVERLAP_MM;

/**
 * The straight tube at 1:1 over A4 pages, with its marks, a ruler of 100 mm on each page, and
 * letters where strips are joined.
 */
export function bendSheetPages(sheet: BendSheet): readonly string[] {
  const length = sheet.cut_mm + sheet.trim_mm,
    strips = Math.max(1, Math.ceil((length - OVERLAP_MM) / STEP_MM));
  const room = PAGE.height - 2 * PAGE.margin - HEAD_MM - 16,
    rows = Math.max(1, Math.floor(room / Math.max(ROW_MM, sheet.outer_mm + 28))),
    pages = Math.ceil(strips / rows);
  return Array.from({ length: pages }, (_, page) => {
    const own = Array.from(
      { length: Math.min(rows, strips - page * rows) },
      (_x, i) => page * rows + i,
    );
    const body = own
      .map((k, i) =>
        strip(
          sheet,
          length,
          k,
          strips,
          PAGE.margin + HEAD_MM + i * Math.max(ROW_MM, sheet.outer_mm + 28),
        ),
      )
      .join('');
    return `<svg xmlns="http://www.w3.org/2000/svg" width="${PAGE.width}mm" height="${PAGE.height}mm" viewBox="0 0 ${PAGE.width} ${PAGE.height}" font-family="sans-serif"><title>${xml(sheet.name)}</title>${head(sheet, page + 1, pages)}${body}${ruler()}</svg>`;
  });
}

const mandrelWords = (radii: readonly string[]): string =>
  radii.length > 1 ? msg`mandrels ${listAnd(radii)} mm` : msg`mandrel ${listAnd(radii)} mm`;

function head(sheet: BendSheet, page: number, pages: number): string {
  const x = PAGE.margin,
    line = (y: number, text: string, size = 3.6, weight = 400): string =>
      `<text x="${x}" y="${y}" font-size="${size}" font-weight="${weight}">${xml(text)}</text>`;
  return (
    line(PAGE.margin + 4, sheet.name, 5, 600) +
    line(
      PAGE.margin + 10,
      sentences(
        msg`${noted(
          msg`${sheet.material} ${num(sheet.outer_mm)}/${num(sheet.inner_mm)} mm`,
          sheet.bends.length > 0 && mandrelWords(mandrelsOf(sheet).map(mm1)),
        )}.`,
        sheet.trim_mm > 0
          ? msg`Finished ${mm1(sheet.cut_mm)} mm, cut ${mm1(sheet.cut_mm + sheet.trim_mm)} mm and
              trim the far end.`
          : msg`Finished ${mm1(sheet.cut_mm)} mm.`,
      ),
    ) +
    line(
      PAGE.margin + 15,
      msg`Both ends sit ${num(sheet.grip_mm)} mm deep in their fittings. Bent, it measures
        ${mm1(sheet.span_mm)} mm from end to end.`,
    ) +
    line(PAGE.margin + 20, springBackWords(sheet.springBack)) +
    (sheet.bends.length > 1
      ? line(
          PAGE.margin + 25,
          msg`First end: ${sheet.endNames.from}. Hold the other end; all bends the same way
            round. Turns are seen from the held end, looking towards the mandrel.`,
          3,
        )
      : '') +
    line(
      PAGE.margin + 30,
      msg`Page ${page} of ${pages}. Print at full size, without "fit to page"; the ruler below
        must measure 100 mm.`,
    )
  );
}

function ruler(): string {
  const y = PAGE.height - PAGE.margin - 8,
    x = PAGE.margin;
  const ticks = Array.from(
    { length: RULER_MM / 5 + 1 },
    (_, i) => `M${x + i * 5} ${y}v${i % 2 === 0 ? 4 : 2.5}`,
  ).join('');
  return `<path d="M${x} ${y}h${RULER_MM}${ticks}" stroke="#000" stroke-width="0.25" fill="none"/>${[0, 50, 100].map((v) => `<text x="${x + v}" y="${y + 8}" font-size="3.2" text-anchor="middle" font-family="monospace">${v}</text>`).join('')}`;
}

/** Arrow on the tube at its mark: the way the tube turns, as seen from the held end. */
function turnArrow(direction: 'clockwise' | 'anticlockwise', x: number, y: number): string {
  const r = 3.2,
    sign = direction === 'clockwise' ? 1 : -1;
  const arc = `M${num(x - sign * r)} ${num(y)}A${r} ${r} 0 1 ${sign === 1 ? 1 : 0} ${num(x)} ${num(y + r)}`;
  const head = `M${num(x)} ${num(y + r)}l${num(sign * 1.8)} -1.5M${num(x)} ${num(y + r)}l${num(sign * 1.8)} 1.5`;
  return `<g fill="none" stroke="#000" stroke-width="0.45" data-turn="${direction}"><path d="${arc}${head}"/></g>`;
}

/** One stretch of the tube, from k · step on. */
function strip(sheet: BendSheet, length: number, k: number, of: number, top: number): string {
  const from = k * STEP_MM,
    to = Math.min(length, from + STRIP_MM),
    r = sheet.outer_mm / 2,
    mid = top + 12 + r,
    x = (v: number): number => PAGE.margin + v - from;
  const within = (v: number): boolean => v >= from - 1e-6 && v <= to + 1e-6;
  const out: string[] = [
    `<g fill="none" stroke="#000" stroke-width="0.3"><path d="M${num(x(from))} ${num(mid - r)}H${num(x(to))}M${num(x(from))} ${num(mid + r)}H${num(x(to))}"/><path d="M${num(x(from))} ${num(mid)}H${num(x(to))}" stroke-dasharray="6 2 1 2" stroke-width="0.15"/>`,
  ];
  if (k === 0)
    out.push(`<path d="M${num(x(0))} ${num(mid - r)}v${num(2 * r)}" stroke-width="0.6"/>`);
  if (to >= length - 1e-6)
    out.push(`<path d="M${num(x(length))} ${num(mid - r)}v${num(2 * r)}" stroke-width="0.6"/>`);
  if (sheet.trim_mm > 0 && within(sheet.cut_mm))
    out.push(
      `<path d="M${num(x(sheet.cut_mm))} ${num(mid - r - 3)}v${num(2 * r + 6)}" stroke-dasharray="2 1.5"/>`,
    );
  out.push('</g>');
  const text = (v: number, y: number, s: string, anchor = 'start'): string =>
    `<text x="${num(x(v))}" y="${num(y)}" font-size="3" text-anchor="${anchor}" font-family="monospace">${xml(s)}</text>`;
  sheet.bends.forEach((b, i) => {
    const a = Math.max(b.start_mm, from),
      e = Math.min(b.end_mm, to);
    if (e > a)
      out.push(
        `<rect x="${num(x(a))}" y="${num(mid - r)}" width="${num(e - a)}" height="${num(2 * r)}" fill="#000" fill-opacity="0.09"/>`,
      );
    if (within(b.start_mm)) {
      out.push(
        `<path d="M${num(x(b.start_mm))} ${num(mid - r - 4)}v${num(2 * r + 8)}" stroke="#000" stroke-width="0.5"/>`,
        text(b.start_mm + 1, mid - r - 5, `${i + 1}: ${mm1(b.start_mm)}`),
      );
      // Bends close to each other write on lines of their own; near the edge of the strip, to the
      // left.
      const low = i % 2 === 0 ? 4.5 : 8.2,
        late = to - b.start_mm < WORDS_MM;
      out.push(
        text(
          b.start_mm + (late ? -1 : 1),
          mid + r + low,
          noted(
            deg(b.angle_deg),
            Math.abs(b.set_deg - b.angle_deg) > 0.05 && msg`set ${deg(b.set_deg)}`,
            mandrelsOf(sheet).length > 1 && msg`on ${mm1(b.mandrel_mm)} mm`,
            b.turn && msg`first turn ${deg(b.turn.angle_deg)} ${b.turn.direction}`,
          ),
          late ? 'end' : 'start',
        ),
      );
      if (b.turn) out.push(turnArrow(b.turn.direction, x(b.start_mm), mid));
    }
    if (within(b.end_mm))
      out.push(
        `<path d="M${num(x(b.end_mm))} ${num(mid - r)}v${num(2 * r)}" stroke="#000" stroke-width="0.25"/>`,
      );
  });
  if (within(sheet.cut_mm))
    out.push(
      text(
        sheet.cut_mm,
        mid + r + 12,
        sheet.trim_mm > 0 ? msg`trim here, ${mm1(sheet.cut_mm)}` : mm1(sheet.cut_mm),
        'end',
      ),
    );
  const letter = (n: number): string => String.fromCharCode(65 + (n % 26));
  if (k > 0)
    out.push(
      `<path d="M${num(x(from + OVERLAP_MM / 2))} ${num(mid - r - 2)}v${num(2 * r + 4)}" stroke="#000" stroke-width="0.2" stroke-dasharray="1 1"/>`,
      text(from + OVERLAP_MM / 2, mid + r + 12, letter(k - 1), 'middle'),
    );
  if (k + 1 < of)
    out.push(
      `<path d="M${num(x(from + STEP_MM + OVERLAP_MM / 2))} ${num(mid - r - 2)}v${num(2 * r + 4)}" stroke="#000" stroke-width="0.2" stroke-dasharray="1 1"/>`,
      text(from + STEP_MM + OVERLAP_MM / 2, mid + r + 12, letter(k), 'middle'),
    );
  return out.join('');
}

/** All pages as one drawing, one under the other. */
export function bendSheetToSvg(sheet: BendSheet): string {
  const pages = bendSheetPages(sheet);
  if (pages.length === 1) return `${pages[0]}\n`;
  const inner = pages
    .map(
      (p, i) =>
        `<g transform="translate(0 ${i * PAGE.height})">${p.replace(/^<svg[^>]*>/, '').replace(/<\/svg>$/, '')}</g>`,
    )
    .join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${PAGE.width}mm" height="${PAGE.height * pages.length}mm" viewBox="0 0 ${PAGE.width} ${PAGE.height * pages.length}" font-family="sans-serif">${inner}</svg>\n`;
}

/**
 * The straight tube in millimetres: layers TUBE (outline), BENDS (start and end of each) and TRIM.
 */
export function bendSheetToDxf(sheet: BendSheet): string {
  const drawing = new Drawing(),
    r = sheet.outer_mm / 2,
    length = sheet.cut_mm + sheet.trim_mm;
  drawing.setUnits('Millimeters');
  drawing.addLayer('TUBE', Drawing.ACI.WHITE, 'CONTINUOUS');
  drawing.setActiveLayer('TUBE');
  drawing.drawLine(0, -r, length, -r);
  drawing.drawLine(length, -r, length, r);
  drawing.drawLine(length, r, 0, r);
  drawing.drawLine(0, r, 0, -r);
  drawing.addLayer('BENDS', Drawing.ACI.RED, 'CONTINUOUS');
  drawing.setActiveLayer('BENDS');
  for (const b of sheet.bends) {
    drawing.drawLine(b.start_mm, -r - 4, b.start_mm, r + 4);
    drawing.drawLine(b.end_mm, -r, b.end_mm, r);
    drawing.drawText(b.start_mm + 1, r + 5, 3, 0, msg`${mm1(b.start_mm)} ${mm1(b.angle_deg)} deg`);
  }
  if (sheet.trim_mm > 0) {
    drawing.addLayer('TRIM', Drawing.ACI.GREEN, 'CONTINUOUS');
    drawing.setActiveLayer('TRIM');
    drawing.drawLine(sheet.cut_mm, -r - 3, sheet.cut_mm, r + 3);
  }
  return drawing.toDxfString();
}

/** As numbers, not text: a leading minus would be disarmed as a formula. */
const round2 = (v: number): number => Math.round(v * 100) / 100;

/**
 * Lengths, rotations and angles of several runs as CSV (RFC 4180); the last row of a run is the
 * straight that is left.
 */
export function bendSheetsToCsv(sheets: readonly BendSheet[]): string {
  const rows = sheets.flatMap((s) => {
    let at = 0;
    const bends = s.bends.map((b, i) => {
      const row = {
        run: s.run,
        name: s.name,
        bend: i + 1,
        length_mm: round2(b.start_mm - at),
        rotation_deg: round2(b.rotation_deg ?? 0),
        angle_deg: round2(b.angle_deg),
        set_deg: round2(b.set_deg),
        start_mm: round2(b.start_mm),
        end_mm: round2(b.end_mm),
        radius_mm: round2(b.radius_mm),
        mandrel_mm: round2(b.mandrel_mm),
      };
      at = b.end_mm;
      return row;
    });
    return [
      ...bends,
      {
        run: s.run,
        name: s.name,
        bend: 'end',
        length_mm: round2(s.cut_mm - at),
        rotation_deg: '',
        angle_deg: '',
        set_deg: '',
        start_mm: round2(s.cut_mm),
        end_mm: '',
        radius_mm: '',
        mandrel_mm: '',
      },
    ];
  });
  return toCsv(rows);
}
