import { existsSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { createClient, type Client } from '@libsql/client';
import { sql } from 'drizzle-orm';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import { copyDatabase } from './copies';
import * as schema from './schema';
import { storeTroubleOf, StoreTroubleError } from './trouble';

export type Database = LibSQLDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/**
 * A database with a queue in front of its writes: parallel transactions on one file end in
 * SQLITE_BUSY.
 */
export interface Store {
  readonly db: Database;
  /** The file it lies in; null for a remote address. */
  readonly file: string | null;
  /**
   * Runs in an explicit transaction: what was acknowledged is committed. Rejects with
   * StoreTroubleError when the database refuses; nothing was written then.
   */
  write<T>(work: (tx: Transaction) => Promise<T>): Promise<T>;
  close(): void;
}

const DEFAULT_URL = 'file:data/zephyron.db';
/** How long a write waits for another program that holds the database, ms. */
const PATIENCE_MS = 5000;
/** How long the driver itself waits, stopping its whole thread: reads go on between the tries, ms. */
const DRIVER_WAIT_MS = 25;
const TRY_AGAIN_MS = 40;
/** The log beside the database is cut back to this when it has been written over, bytes. */
const LOG_BYTES = 4_000_000;

export const databaseUrl = (): string => process.env.DATABASE_URL ?? DEFAULT_URL;

const fileOf = (url: string): string | null => /^file:(?!:memory:)([^?]+)/.exec(url)?.[1] ?? null;

/**
 * Opens, migrates and hands out the store. `file:` or a remote libSQL address; the folder of a file
 * is made. Rejects with StoreTroubleError: a database written by a newer Zephyron is left as it is;
 * an older one is copied beside itself before it is changed; one that cannot be written is read.
 */
export async function openStore(
  url = databaseUrl(),
  { patience_ms = PATIENCE_MS }: { readonly patience_ms?: number } = {},
): Promise<Store> {
  try {
    return await opened(url, patience_ms);
  } catch (error) {
    const trouble = storeTroubleOf(error);
    if (!trouble || error instanceof StoreTroubleError) throw error;
    throw new StoreTroubleError(trouble, error);
  }
}

async function opened(url: string, patience_ms: number): Promise<Store> {
  const file = fileOf(url);
  if (file) mkdirSync(dirname(file), { recursive: true });
  const wasThere = file !== null && existsSync(/* turbopackIgnore: true */ file);
  const client = createClient({
    url,
    ...(process.env.DATABASE_TOKEN ? { authToken: process.env.DATABASE_TOKEN } : {}),
    timeout: DRIVER_WAIT_MS,
  });
  const db = drizzle(client, { schema });
  try {
    if (file) await patiently(() => setUpFile(client), patience_ms);
    await patiently(() => migrateStore(db, wasThere ? file : null), patience_ms);
  } catch (error) {
    client.close();
    throw error;
  }
  return { db, file, write: writer(client, db, patience_ms), close: () => client.close() };
}

/** A file that cannot be written is read as it stands. */
async function setUpFile(client: Client): Promise<void> {
  try {
    await client.execute('PRAGMA journal_mode = WAL');
    await client.execute(`PRAGMA journal_size_limit = ${LOG_BYTES}`);
  } catch (error) {
    if (storeTroubleOf(error) !== 'read-only') throw error;
  }
  await client.execute('PRAGMA foreign_keys = ON');
}

const MIGRATIONS = { migrationsFolder: join(process.cwd(), 'drizzle') };

/** Brings the tables up to date; what a newer Zephyron has written is refused before a write. */
async function migrateStore(db: Database, file: string | null): Promise<void> {
  const newest = readMigrationFiles(MIGRATIONS).at(-1)?.folderMillis ?? 0;
  const stands = await schemaStands(db);
  if (stands > newest) throw new StoreTroubleError('newer');
  if (stands === newest) return;
  if (file && stands > 0) await copyDatabase(db, `${file}.before-${newest}`);
  await migrate(db, MIGRATIONS);
}

/** When the last migration of the database was made; 0 where there is none yet. */
async function schemaStands(db: Database): Promise<number> {
  const [table] = await db.values<[string]>(
    sql`SELECT name FROM sqlite_master WHERE name = '__drizzle_migrations'`,
  );
  if (!table) return 0;
  const [last] = await db.values<[number]>(sql`SELECT max(created_at) FROM __drizzle_migrations`);
  return Number(last?.[0] ?? 0);
}

/** Tries again while another program holds the database, without stopping anything else. */
async function patiently<T>(work: () => Promise<T>, patience_ms: number): Promise<T> {
  const until = Date.now() + patience_ms;
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (storeTroubleOf(error) !== 'locked' || Date.now() >= until) throw error;
      await wait(TRY_AGAIN_MS);
    }
  }
}

function writer(client: Client, db: Database, patience_ms: number): Store['write'] {
  const attempt = async <T>(work: (tx: Transaction) => Promise<T>): Promise<T> => {
    // A full disk ends the transaction by itself; rolling it back again fails and would hide why.
    let first: unknown = null;
    const told = async (tx: Transaction): Promise<T> => {
      try {
        return await work(tx);
      } catch (error) {
        first = error;
        throw error;
      }
    };
    try {
      return await db.transaction(told, { behavior: 'immediate' });
    } catch (outer) {
      const error = first ?? outer;
      // A statement that met the lock may stay open on its connection, and later writes there would
      // never be committed.
      if (storeTroubleOf(error) === 'locked') await client.reconnect();
      throw error;
    }
  };
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const next = last
      .then(() => patiently(() => attempt(work), patience_ms))
      .catch((error: unknown) => {
        const trouble = storeTroubleOf(error);
        throw trouble && !(error instanceof StoreTroubleError)
          ? new StoreTroubleError(trouble, error)
          : error;
      });
    last = next.catch(() => undefined);
    return next;
  };
}
