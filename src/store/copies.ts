import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { sql } from 'drizzle-orm';
import type { LibSQLDatabase } from 'drizzle-orm/libsql';
import type { Store } from './open';
import type * as schema from './schema';

/** Days of which a copy is kept. */
export const COPIES_KEPT = 7;

/** A whole copy of the database in another file, taken while it is in use; the name appears last. */
export async function copyDatabase(db: LibSQLDatabase<typeof schema>, file: string): Promise<void> {
  if (existsSync(/* turbopackIgnore: true */ file)) return;
  const unfinished = `${file}.part`;
  rmSync(unfinished, { force: true });
  await db.run(sql`VACUUM INTO ${unfinished}`);
  renameSync(unfinished, file);
}

/**
 * The copy of the day, `copies/NAME-YYYY-MM-DD.db` beside the database, if there is none yet; only
 * the last seven stay. Returns the file, or null for a remote database.
 */
export async function copyOfDay({ db, file }: Store, now: number): Promise<string | null> {
  if (!file) return null;
  const folder = join(dirname(file), 'copies'),
    name = basename(file).replace(/\.db$/, '');
  mkdirSync(folder, { recursive: true });
  const today = join(folder, `${name}-${new Date(now).toISOString().slice(0, 10)}.db`);
  await copyDatabase(db, today);
  const own = readdirSync(folder)
    .filter((f) => f.startsWith(`${name}-`) && /-\d{4}-\d\d-\d\d\.db$/.test(f))
    .sort();
  for (const old of own.slice(0, -COPIES_KEPT)) rmSync(join(folder, old), { force: true });
  return today;
}
