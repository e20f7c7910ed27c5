import { BIN_DAYS } from '@/store';
import { msg } from '@/core/messages';
import { ok, refuse, type Answer } from './answer';
import { inPool } from './pool';
import { OPEN_MS } from './pooled';
import { theStore } from './store';

/** Longest name of a moment. */
const NAME_LENGTH = 80;
const noMoment = () => msg`This revision is not kept.`;

/** The moments kept of a build, newest first: `[{ revision, savedAt, name }]`. */
export async function historyOf(id: string): Promise<Answer> {
  const store = await theStore();
  return (await store.readAnyBuild(id))
    ? ok(await store.listHistory(id))
    : refuse(404, msg`There is no such build.`);
}

/** The document of one revision, as it was kept, or brought to the present version. */
export async function momentOf(
  id: string,
  revision: number,
  isPresent: boolean,
): Promise<string | null> {
  const document = Number.isInteger(revision)
    ? await (await theStore()).readMoment(id, revision)
    : null;
  return document !== null && isPresent ? inPool('file', { document }, OPEN_MS) : document;
}

/** Gives a moment a name (`{ name }`), or takes it away with null. */
export async function nameMoment(id: string, revision: number, data: unknown): Promise<Answer> {
  const { name } = (data ?? {}) as { readonly name?: unknown };
  const isName = typeof name === 'string' && name.trim().length > 0 && name.length <= NAME_LENGTH;
  if (name !== null && !isName)
    return refuse(400, msg`This revision cannot have that name.`, [
      { path: 'name', message: msg`must be null, or a text of 1 to ${NAME_LENGTH} characters` },
    ]);
  const named =
    Number.isInteger(revision) &&
    (await (await theStore()).nameMoment(id, revision, name === null ? null : name.trim()));
  return named ? { status: 204, body: null } : refuse(404, noMoment());
}

export interface BinEntry {
  readonly kind: 'build' | 'part';
  readonly id: string;
  readonly name: string;
  readonly deletedAt: number;
  /** When it goes for good. */
  readonly until: number;
}

/** What lies in the bin, last deleted first. */
export async function binEntries(): Promise<readonly BinEntry[]> {
  const store = await theStore();
  const [builds, parts] = await Promise.all([store.listBin(), store.listBinnedParts()]);
  const entry = (
    kind: BinEntry['kind'],
    id: string,
    name: string,
    deletedAt: number | null,
  ): BinEntry => ({
    kind,
    id,
    name,
    deletedAt: deletedAt ?? 0,
    until: (deletedAt ?? 0) + BIN_DAYS * 86_400_000,
  });
  return [
    ...builds.map((b) => entry('build', b.id, b.name, b.deletedAt)),
    ...parts.map((p) => entry('part', p.id, nameIn(p.document), p.deletedAt)),
  ].sort((a, b) => b.deletedAt - a.deletedAt);
}

function nameIn(document: string): string {
  const { name } = JSON.parse(document) as { readonly name?: unknown };
  return typeof name === 'string' ? name : msg`a part`;
}

/** Takes a build or an own part out of the bin. */
export async function restoreFromBin(kind: string, id: string): Promise<Answer> {
  const store = await theStore();
  const back =
    (kind === 'build' && (await store.restoreBuild(id))) ||
    (kind === 'part' && (await store.unbinPart(id)));
  return back ? { status: 204, body: null } : refuse(404, msg`This is not in the bin.`);
}

/** Removes a build in the bin for good. */
export async function removeFromBin(id: string): Promise<Answer> {
  return (await (await theStore()).removeBuild(id))
    ? { status: 204, body: null }
    : refuse(404, msg`This is not in the bin.`);
}
