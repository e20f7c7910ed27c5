import { randomBytes } from 'node:crypto';
import { DEMO_BUILDS, type PartLists } from '@/catalogue';
import type { Design } from '@/core/design';
import { countIssue, validateDesign, parseDesign, type Validated } from '@/core/validation';
import { buildFileName, designToText, slug } from '@/format';
import {
  createBuild,
  listBuilds,
  openStore,
  readBuild,
  removeBuild,
  saveBuild,
  seedBuilds,
  type Store,
} from '@/store';
import { JsonText, ok, refuse, type Answer } from './answer';
import { inPool, OverTimeError, PoolFullError, type Watch } from './pool';
import { summariseLater, summaryStates, type SummaryState } from './summaries';

const held = globalThis as unknown as { zephyronStore?: Promise<Store> };

/** The one store of this process, opened, migrated and with the demo builds in it. */
export function theStore(): Promise<Store> {
  held.zephyronStore ??= openStore().then(async (store) => {
    await seedBuilds(
      store,
      DEMO_BUILDS.map((d) => ({
        name: d.name,
        title: d.design.name,
        document: JSON.stringify(d.design),
      })),
      Date.now(),
    );
    for (const row of await listBuilds(store))
      if (row.summary === null) summariseLater(store, row.id, row.revision);
    return store;
  });
  held.zephyronStore.catch(() => {
    delete held.zephyronStore;
  });
  return held.zephyronStore;
}

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

/**
 * All builds, newest change first. Nothing is evaluated here: summaries are worked out in the pool
 * when a build is saved.
 */
export async function listedBuilds(): Promise<readonly BuildEntry[]> {
  const store = await theStore();
  const rows = await listBuilds(store);
  const states = await summaryStates(store, rows);
  return rows.map(({ id, name, revision, updatedAt, demo }, i) => ({
    id,
    name,
    revision,
    updatedAt,
    demo,
    about: DEMO_BUILDS.find((d) => d.name === demo)?.about ?? null,
    known: states[i] as SummaryState,
  }));
}

export interface OpenedBuild {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
}

export async function openBuild(id: string): Promise<OpenedBuild | null> {
  const row = await readBuild(await theStore(), id);
  if (!row) return null;
  const parsed = parseDesign(row.document);
  return parsed.ok ? { id: row.id, revision: row.revision, design: parsed.value } : null;
}

/**
 * A stored document as a file: written anew where it can be read, and byte for byte where it
 * cannot.
 */
export async function buildFile(
  id: string,
): Promise<{ readonly name: string; readonly text: string } | null> {
  const row = await readBuild(await theStore(), id);
  if (!row) return null;
  const parsed = parseDesign(row.document);
  return {
    name: buildFileName(row.name),
    text: parsed.ok ? designToText(parsed.value) : row.document,
  };
}

/** A new build from a document. Its id is made from its name. */
export async function addBuild(
  data: unknown,
  { route = false, ...watch }: { readonly route?: boolean } & Watch = {},
): Promise<Answer> {
  const counted = countIssue(data);
  if (counted) return refuse(400, 'This is not a build that can be kept.', [counted]);
  if (!route) return keepBuild(validateDesign(data));
  return pooled(async () => keepBuild(await inPool('route', { data }, EVALUATE_MS, watch)));
}

async function keepBuild(validated: Validated<Design>): Promise<Answer> {
  if (!validated.ok)
    return refuse(400, 'This is not a build that can be kept.', validated.troubles);
  const id = `${slug(validated.value.name)}-${randomBytes(4).toString('hex')}`;
  const row = await createBuild(
    await theStore(),
    { id, name: validated.value.name, document: JSON.stringify(validated.value) },
    Date.now(),
  );
  summariseLater(await theStore(), row.id, row.revision);
  return ok({ id: row.id, revision: row.revision }, 201);
}

/**
 * Replaces a build made on a known revision; another's newer revision is given back untouched with
 * 409.
 */
export async function putBuild(id: string, data: unknown): Promise<Answer> {
  const { revision, document } = (data ?? {}) as { revision?: unknown; document?: unknown };
  if (!Number.isInteger(revision))
    return refuse(400, 'Say which revision the change was made on.', [
      { path: 'revision', message: 'must be a whole number' },
    ]);
  const validated = validateDesign(document);
  if (!validated.ok) return refuse(400, 'This build cannot be kept as it is.', validated.troubles);
  const saved = await saveBuild(
    await theStore(),
    id,
    revision as number,
    { name: validated.value.name, document: JSON.stringify(validated.value) },
    Date.now(),
  );
  if (saved.kind === 'missing') return refuse(404, 'There is no such build.');
  if (saved.kind === 'stale')
    return {
      status: 409,
      body: {
        error: 'The build was changed elsewhere since.',
        revision: saved.row.revision,
        document: JSON.parse(saved.row.document) as unknown,
      },
    };
  summariseLater(await theStore(), id, saved.revision);
  return ok({ revision: saved.revision });
}

export async function dropBuild(id: string): Promise<Answer> {
  return (await removeBuild(await theStore(), id))
    ? { status: 204, body: null }
    : refuse(404, 'There is no such build.');
}

/** Longest that one evaluation may take, routing included. */
const EVALUATE_MS = 60_000;

/**
 * What follows from a build, with fixes from what the builder's catalogue offers. Worked out in the
 * pool.
 */
export async function evaluateDocument(
  data: unknown,
  partLists: PartLists,
  {
    fixes = false,
    route = false,
    ...watch
  }: { readonly fixes?: boolean; readonly route?: boolean } & Watch = {},
): Promise<Answer> {
  const counted = countIssue(data);
  if (counted) return refuse(400, 'This is not a build that can be evaluated.', [counted]);
  return pooled(async () => {
    const evaluated = await inPool(
      'evaluate',
      { data, partLists, fixes, route },
      EVALUATE_MS,
      watch,
    );
    if (!evaluated.ok)
      return refuse(400, 'This is not a build that can be evaluated.', evaluated.troubles);
    return { status: 200, body: new JsonText(evaluated.json) };
  });
}

/** Longest that the parts list of one build may take. */
const LIST_MS = 30_000;

/** The parts list of a stored build as CSV. */
export async function partsListCsv(id: string): Promise<Answer> {
  const opened = await openBuild(id);
  if (!opened) return refuse(404, 'There is no such build.');
  return pooled(async () => ok(await inPool('listCsv', { design: opened.design }, LIST_MS)));
}

/** Says in words why the pool did not do it. */
async function pooled(work: () => Promise<Answer>): Promise<Answer> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof OverTimeError)
      return refuse(
        503,
        `This build could not be worked out within ${Math.round(error.budget_ms / 1000)} s. Nothing was changed.`,
      );
    if (error instanceof PoolFullError)
      return refuse(
        503,
        'The server is busy with other builds. Nothing was changed; ask again in a moment.',
      );
    throw error;
  }
}
