import { shownUnits } from '@/core/units';
import type { Analysis } from '@/core/analysis';
import type { Design } from '@/core/design';
import { elevationSheet, ELEVATIONS } from '@/core/elevation';
import { bendSheet, type BendSheet } from '@/core/plan';
import {
  bendSheetsToCsv,
  bendSheetToDxf,
  bendSheetToSvg,
  buildFileName,
  designToText,
  elevationToSvg,
  listToCsv,
  listToJson,
  slug,
} from '@/format';
import { msg, worded } from '@/core/messages';
import { downloadBlob } from './download';
import { withScene } from './sceneOnPage';

/** A file to be saved. */
export interface ExportFile {
  readonly name: string;
  readonly type: string;
  readonly data: string | Uint8Array<ArrayBuffer>;
}

/** What exports are made of. */
export interface ExportInputs {
  readonly id: string;
  readonly design: Design;
  readonly analysis: Analysis;
  readonly size: 'A4' | 'LETTER';
  /** With the mark that tells spreadsheets the letters are UTF-8. */
  readonly hasBom: boolean;
}

export interface ExportItem {
  readonly id: string;
  readonly name: string;
  readonly format: string;
  /** Why it cannot be made now; null when it can. */
  why(inputs: ExportInputs): string | null;
  files(inputs: ExportInputs): Promise<readonly ExportFile[]>;
}

const always = (): null => null;
const one = (name: string, type: string, data: ExportFile['data']): readonly ExportFile[] => [
  { name, type, data },
];
const BOM = '\uFEFF';
const csv = (inputs: ExportInputs, text: string): string =>
  inputs.hasBom ? `${BOM}${text}` : text;

const noRuns = () => msg`No run is routed yet.`;
const sheetsOf = ({ design, analysis }: ExportInputs): readonly BendSheet[] =>
  design.loops.flatMap((loop) =>
    analysis.reports.runs
      .filter((run) => run.loop === loop.id && run.by === 'tube')
      .flatMap((run) => bendSheet(run, loop) ?? []),
  );
const whyNoSheets = (inputs: ExportInputs): string | null =>
  inputs.analysis.reports.runs.some((r) => r.routed) ? null : noRuns();

/** The machine in space, where this browser can draw it: a book without it is still a book. */
const coverPicture = (): Promise<Blob | null> => withScene((s) => s.png()).catch(() => null);

/** Of the server: what it prints needs the saved build. */
async function printed(inputs: ExportInputs, of: 'list' | 'book'): Promise<readonly ExportFile[]> {
  const address = `/api/builds/${encodeURIComponent(inputs.id)}/pdf?of=${of}&size=${inputs.size}&units=${shownUnits()}`;
  const cover = of === 'book' && inputs.design.case ? await coverPicture() : null;
  const answer = await fetch(
    address,
    cover ? { method: 'POST', headers: { 'content-type': 'image/png' }, body: cover } : {},
  );
  if (!answer.ok) throw new Error(`The server could not print it (${answer.status}).`);
  const data = new Uint8Array(await answer.arrayBuffer());
  return one(`${slug(inputs.design.name)}-${of}.pdf`, 'application/pdf', data);
}

async function fromScene(inputs: ExportInputs, as: 'png' | 'glb'): Promise<readonly ExportFile[]> {
  const { design } = inputs;
  const blob = await withScene((s) => (as === 'png' ? s.png() : s.glb(design.name)));
  if (!blob) throw new Error('The scene gave no picture.');
  const data = new Uint8Array(await blob.arrayBuffer());
  return one(`${slug(design.name)}.${as}`, blob.type, data);
}
const whyNoScene = ({ design }: ExportInputs): string | null =>
  design.case ? null : msg`Choose a case first.`;

/** What is left of the work on the days that were planned. */
async function calendarFiles({ design, analysis }: ExportInputs): Promise<readonly ExportFile[]> {
  const { assemblySteps, deliveriesOf, planWork, returnWindows } = await import('@/core/assembly');
  const { workToIcs } = await import('@/format');
  const { plan, order, done = {} } = design.choices.work ?? {};
  if (!plan) throw new Error('No days are planned.');
  const { system, reports } = analysis;
  const { lines } = reports.bom;
  const steps = assemblySteps({
    system,
    runs: reports.runs,
    bom: { lines },
    portFits: reports.clearance.ports,
    ...(order ? { order } : {}),
  });
  const first = Date.parse(`${plan.start.slice(0, 10)}T00:00Z`) / 60_000;
  const planned = planWork(
    steps.filter((s) => !(s.id in done)),
    first,
    plan,
    plan.pace,
    deliveriesOf(steps, lines, design.choices.orders),
  );
  const windows = returnWindows(steps, planned, lines, design.choices.orders);
  return one(
    `${slug(design.name)}-assembly.ics`,
    'text/calendar',
    workToIcs(design.name, steps, planned, windows),
  );
}

/** Everything that can be saved of a build, in the order of the dialog. */
export const EXPORTS: readonly ExportItem[] = worded(() => [
  {
    id: 'build',
    name: msg`Build file`,
    format: 'JSON',
    why: always,
    files: async ({ design }) =>
      one(buildFileName(design.name), 'application/json', designToText(design)),
  },
  {
    id: 'book',
    name: msg`Build book`,
    format: 'PDF',
    why: always,
    files: (inputs) => printed(inputs, 'book'),
  },
  {
    id: 'list-csv',
    name: msg`Parts list`,
    format: 'CSV',
    why: always,
    files: async (inputs) =>
      one(
        `${slug(inputs.design.name)}-parts.csv`,
        'text/csv',
        csv(inputs, listToCsv(inputs.analysis.reports.bom, inputs.design.brief.currency)),
      ),
  },
  {
    id: 'list-json',
    name: msg`Parts list`,
    format: 'JSON',
    why: always,
    files: async ({ design, analysis }) =>
      one(
        `${slug(design.name)}-parts.json`,
        'application/json',
        listToJson(analysis.reports.bom, design.brief.currency),
      ),
  },
  {
    id: 'list-pdf',
    name: msg`Parts list`,
    format: 'PDF',
    why: always,
    files: (inputs) => printed(inputs, 'list'),
  },
  {
    id: 'elevations',
    name: msg`Elevations with dimensions`,
    format: 'SVG',
    why: ({ design }) => (design.case ? null : msg`Choose a case first.`),
    files: async ({ design, analysis }) =>
      ELEVATIONS.flatMap((view) => {
        const sheet = elevationSheet(analysis.system, analysis.reports.runs, view);
        return sheet
          ? one(`${slug(design.name)}-${view}.svg`, 'image/svg+xml', elevationToSvg(sheet))
          : [];
      }),
  },
  {
    id: 'bends-svg',
    name: msg`Bend sheets at 1:1`,
    format: 'SVG',
    why: whyNoSheets,
    files: async (inputs) =>
      sheetsOf(inputs).flatMap((s) =>
        one(`${slug(s.name)}.svg`, 'image/svg+xml', bendSheetToSvg(s)),
      ),
  },
  {
    id: 'bends-dxf',
    name: msg`Bend sheets`,
    format: 'DXF',
    why: whyNoSheets,
    files: async (inputs) =>
      sheetsOf(inputs).flatMap((s) =>
        one(`${slug(s.name)}.dxf`, 'image/vnd.dxf', bendSheetToDxf(s)),
      ),
  },
  {
    id: 'bends-csv',
    name: msg`Bends as lengths, rotations and angles`,
    format: 'CSV',
    why: whyNoSheets,
    files: async (inputs) =>
      one(
        `${slug(inputs.design.name)}-bends.csv`,
        'text/csv',
        csv(inputs, bendSheetsToCsv(sheetsOf(inputs))),
      ),
  },
  {
    id: 'mandrels',
    name: msg`Mandrels for the bends, to print`,
    format: 'STL',
    why: (inputs) =>
      sheetsOf(inputs).some((s) => s.hard && s.bends.length > 0)
        ? null
        : msg`No hard tube has a bend yet.`,
    files: async (inputs) => {
      const { mandrelStl } = await import('./stl');
      const needed = new Map(
        sheetsOf(inputs)
          .filter((s) => s.hard)
          .flatMap((s) => s.bends.map((b) => [`${s.outer_mm}-${b.mandrel_mm}`, { s, b }] as const)),
      );
      return [...needed.values()].flatMap(({ s, b }) =>
        one(
          `mandrel-${s.outer_mm}-r${Math.round(b.mandrel_mm * 10) / 10}.stl`,
          'model/stl',
          mandrelStl(s.outer_mm, b.mandrel_mm),
        ),
      );
    },
  },
  {
    id: 'inp',
    name: msg`Loops for EPANET`,
    format: 'INP',
    why: ({ design }) => (design.loops.length > 0 ? null : msg`Connect a loop first.`),
    files: async ({ design, analysis }) => {
      const { inpLoops, writeInp } = await import('@/format/inp');
      const { system, reports } = analysis;
      return one(
        `${slug(design.name)}.inp`,
        'text/plain',
        writeInp(design.name, inpLoops(system, reports.runs, reports.flow)),
      );
    },
  },
  {
    id: 'calendar',
    name: msg`Calendar of the assembly`,
    format: 'ICS',
    why: ({ design }) =>
      design.choices.work?.plan ? null : msg`Choose your days under Assembly, calendar, first.`,
    files: calendarFiles,
  },
  {
    id: 'png',
    name: msg`Picture of the scene, 3840 × 2160`,
    format: 'PNG',
    why: whyNoScene,
    files: (inputs) => fromScene(inputs, 'png'),
  },
  {
    id: 'glb',
    name: msg`The machine in space`,
    format: 'glTF',
    why: whyNoScene,
    files: (inputs) => fromScene(inputs, 'glb'),
  },
]);

/** The files of several exports in one ZIP; those of one kind in a folder of their own. */
export async function zipOf(
  inputs: ExportInputs,
  items: readonly ExportItem[],
): Promise<ExportFile> {
  const { strToU8, zipSync } = await import('fflate');
  const packed: Record<string, Uint8Array> = {};
  for (const item of items) {
    const files = await item.files(inputs);
    for (const f of files) {
      const folder = files.length > 1 ? `${item.id}/` : '';
      packed[`${folder}${f.name}`] = typeof f.data === 'string' ? strToU8(f.data) : f.data;
    }
  }
  return {
    name: `${slug(inputs.design.name)}.zip`,
    type: 'application/zip',
    data: new Uint8Array(zipSync(packed)),
  };
}

/** Saves what is chosen: one file as it is, several in a ZIP. */
export async function saveExports(
  inputs: ExportInputs,
  items: readonly ExportItem[],
): Promise<void> {
  const [first] = items;
  if (!first) return;
  const files = items.length === 1 ? await first.files(inputs) : [];
  const file = files.length === 1 && files[0] ? files[0] : await zipOf(inputs, items);
  downloadBlob(file.name, new Blob([file.data], { type: file.type }));
}
