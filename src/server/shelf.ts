import { randomBytes } from 'node:crypto';
import { DEMO_BUILDS } from '@/catalogue';
import type { Build } from '@/core/build';
import { evaluate, type StageState } from '@/core/evaluate';
import { drawingOf, type Part } from '@/core/part';
import type { Stage } from '@/core/finding';
import { guardBuild, parseBuild } from '@/core/guard';
import { routeBuild } from '@/core/route';
import { slug } from '@/format';
import { createBuild, listBuilds, openStore, readBuild, removeBuild, saveBuild, seedBuilds, type BuildRow, type Store } from '@/store';
import { ok, refuse, type Answer } from './answer';

const held = globalThis as unknown as { zephyronStore?: Promise<Store> };

/** The one store of this process, opened, migrated and with the demo builds in it. */
export function theStore(): Promise<Store> {
  held.zephyronStore ??= openStore().then(async (store) => {
    await seedBuilds(store, DEMO_BUILDS.map((d) => ({ name: d.name, title: d.build.name, document: JSON.stringify(d.build) })), Date.now());
    return store;
  });
  held.zephyronStore.catch(() => { delete held.zephyronStore; });
  return held.zephyronStore;
}

export interface ShelfEntry {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: number;
  readonly demo: string | null;
  /** For a demo: what it is about. */
  readonly about: string | null;
  readonly caseName: string | null;
  readonly stages: Readonly<Record<Stage, StageState>> | null;
  /** Stations of each loop in flow order, for its small line. */
  readonly loops: readonly (readonly { readonly kind: string; readonly name: string }[])[];
}

const summaries = new Map<string, Pick<ShelfEntry, 'caseName' | 'stages' | 'loops'>>();

function summarise(row: BuildRow): Pick<ShelfEntry, 'caseName' | 'stages' | 'loops'> {
  const key = `${row.id}@${row.revision}`;
  const known = summaries.get(key);
  if (known) return known;
  const parsed = parseBuild(row.document);
  if (!parsed.ok) return { caseName: null, stages: null, loops: [] };
  const build = parsed.value;
  const { stages } = evaluate(build);
  const made = { caseName: build.case?.name ?? null, stages, loops: stationsOf(build) };
  if (summaries.size > 500) summaries.clear();
  summaries.set(key, made);
  return made;
}

function stationsOf(build: Build): ShelfEntry['loops'] {
  return build.loops.map((loop) => [...new Set(loop.links.map((l) => l.from.item))].flatMap((id) => {
    const item = build.items.find((i) => i.id === id);
    return item && drawingOf(item.part) !== 'inline:tee' ? [{ kind: drawingOf(item.part), name: item.name }] : [];
  }));
}

/** All builds, newest change first. */
export async function shelf(): Promise<readonly ShelfEntry[]> {
  const rows = await listBuilds(await theStore());
  return rows.map((row) => ({
    id: row.id, name: row.name, revision: row.revision, updatedAt: row.updatedAt, demo: row.demo,
    about: DEMO_BUILDS.find((d) => d.name === row.demo)?.about ?? null, ...summarise(row),
  }));
}

export interface OpenedBuild { readonly id: string; readonly revision: number; readonly build: Build }

export async function openBuild(id: string): Promise<OpenedBuild | null> {
  const row = await readBuild(await theStore(), id);
  if (!row) return null;
  const parsed = parseBuild(row.document);
  return parsed.ok ? { id: row.id, revision: row.revision, build: parsed.value } : null;
}

/** A new build from a document. Its id is made from its name. */
export async function addBuild(data: unknown): Promise<Answer> {
  const guarded = guardBuild(data);
  if (!guarded.ok) return refuse(400, 'This is not a build that can be kept.', guarded.troubles);
  const id = `${slug(guarded.value.name)}-${randomBytes(4).toString('hex')}`;
  const row = await createBuild(await theStore(), { id, name: guarded.value.name, document: JSON.stringify(guarded.value) }, Date.now());
  return ok({ id: row.id, revision: row.revision }, 201);
}

/** Replaces a build made on a known revision; another's newer revision is given back untouched with 409. */
export async function putBuild(id: string, data: unknown): Promise<Answer> {
  const { revision, document } = (data ?? {}) as { revision?: unknown; document?: unknown };
  if (!Number.isInteger(revision)) return refuse(400, 'Say which revision the change was made on.', [{ path: 'revision', message: 'must be a whole number' }]);
  const guarded = guardBuild(document);
  if (!guarded.ok) return refuse(400, 'This build cannot be kept as it is.', guarded.troubles);
  const saved = await saveBuild(await theStore(), id, revision as number, { name: guarded.value.name, document: JSON.stringify(guarded.value) }, Date.now());
  if (saved.kind === 'missing') return refuse(404, 'There is no such build.');
  if (saved.kind === 'stale') return { status: 409, body: { error: 'The build was changed elsewhere since.', revision: saved.row.revision, document: JSON.parse(saved.row.document) as unknown } };
  return ok({ revision: saved.revision });
}

export async function dropBuild(id: string): Promise<Answer> {
  return (await removeBuild(await theStore(), id)) ? { status: 204, body: null } : refuse(404, 'There is no such build.');
}

/** What follows from a build, with fixes from what the builder's Stores offer. */
export function evaluateDocument(data: unknown, offer: readonly Part[]): Answer {
  const guarded = guardBuild(data);
  return guarded.ok ? ok(evaluate(guarded.value, { offer, routed: routeBuild(guarded.value) })) : refuse(400, 'This is not a build that can be evaluated.', guarded.troubles);
}
