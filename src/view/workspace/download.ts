import type { Bracket } from '@/core/bracket';
import type { Design, Reading } from '@/core/design';
import type { Bom } from '@/core/bom';
import type { Part } from '@/core/components';
import type { BendSheet } from '@/core/plan';
import type { Transient } from '@/core/transient';
import { buildFileName, slug } from '@/format';

type Formats = typeof import('@/format');

const hand = (name: string, type: string, text: string): void =>
  downloadBlob(name, new Blob([text], { type }));

/** A file in a format that is loaded when it is asked for. */
async function handIn(
  name: string,
  type: string,
  write: (formats: Formats) => string,
): Promise<void> {
  hand(name, type, write(await import('@/format')));
}

export function downloadBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

export const downloadBuild = (design: Design): Promise<void> =>
  handIn(buildFileName(design.name), 'application/json', (f) => f.designToText(design));
export const downloadInp = (name: string, text: string): void =>
  hand(`${slug(name)}.inp`, 'text/plain', text);
export const downloadCalendar = (name: string, text: string): void =>
  hand(`${slug(name)}-assembly.ics`, 'text/calendar', text);
export const downloadService = (name: string, text: string): void =>
  hand(`${slug(name)}-service.ics`, 'text/calendar', text);
export const downloadReadings = (name: string, readings: readonly Reading[]): Promise<void> =>
  handIn(`${slug(name)}-readings.csv`, 'text/csv', (f) => f.readingsToCsv(readings));
export const downloadList = (design: Design, list: Bom): Promise<void> =>
  handIn(`${slug(design.name)}-parts.csv`, 'text/csv', (f) =>
    f.listToCsv(list, design.brief.currency),
  );
export const downloadRun = (name: string, run: Transient): Promise<void> =>
  handIn(`${slug(name)}-over-time.csv`, 'text/csv', (f) => f.transientToCsv(run));
export const downloadBracket = (title: string, plate: Bracket, as: 'svg' | 'dxf'): Promise<void> =>
  as === 'svg'
    ? handIn(`${slug(title)}.svg`, 'image/svg+xml', (f) => f.bracketToSvg(plate, title))
    : handIn(`${slug(title)}.dxf`, 'image/vnd.dxf', (f) => f.bracketToDxf(plate));
export const downloadPart = (part: Part): void =>
  hand(`${part.id}.part.json`, 'application/json', `${JSON.stringify(part, null, 2)}\n`);
export const downloadBendSheet = (sheet: BendSheet, as: 'svg' | 'dxf'): Promise<void> =>
  as === 'svg'
    ? handIn(`${slug(sheet.name)}.svg`, 'image/svg+xml', (f) => f.bendSheetToSvg(sheet))
    : handIn(`${slug(sheet.name)}.dxf`, 'image/vnd.dxf', (f) => f.bendSheetToDxf(sheet));
export const downloadBends = (name: string, sheets: readonly BendSheet[]): Promise<void> =>
  handIn(`${slug(name)}-bends.csv`, 'text/csv', (f) => f.bendSheetsToCsv(sheets));
export const downloadListJson = (design: Design, list: Bom): Promise<void> =>
  handIn(`${slug(design.name)}-parts.json`, 'application/json', (f) =>
    f.listToJson(list, design.brief.currency),
  );
export const handParts = (parts: readonly Part[], as: 'csv' | 'json'): Promise<void> =>
  as === 'csv'
    ? handIn('parts.csv', 'text/csv', (f) => f.partsToCsv(parts))
    : handIn(
        parts.length === 1 ? `${parts[0]?.id}.part.json` : 'parts.json',
        'application/json',
        () => `${JSON.stringify(parts.length === 1 ? parts[0] : parts, null, 2)}\n`,
      );

/** The plate as a body; what makes it is loaded when it is asked for. */
export async function downloadBracketStl(
  title: string,
  plate: Bracket,
  thickness_mm: number,
): Promise<void> {
  const { bracketStl } = await import('./stl');
  hand(`${slug(title)}.stl`, 'model/stl', bracketStl(plate, thickness_mm));
}
