import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createClient } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import * as schema from './schema';

export type Database = LibSQLDatabase<typeof schema>;

/** A database with a queue in front of its writes: parallel transactions on one file end in SQLITE_BUSY. */
export interface Store {
  readonly db: Database;
  write<T>(work: (db: Database) => Promise<T>): Promise<T>;
  close(): void;
}

const DEFAULT_URL = 'file:data/zephyron.db';
const BUSY_TIMEOUT_MS = 5000;

/** Opens, migrates and hands out the store. `file:` or a remote libSQL address; the folder of a file is made. */
export async function openStore(url = process.env.DATABASE_URL ?? DEFAULT_URL): Promise<Store> {
  const file = /^file:(?!:memory:)(.+)$/.exec(url)?.[1];
  if (file) mkdirSync(dirname(file.split('?')[0] as string), { recursive: true });
  const client = createClient({ url, ...(process.env.DATABASE_TOKEN ? { authToken: process.env.DATABASE_TOKEN } : {}), timeout: BUSY_TIMEOUT_MS });
  if (file) {
    await client.execute('PRAGMA journal_mode = WAL');
    await client.execute('PRAGMA foreign_keys = ON');
  }
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: join(process.cwd(), 'drizzle') });
  let last: Promise<unknown> = Promise.resolve();
  return {
    db,
    write: (work) => {
      const next = last.then(() => work(db));
      last = next.catch(() => undefined);
      return next;
    },
    close: () => client.close(),
  };
}
