import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { createClient } from '@libsql/client';
import { sql } from 'drizzle-orm';
import { localClient, openStore, StoreTroubleError, storeTroubleOf } from '.';

const freshFile = (): string => join(mkdtempSync(join(tmpdir(), 'zephyron-trouble-')), 'test.db');
const row = { id: 'one', name: 'One', document: '{"n": 1}' };

const troubleIn = async (work: Promise<unknown>): Promise<string | null> =>
  work.then(
    () => null,
    (error: unknown) => {
      expect(error).toBeInstanceOf(StoreTroubleError);
      return storeTroubleOf(error);
    },
  );

describe('trouble with the database is told by its kind, and nothing is written', () => {
  test('no space left', async () => {
    const store = await openStore(`file:${freshFile()}`),
      client = localClient(store);
    await client.createBuild(row, 1);
    // SQLite says SQLITE_FULL when a database may not grow, as on a full disk.
    const [pages] = await store.db.values<[number]>(sql`PRAGMA page_count`);
    // The limit holds on one connection: the one that writes.
    const told = await troubleIn(
      store.write(async (tx) => {
        await tx.run(sql.raw(`PRAGMA max_page_count = ${pages?.[0]}`));
        await tx.run(sql`CREATE TABLE wide (t TEXT)`);
        await tx.run(sql`INSERT INTO wide VALUES (${'x'.repeat(400_000)})`);
      }),
    );
    expect(told).toBe('full');
    expect((await client.readBuild('one'))?.document).toBe('{"n": 1}');
    await client.close();
  });

  test('not to be written', async () => {
    const store = await openStore(`file:${freshFile()}`),
      client = localClient(store);
    await client.createBuild(row, 1);
    const told = await troubleIn(
      store.write(async (tx) => {
        await tx.run(sql`PRAGMA query_only = 1`);
        await tx.run(sql`CREATE TABLE never (t TEXT)`);
      }),
    );
    expect(told).toBe('read-only');
    await client.close();
  });

  test('damaged', async () => {
    const file = freshFile();
    writeFileSync(file, 'this is no database at all, and never was one'.repeat(200));
    expect(await troubleIn(openStore(`file:${file}`))).toBe('corrupt');
    expect(readFileSync(file, 'utf8')).toContain('never was one');
  });

  test('not to be reached', async () => {
    expect(await troubleIn(openStore('file:/dev/null/nowhere/test.db'))).toBe('unreachable');
  });

  test('written by a newer one: refused before a write', async () => {
    const file = freshFile();
    (await openStore(`file:${file}`)).close();
    const other = createClient({ url: `file:${file}` });
    await other.execute(
      `INSERT INTO __drizzle_migrations ("hash", "created_at") VALUES ('later', 9999999999999)`,
    );
    other.close();
    const before = readFileSync(file);
    expect(await troubleIn(openStore(`file:${file}`))).toBe('newer');
    expect(readFileSync(file).equals(before)).toBe(true);
  });

  test('an older one is copied beside itself before its tables are changed', async () => {
    const file = freshFile();
    const store = await openStore(`file:${file}`);
    await localClient(store).createBuild(row, 1);
    // As it stood before the bin: without the last two migrations and what they made.
    await store.write(async (tx) => {
      await tx.run(sql`DROP TABLE photos`);
      await tx.run(sql`DROP INDEX builds_by_change`);
      await tx.run(sql`ALTER TABLE builds DROP COLUMN deleted_at`);
      await tx.run(sql`ALTER TABLE parts DROP COLUMN deleted_at`);
      await tx.run(sql`UPDATE build_history SET document = '{"n": 1}'`);
      await tx.run(sql`ALTER TABLE build_history DROP COLUMN packed`);
      await tx.run(sql`ALTER TABLE build_history DROP COLUMN name`);
      await tx.run(
        sql`DELETE FROM __drizzle_migrations WHERE created_at IN (SELECT created_at FROM __drizzle_migrations ORDER BY created_at DESC LIMIT 2)`,
      );
    });
    store.close();
    const again = localClient(await openStore(`file:${file}`));
    expect((await again.readBuild('one'))?.document).toBe('{"n": 1}');
    expect(await again.readMoment('one', 1)).toBe('{"n": 1}');
    await again.close();
    const copies = readdirSync(dirname(file)).filter((f) => f.includes('.before-'));
    expect(copies).toHaveLength(1);
    const copy = createClient({ url: `file:${join(dirname(file), copies[0] as string)}` });
    const { rows } = await copy.execute('SELECT document FROM builds');
    expect(rows[0]?.document).toBe('{"n": 1}');
    copy.close();
  });
});
