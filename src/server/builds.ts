import { randomBytes } from 'node:crypto';
import { DEMO_BUILDS } from '@/catalogue';
import type { Told } from '@/core/analysis';
import type { Design } from '@/core/design';
import type { CoolingCurve } from '@/core/thermal';
import { buildFileName, slug } from '@/format';
import type { ListedBuild } from '@/store';
import { msg } from '@/core/messages';
import { ok, refuse, type Answer } from './answer';
import { inPool, type Accepted, type Watch } from './pool';
import { busyWords, JUDGE_MS, LOOK_OVER_MS, OPEN_MS, pooled, ROUTE_MS } from './pooled';
import { partListsNow } from './retired';
import { theStore } from './store';
import { askedReader, forReader } from './reader';
import { summariseLater, summaryStates, type SummaryState } from './summaries';

export interface BuildEntry {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: number;
  readonly demo: string | null;
  /** For a demo: what it is about. */
  readonly about: string | null;
  /** What is known of it without opening it; stored with the build when it is saved. */
  readonly known: SummaryState;
}

export interface BuildList {
  readonly entries: readonly BuildEntry[];
  /** Builds that the search finds, on all pages. */
  readonly total: number;
  readonly offset: number;
  readonly limit: number;
  readonly search: string;
}

/** Builds on a page of the list. */
export const PAGE_SIZE = 50;
/** Most builds that one request may list. */
const MOST_LISTED = 500;

/** What a request asks of the list, within bounds: `limit`, `offset`, `q`. */
export function pageAsked(params: URLSearchParams): {
  readonly limit: number;
  readonly offset: number;
  readonly search: string;
} {
  const whole = (key: string, otherwise: number, most: number): number => {
    const value = Number(params.get(key) ?? otherwise);
    return Number.isInteger(value) && value >= 0 ? Math.min(value, most) : otherwise;
  };
  return {
    limit: whole('limit', PAGE_SIZE, MOST_LISTED) || PAGE_SIZE,
    offset: whole('offset', 0, 1e9),
    search: (params.get('q') ?? '').trim().slice(0, 80),
  };
}

/**
 * A page of builds, newest change first. Rows are read, nothing is evaluated here: summaries are
 * worked out in the pool when a build is saved.
 */
export async function listedBuilds(asked = pageAsked(new URLSearchParams())): Promise<BuildList> {
  const store = await theStore();
  const { rows, total } = await store.listBuilds(asked);
  const states = await summaryStates(store, rows, await askedReader());
  return { ...asked, total, entries: rows.map((row, i) => entryOf(row, states[i])) };
}

function entryOf(
  { id, name, revision, updatedAt, demo }: ListedBuild,
  known: SummaryState = { state: 'pending' },
): BuildEntry {
  const about = DEMO_BUILDS.find((d) => d.name === demo)?.about ?? null;
  return { id, name, revision, updatedAt, demo, about, known };
}

export interface OpenedBuild {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
}

/** A build with what was worked out of it; null while the pool has no time for that. */
export interface WorkedOutBuild extends OpenedBuild {
  readonly told: Told | null;
  /** Rise against noise, where it was asked for. */
  readonly curves: readonly CoolingCurve[] | null;
}

/** Builds opened last, by revision: a page and its title ask for the same one. */
const openedLast = new Map<string, Design>();
const OPEN_KEPT = 8;

/** A build as it stands; null when there is none, or it cannot be read. */
export async function openBuild(id: string): Promise<OpenedBuild | null> {
  const row = await (await theStore()).readBuild(id);
  if (!row) return null;
  const { revision, document } = row,
    key = `${id}@${revision}@${row.updatedAt}`;
  const known = openedLast.get(key);
  if (known) return { id, revision, design: known };
  const design = await onceFor(key, async () => {
    const parsed = await inPool('open', { document }, OPEN_MS);
    return parsed.ok ? parsed.value : null;
  });
  if (!design) return null;
  if (openedLast.size >= OPEN_KEPT) openedLast.clear();
  openedLast.set(key, design);
  return { id, revision, design };
}

/**
 * A build as its page shows it, worked out in the reader's words, with the `curves` of the page
 * that draws them first. A busy pool leaves that to the page's own thread.
 */
export async function openWorkedOut(id: string, curves = false): Promise<WorkedOutBuild | null> {
  const opened = await openBuild(id);
  if (!opened) return null;
  const { design } = opened;
  try {
    const partLists = await partListsNow();
    const worked = await forReader(() => inPool('tell', { design, partLists, curves }, JUDGE_MS));
    return { ...opened, ...worked };
  } catch (error) {
    if (busyWords(error) === null) throw error;
    return { ...opened, told: null, curves: null };
  }
}

/** What is being opened now: a page asks for its build three times at once. */
const openingNow = new Map<string, Promise<Design | null>>();

async function onceFor(key: string, open: () => Promise<Design | null>): Promise<Design | null> {
  const begun = openingNow.get(key) ?? open();
  openingNow.set(key, begun);
  try {
    return await begun;
  } finally {
    openingNow.delete(key);
  }
}

/** Why a build does not open: it is in the bin, was written by another version, or never was. */
export async function whyNotOpen(
  id: string,
): Promise<
  | { readonly state: 'missing' }
  | { readonly state: 'binned' }
  | { readonly state: 'unreadable'; readonly name: string; readonly message: string }
> {
  const row = await (await theStore()).readAnyBuild(id);
  if (!row) return { state: 'missing' };
  if (row.deletedAt !== null) return { state: 'binned' };
  const parsed = await inPool('open', { document: row.document }, OPEN_MS);
  const [first] = parsed.ok ? [] : parsed.troubles;
  return {
    state: 'unreadable',
    name: row.name,
    message: first ? `${first.path ? `${first.path}: ` : ''}${first.message}` : '',
  };
}

/** A build over the API. */
export async function readBuildAnswer(id: string): Promise<Answer> {
  const opened = await openBuild(id);
  return opened
    ? ok({ id: opened.id, revision: opened.revision, document: opened.design })
    : refuse(404, msg`There is no such build.`);
}

/**
 * A stored document as a file, in the bin or not: written anew where it can be read, and byte for
 * byte where it cannot.
 */
export async function buildFile(
  id: string,
): Promise<{ readonly name: string; readonly text: string } | null> {
  const row = await (await theStore()).readAnyBuild(id);
  if (!row) return null;
  const text = await inPool('file', { document: row.document }, OPEN_MS);
  return { name: buildFileName(row.name), text };
}

/** A new build from the text of a document. Its id is made from its name. */
export const addBuild = (
  text: string,
  { route = false, ...watch }: { readonly route?: boolean } & Watch = {},
): Promise<Answer> =>
  pooled(async () =>
    keepBuild(
      route
        ? await inPool('route', { text }, ROUTE_MS, watch)
        : await inPool('accept', { text }, LOOK_OVER_MS, watch),
    ),
  );

async function keepBuild(accepted: Accepted): Promise<Answer> {
  if (!accepted.ok)
    return refuse(400, msg`This is not a build that can be kept.`, accepted.troubles);
  const { name, document } = accepted.value;
  const store = await theStore();
  const row = await store.createBuild(
    { id: `${slug(name)}-${randomBytes(4).toString('hex')}`, name, document },
    Date.now(),
  );
  summariseLater(store, row.id, row.revision);
  return ok({ id: row.id, revision: row.revision }, 201);
}

/**
 * Replaces a build made on a known revision (`{ revision, document }`); another's newer revision is
 * given back untouched with 409, and a build in the bin is told with 410.
 */
export const putBuild = (id: string, text: string): Promise<Answer> =>
  pooled(async () => {
    const { revision, accepted } = await inPool('acceptSave', { text }, LOOK_OVER_MS);
    if (revision === null) return refuse(400, noRevision(), accepted.ok ? [] : accepted.troubles);
    return replaceBuild(id, revision, accepted);
  });

/**
 * The same told by what changed: `{ revision, patches }`, each `{ op, path, value }`. Small enough
 * to be sent while a page closes.
 */
export const patchBuild = (id: string, text: string): Promise<Answer> =>
  pooled(async () => {
    const row = await (await theStore()).readBuild(id);
    if (!row) return goneOrMissing(id);
    const { revision, accepted } = await inPool(
      'acceptPatches',
      { text, document: row.document, stands: row.revision },
      LOOK_OVER_MS,
    );
    if (revision === null) return refuse(400, noRevision(), accepted.ok ? [] : accepted.troubles);
    if (revision !== row.revision) return staleAnswer(row);
    return replaceBuild(id, revision, accepted);
  });

const noRevision = () => msg`Say which revision the change was made on.`;

async function replaceBuild(id: string, revision: number, accepted: Accepted): Promise<Answer> {
  if (!accepted.ok) return refuse(400, msg`This build cannot be kept as it is.`, accepted.troubles);
  const store = await theStore();
  const saved = await store.saveBuild(id, revision, accepted.value, Date.now());
  if (saved.kind === 'missing' || saved.kind === 'binned') return goneOrMissing(id);
  if (saved.kind === 'stale') return staleAnswer(saved.row);
  summariseLater(store, id, saved.revision);
  return ok({ revision: saved.revision });
}

const staleAnswer = (row: { readonly revision: number; readonly document: string }): Answer => ({
  status: 409,
  body: {
    error: msg`The build was changed elsewhere since.`,
    revision: row.revision,
    document: JSON.parse(row.document) as unknown,
  },
});

async function goneOrMissing(id: string): Promise<Answer> {
  const row = await (await theStore()).readAnyBuild(id);
  return row
    ? refuse(410, msg`This build was put into the bin. It can be taken out of it for 30 days.`)
    : refuse(404, msg`There is no such build.`);
}

/** Puts a build into the bin, where it lies for thirty days. */
export async function dropBuild(id: string): Promise<Answer> {
  return (await (await theStore()).binBuild(id, Date.now()))
    ? { status: 204, body: null }
    : refuse(404, msg`There is no such build.`);
}
