import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { BARE_PART_LISTS } from '@/catalogue';
import { addBuild, evaluateDocument, listedBuilds, putPart, closeStore } from '..';
import { closePool } from '../pool';
import { ATTACKS } from './documents';

beforeAll(() => {
  process.env.DATABASE_URL = `file:${join(mkdtempSync(join(tmpdir(), 'zephyron-attack-')), 'test.db')}`;
});
afterAll(async () => {
  await closeStore();
  await closePool();
});

/** Judged, or refused with a path and words; never a fault. */
function expectAnswer({ status, body }: { readonly status: number; readonly body: unknown }): void {
  expect([200, 201, 400, 409, 413, 503]).toContain(status);
  if (status < 400) return;
  const { error, troubles } = body as {
    readonly error: string;
    readonly troubles: readonly { readonly path: string; readonly message: string }[];
  };
  expect(error.length).toBeGreaterThan(10);
  if (status === 400) expect(troubles[0]?.message.length).toBeGreaterThan(5);
}

describe('documents made to cost', () => {
  test.each(ATTACKS)('$name: judged or refused, through every door', async ({ document }) => {
    const text = JSON.stringify(document);
    expectAnswer(await evaluateDocument(text, BARE_PART_LISTS));
    expectAnswer(await addBuild(text));
    expectAnswer(await putPart('own-attack', text));
  });

  test('the list still answers, whatever of them was kept', async () => {
    const { entries, total } = await listedBuilds();
    expect(total).toBeGreaterThan(3);
    expect(entries.length).toBeGreaterThan(3);
  });
});
