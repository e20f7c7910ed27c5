import { CATALOGUE, offered, type PartLists } from '@/catalogue';
import { applyEdit, type Design } from '@/core/design';
import {
  createSession,
  evaluate,
  publish,
  shared,
  tell,
  type Evaluation,
  type Session,
  type StageState,
  type Told,
} from '@/core/analysis';
import type { Stage } from '@/core/checks';
import {
  LIMITS,
  patchDesign,
  parseDesign,
  validateDesign,
  validatePart,
  type Validated,
  type ValidationIssue,
} from '@/core/validation';
import { drawingOf, type Part } from '@/core/components';
import type { CoolingCurve } from '@/core/thermal';
import { rerouteEdit } from '@/core/routing';
import { backupFromZip, backupToZip, designToText, listToCsv, slug } from '@/format';
import { proofRows } from '@/proof';
import type { Backup } from '@/core/backup';
import { msg, formatNumber, shownLanguage } from '@/core/messages';
import { shownUnits } from '@/core/units';

/** What the list of builds shows of one. */
export interface BuildSummary {
  readonly caseName: string | null;
  readonly stages: Readonly<Record<Stage, StageState>>;
  /** Stations of each loop in flow order, for its small diagram. */
  readonly loops: readonly (readonly { readonly kind: string; readonly name: string }[])[];
}

/** What a page gets of a design beside the document. */
export interface ToldForPage {
  readonly told: Told;
  /** Rise against noise; null where it was not asked for. */
  readonly curves: readonly CoolingCurve[] | null;
}

export type Evaluated =
  | { readonly ok: true; readonly json: string }
  | { readonly ok: false; readonly troubles: readonly ValidationIssue[] };

/** A document that may be stored. */
export interface KeptDocument {
  readonly name: string;
  readonly document: string;
}
export type Accepted = Validated<KeptDocument>;
/** A save: the revision it was made on (null when it says none), and what is to be kept. */
export interface AcceptedSave {
  readonly revision: number | null;
  readonly accepted: Accepted;
}

/** What is said of one of several parts. */
export interface CheckedPart {
  readonly ok: boolean;
  readonly troubles: readonly ValidationIssue[];
}

/** Parts that one request may have looked at. */
export const MOST_CHECKED = 2000;

/** Hears how many runs are routed, of how many. */
export type Tell = (done: number, of: number) => void;

/** The build with what is not routed, or no longer holds, routed. */
function routeStale(design: Design, tell: Tell): Design {
  const edit = rerouteEdit(design, (done, of) => {
    tell(done, of);
    return true;
  });
  return edit ? applyEdit(design, edit).design : design;
}

/**
 * What this thread evaluated last: one document often follows another that differs little. What a
 * session remembers has the words of the reader it was worked out for.
 */
let last: {
  readonly session: Session;
  readonly partLists: PartLists;
  readonly words: string;
} | null = null;

function sessionOn(design: Design, asked: PartLists): Session {
  const partLists = shared(last?.partLists, asked);
  const words = `${shownUnits()} ${shownLanguage()}`;
  if (!last || partLists !== last.partLists || words !== last.words)
    last = { session: createSession(design, offered(partLists)), partLists, words };
  const { session } = last;
  session.replace(shared(session.design, design));
  return session;
}

function evaluateNext(design: Design, partLists: PartLists, fixes: boolean): Evaluation {
  const session = sessionOn(design, partLists);
  return publish(session.design, session.analysis(), fixes);
}

/**
 * What the threads of the pool do. Input and output are plain data; none changes what another
 * answers.
 */
export const TASKS = {
  /** Loads the thread; nothing else. */
  wake: (_nothing: null): null => null,

  /** A stored document to what the list shows of it; null when it cannot be read. */
  summarise: ({ document }: { readonly document: string }): BuildSummary | null => {
    const parsed = parseDesign(document);
    if (!parsed.ok) return null;
    const design = parsed.value;
    return {
      caseName: design.case?.name ?? null,
      stages: evaluate(design).stages,
      loops: stationsOf(design),
    };
  },

  /** A document to its whole evaluation as JSON text, or what is wrong with it. */
  evaluate: (
    {
      text,
      partLists,
      fixes,
      route,
    }: {
      readonly text: string;
      readonly partLists: PartLists;
      readonly fixes: boolean;
      readonly route: boolean;
    },
    tell: Tell,
  ): Evaluated => {
    const validated = parseDesign(text);
    if (!validated.ok) return { ok: false, troubles: validated.troubles };
    const design = route ? routeStale(validated.value, tell) : validated.value;
    return {
      ok: true,
      json: JSON.stringify(evaluateNext(design, partLists, fixes)),
    };
  },

  /** What a page shows of a design, in its reader's words; where it opens on them, with curves. */
  tell: ({
    design,
    partLists,
    curves,
  }: {
    readonly design: Design;
    readonly partLists: PartLists;
    readonly curves: boolean;
  }): ToldForPage => {
    const session = sessionOn(design, partLists);
    return { told: tell(session.analysis()), curves: curves ? session.curves() : null };
  },

  /** A document with everything routed that was not, as it is kept. */
  route: ({ text }: { readonly text: string }, tell: Tell): Accepted => {
    const validated = parseDesign(text);
    return validated.ok ? kept(routeStale(validated.value, tell)) : validated;
  },

  /** A document as it is kept, or what is wrong with it. */
  accept: ({ text }: { readonly text: string }): Accepted => {
    const validated = parseDesign(text);
    return validated.ok ? kept(validated.value) : validated;
  },

  /** The body of a save: the revision it was made on, and the document as it is kept. */
  acceptSave: ({ text }: { readonly text: string }): AcceptedSave => {
    const read = readJsonText(text);
    if (!read.ok) return { revision: 0, accepted: read };
    const { revision, document } = (read.value ?? {}) as Readonly<Record<string, unknown>>;
    if (!isRevision(revision)) return { revision: null, accepted: noRevision() };
    const validated = validateDesign(document);
    return { revision, accepted: validated.ok ? kept(validated.value) : validated };
  },

  /** The body of a save that tells only what changed: patches on a stored document. */
  acceptPatches: ({
    text,
    document,
    stands,
  }: {
    readonly text: string;
    readonly document: string;
    /** The revision that the document has. */
    readonly stands: number;
  }): AcceptedSave => {
    const read = readJsonText(text);
    if (!read.ok) return { revision: 0, accepted: read };
    const { revision, patches } = (read.value ?? {}) as Readonly<Record<string, unknown>>;
    if (!isRevision(revision)) return { revision: null, accepted: noRevision() };
    if (revision !== stands) return { revision, accepted: noRevision() };
    const stored = parseDesign(document);
    if (!stored.ok) return { revision, accepted: stored };
    const edited = patchDesign(stored.value, patches);
    return { revision, accepted: edited.ok ? kept(edited.value) : edited };
  },

  /** A stored document as a design, or what is wrong with it. */
  open: ({ document }: { readonly document: string }): Validated<Design> => parseDesign(document),

  /** A stored document as a file: written anew where it can be read, byte for byte where not. */
  file: ({ document }: { readonly document: string }): string => {
    const parsed = parseDesign(document);
    return parsed.ok ? designToText(parsed.value) : document;
  },

  /** The body of a part to be kept, or what is wrong with it. */
  acceptPart: ({ text }: { readonly text: string }): Validated<Part> => {
    const read = readJsonText(text);
    return read.ok ? validatePart(read.value) : read;
  },

  /** Each of several parts: whether it can be kept, and if not why. */
  checkParts: ({ text }: { readonly text: string }): Validated<readonly CheckedPart[]> => {
    const read = readJsonText(text);
    if (!read.ok) return read;
    const list = read.value;
    if (!Array.isArray(list) || list.length > MOST_CHECKED)
      return {
        ok: false,
        troubles: [{ path: '', message: msg`Send a list of at most ${MOST_CHECKED} parts.` }],
      };
    return { ok: true, value: list.map(checkedPart) };
  },

  /** Every published check, worked out. */
  proof: (_: Readonly<Record<string, never>>): ReturnType<typeof proofRows> => proofRows(),

  /** Everything the database holds as one ZIP of open JSON. */
  pack: ({ backup, now }: { readonly backup: Backup; readonly now: number }): Uint8Array =>
    backupToZip(backup, now),

  /** A ZIP of a backup back to what the database holds, or what is wrong with it. */
  unpack: ({ zip }: { readonly zip: Uint8Array }): Validated<Backup> => backupFromZip(zip),

  /** A build to its parts list as CSV. */
  listCsv: ({
    design,
  }: {
    readonly design: Design;
  }): { readonly name: string; readonly csv: string } => ({
    name: `${slug(design.name)}-parts.csv`,
    csv: listToCsv(evaluate(design).reports.bom, design.brief.currency),
  }),
} as const;

function checkedPart(part: unknown): CheckedPart {
  const validated = validatePart(part);
  if (!validated.ok) return validated;
  return CATALOGUE.some((p) => p.id === validated.value.id)
    ? { ok: false, troubles: [takenNumber()] }
    : { ok: true, troubles: [] };
}

const takenNumber = (): ValidationIssue => ({
  path: 'id',
  message: msg`the catalogue has a part of this number; give yours another`,
});

const noRevision = (): Accepted => ({
  ok: false,
  troubles: [{ path: 'revision', message: msg`must be a whole number` }],
});

const isRevision = (value: unknown): value is number => Number.isInteger(value);

function readJsonText(text: string): Validated<unknown> {
  try {
    return { ok: true, value: JSON.parse(text) as unknown };
  } catch {
    return { ok: false, troubles: [{ path: '', message: msg`The body is not JSON.` }] };
  }
}

/** A design as its stored document; one whose document grew past the limit is refused. */
function kept(design: Design): Accepted {
  const document = JSON.stringify(design);
  const size = Buffer.byteLength(document);
  if (size > LIMITS.bytes)
    return {
      ok: false,
      troubles: [
        {
          path: '',
          message: msg`The build takes ${formatNumber(size)} bytes; at most
            ${formatNumber(LIMITS.bytes)} are kept.`,
        },
      ],
    };
  return { ok: true, value: { name: design.name, document } };
}

export type TaskName = keyof typeof TASKS;
export type TaskInput<T extends TaskName> = Parameters<(typeof TASKS)[T]>[0];
export type TaskOutput<T extends TaskName> = ReturnType<(typeof TASKS)[T]>;

function stationsOf(design: Design): BuildSummary['loops'] {
  const parts = new Map(design.components.map((component) => [component.id, component]));
  return design.loops.map((loop) => {
    const along = [...new Set(loop.connections.map((connection) => connection.from.component))];
    return along.flatMap((id) => {
      const component = parts.get(id);
      return component && drawingOf(component.part) !== 'inline:tee'
        ? [{ kind: drawingOf(component.part), name: component.name }]
        : [];
    });
  });
}
