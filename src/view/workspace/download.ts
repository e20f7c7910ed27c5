import type { Bracket } from '@/core/bracket';
import type { Design, Reading } from '@/core/design';
import type { Bom } from '@/core/bom';
import type { Part } from '@/core/components';
import type { BendSheet } from '@/core/plan';
import type { Transient } from '@/core/transient';
import {
  bendSheetsToCsv,
  bendSheetToDxf,
  bendSheetToSvg,
  bracketToDxf,
  bracketToSvg,
  buildFileName,
  designToText,
  readingsToCsv,
  listToCsv,
  listToJson,
  partsToCsv,
  slug,
  transientToCsv,
} from '@/format';

const hand = (name: string, type: string, text: string): void =>
  downloadBlob(name, new Blob([text], { type }));

export function downloadBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

export const downloadBuild = (design: Design): void =>
  hand(buildFileName(design.name), 'application/json', designToText(design));
export const downloadInp = (name: string, text: string): void =>
  hand(`${slug(name)}.inp`, 'text/plain', text);
export const downloadCalendar = (name: string, text: string): void =>
  hand(`${slug(name)}-assembly.ics`, 'text/calendar', text);
export const downloadService = (name: string, text: string): void =>
  hand(`${slug(name)}-service.ics`, 'text/calendar', text);
export const downloadReadings = (name: string, readings: readonly Reading[]): void =>
  hand(`${slug(name)}-readings.csv`, 'text/csv', readingsToCsv(readings));
export const downloadList = (design: Design, list: Bom): void =>
  hand(`${slug(design.name)}-parts.csv`, 'text/csv', listToCsv(list, design.brief.currency));
export const downloadRun = (name: string, run: Transient): void =>
  hand(`${slug(name)}-over-time.csv`, 'text/csv', transientToCsv(run));
export const downloadBracket = (title: string, plate: Bracket, as: 'svg' | 'dxf'): void =>
  as === 'svg'
    ? hand(`${slug(title)}.svg`, 'image/svg+xml', bracketToSvg(plate, title))
    : hand(`${slug(title)}.dxf`, 'image/vnd.dxf', bracketToDxf(plate));
export const downloadPart = (part: Part): void =>
  hand(`${part.id}.part.json`, 'application/json', `${JSON.stringify(part, null, 2)}\n`);
export const downloadBendSheet = (sheet: BendSheet, as: 'svg' | 'dxf'): void =>
  as === 'svg'
    ? hand(`${slug(sheet.name)}.svg`, 'image/svg+xml', bendSheetToSvg(sheet))
    : hand(`${slug(sheet.name)}.dxf`, 'image/vnd.dxf', bendSheetToDxf(sheet));
export const downloadBends = (name: string, sheets: readonly BendSheet[]): void =>
  hand(`${slug(name)}-bends.csv`, 'text/csv', bendSheetsToCsv(sheets));
export const downloadListJson = (design: Design, list: Bom): void =>
  hand(
    `${slug(design.name)}-parts.json`,
    'application/json',
    listToJson(list, design.brief.currency),
  );
export const handParts = (parts: readonly Part[], as: 'csv' | 'json'): void =>
  as === 'csv'
    ? hand('parts.csv', 'text/csv', partsToCsv(parts))
    : hand(
        parts.length === 1 ? `${parts[0]?.id}.part.json` : 'parts.json',
        'application/json',
        `${JSON.stringify(parts.length === 1 ? parts[0] : parts, null, 2)}\n`,
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
