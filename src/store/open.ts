import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createClient } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import * as schema from './schema';

export type Database = LibSQLDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/**
 * A database with a queue in front of its writes: parallel transactions on one file end in
 * SQLITE_BUSY.
 */
export interface Store {
  readonly db: Database;
  /**
   * Runs in an explicit transaction: what was acknowledged is committed. Rejects with
   * StoreBusyError when another process holds the database.
   */
  write<T>(work: (tx: Transaction) => Promise<T>): Promise<T>;
  close(): void;
}

/** Another process holds the database: nothing was written. */
export class StoreBusyError extends Error {
  constructor(cause: unknown) {
    super('Another program holds the database.', { cause });
    this.name = 'StoreBusyError';
  }
}

const DEFAULT_URL = 'file:data/zephyron.db';
const BUSY_TIMEOUT_MS = 5000;

/** Whether the database, or what Drizzle wrapped it in, says that it is locked. */
function isBusy(error: unknown): boolean {
  for (let at = error; at instanceof Error; at = at.cause) {
    const code = 'code' in at ? String(at.code) : '';
    if (/^SQLITE_(BUSY|LOCKED)/.test(code) || /database (table )?is locked/.test(at.message))
      return true;
  }
  return false;
}

/**
 * Opens, migrates and hands out the store. `file:` or a remote libSQL address; the folder of a file
 * is made.
 */
export async function openStore(
  url = process.env.DATABASE_URL ?? DEFAULT_URL,
  { busyTimeout_ms = BUSY_TIMEOUT_MS }: { readonly busyTimeout_ms?: number } = {},
): Promise<Store> {
  const file = /^file:(?!:memory:)(.+)$/.exec(url)?.[1];
  if (file) mkdirSync(dirname(file.split('?')[0] as string), { recursive: true });
  const client = createClient({
    url,
    ...(process.env.DATABASE_TOKEN ? { authToken: process.env.DATABASE_TOKEN } : {}),
    timeout: busyTimeout_ms,
  });
  if (file) {
    await client.execute('PRAGMA journal_mode = WAL');
    await client.execute('PRAGMA foreign_keys = ON');
  }
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: join(process.cwd(), 'drizzle') });

  const attempt = async <T>(work: (tx: Transaction) => Promise<T>): Promise<T> => {
    try {
      return await db.transaction(work, { behavior: 'immediate' });
    } catch (error) {
      if (!isBusy(error)) throw error;
      // A statement that met the lock may stay open on its connection, and later writes there would
      // never be committed.
      await client.reconnect();
      throw new StoreBusyError(error);
    }
  };

  let last: Promise<unknown> = Promise.resolve();
  return {
    db,
    write: (work) => {
      const next = last.then(() => attempt(work));
      last = next.catch(() => undefined);
      return next;
    },
    close: () => client.close(),
  };
}
