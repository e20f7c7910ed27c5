import { describe, expect, jest, test } from '@jest/globals';
import { LIMITS } from '@/core/validation';
import { storeTroubleOf, StoreTroubleError, type StoreTrouble } from '@/store';
import { OverTimeError, PoolFullError } from './pool';
import { pooled } from './pooled';
import {
  download,
  ok,
  pageAsked,
  readBytes,
  readForPage,
  readJson,
  readText,
  refuse,
  respond,
  respondWatched,
  safely,
  troubleAnswer,
} from '.';

const post = (body: BodyInit, type = 'application/json'): Request =>
  new Request('http://127.0.0.1/api/x', {
    method: 'POST',
    body,
    headers: { 'content-type': type },
  });

describe('what is asked of the list', () => {
  test.each([
    ['', { limit: 50, offset: 0, search: '' }],
    ['limit=20&offset=40&q= reed ', { limit: 20, offset: 40, search: 'reed' }],
    ['limit=100000', { limit: 500, offset: 0, search: '' }],
    ['limit=0&offset=-3', { limit: 50, offset: 0, search: '' }],
    ['limit=x&offset=1.5', { limit: 50, offset: 0, search: '' }],
    [`q=${'a'.repeat(500)}`, { limit: 50, offset: 0, search: 'a'.repeat(80) }],
  ])('%s', (asked, page) => {
    expect(pageAsked(new URLSearchParams(asked))).toEqual(page);
  });
});

describe('bodies', () => {
  test('a text is taken as it is, to the limit and not beyond', async () => {
    const text = `"${'ä'.repeat(1000)}"`;
    expect(await readText(post(text))).toEqual({ ok: true, data: text });
    const whole = `"${'x'.repeat(LIMITS.bytes - 2)}"`;
    expect((await readText(post(whole))).ok).toBe(true);
    expect(await readText(post(`${whole} `))).toMatchObject({ answer: { status: 413 } });
  });

  test('the limit counts bytes, not letters', async () => {
    const wide = `"${'漢'.repeat(LIMITS.bytes / 3)}"`;
    expect(wide.length).toBeLessThan(LIMITS.bytes);
    expect(await readText(post(wide))).toMatchObject({ answer: { status: 413 } });
  });

  test('what is parsed on the spot is short', async () => {
    expect(await readJson(post(`"${'x'.repeat(30_000)}"`))).toMatchObject({
      answer: { status: 413 },
    });
    expect(await readJson(post('{"name":null}'))).toEqual({ ok: true, data: { name: null } });
  });

  test('bytes of another type than asked for are refused', async () => {
    const zip = post(new Uint8Array([80, 75]), 'application/zip');
    const read = await readBytes(zip, /^application\/zip\b/, 'a ZIP', 100);
    expect(read.ok && [...read.data]).toEqual([80, 75]);
    expect(await readBytes(post('{}'), /^application\/zip\b/, 'a ZIP', 100)).toMatchObject({
      answer: { status: 415, body: { error: 'Send a ZIP.' } },
    });
  });
});

describe('answers', () => {
  test('bear their headers, and a file its name', async () => {
    const response = respond({ ...ok([1]), headers: { 'x-total-count': '7' } });
    expect([response.status, response.headers.get('x-total-count')]).toEqual([200, '7']);
    const file = download('a,b', 'list.csv', 'text/csv');
    expect(file.headers.get('content-disposition')).toBe('attachment; filename="list.csv"');
    expect(await file.text()).toBe('a,b');
  });

  test.each([
    ['locked', 503, 'Another program'],
    ['full', 507, 'disk is full'],
    ['read-only', 503, 'cannot be written'],
    ['corrupt', 503, 'copies'],
    ['newer', 503, 'newer Zephyron'],
    ['unreachable', 503, 'DATABASE_URL'],
  ] as const)('a database that is %s is told with what to do', async (trouble, status, words) => {
    const response = await safely(() => Promise.reject(new StoreTroubleError(trouble)));
    expect(response.status).toBe(status);
    const body = (await response.json()) as { readonly error: string; readonly trouble: string };
    expect(body.trouble).toBe(trouble);
    expect(body.error).toContain(words);
    expect(response.headers.get('retry-after')).toBe(trouble === 'locked' ? '2' : null);
    const page = await readForPage(() => Promise.reject(new StoreTroubleError(trouble)));
    expect(page).toEqual({ ok: false, words: body.error });
  });

  test('a trouble told by another bundle of the server is the same trouble', async () => {
    const foreign = Object.assign(new Error('elsewhere'), {
      name: 'StoreTroubleError',
      trouble: 'corrupt',
    });
    expect((await safely(() => Promise.reject(foreign))).status).toBe(503);
    expect((await readForPage(() => Promise.reject(foreign))).ok).toBe(false);
  });

  test('a page shows a fault of ours as a fault, not as a trouble of the database', async () => {
    await expect(readForPage(() => Promise.reject(new Error('bug')))).rejects.toThrow('bug');
    expect(await readForPage(() => Promise.resolve(4))).toEqual({ ok: true, value: 4 });
  });

  test('over time and a full queue say when to come again', async () => {
    for (const error of [new OverTimeError('evaluate', 2000), new PoolFullError()]) {
      const answer = await pooled(() => Promise.reject(error));
      expect(answer).toMatchObject({ status: 503, headers: { 'retry-after': '2' } });
      // A page says it too, rather than that it broke.
      const { error: words } = answer.body as { readonly error: string };
      expect(await readForPage(() => Promise.reject(error))).toEqual({ ok: false, words });
    }
    const large = Object.assign(new Error('heap'), { code: 'ERR_WORKER_OUT_OF_MEMORY' });
    expect((await pooled(() => Promise.reject(large))).status).toBe(413);
    await expect(pooled(() => Promise.reject(new Error('bug')))).rejects.toThrow('bug');
  });

  test('lines of a watched task end with the trouble, where there is one', async () => {
    const asked = new Request('http://127.0.0.1/x', {
      headers: { accept: 'application/x-ndjson' },
    });
    const lines = async (work: () => Promise<ReturnType<typeof ok>>): Promise<string[]> =>
      (await (await respondWatched(asked, work)).text()).trim().split('\n');
    const [full] = await lines(() => Promise.reject(new StoreTroubleError('full')));
    expect(JSON.parse(full as string)).toMatchObject({ status: 507, body: { trouble: 'full' } });
    jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const [fault] = await lines(() => Promise.reject(new Error('secret path /var/x')));
    expect(fault).not.toContain('secret');
    expect(JSON.parse(fault as string)).toMatchObject({ status: 500 });
    const [last] = await lines(() => Promise.resolve(refuse(404, 'There is no such build.')));
    expect(JSON.parse(last as string)).toMatchObject({ status: 404 });
    jest.restoreAllMocks();
  });
});

describe('what an error says of the database', () => {
  const coded = (code: string, message = ''): Error => Object.assign(new Error(message), { code });
  test.each<[Error, StoreTrouble | null]>([
    [coded('SQLITE_BUSY'), 'locked'],
    [coded('SQLITE_BUSY_SNAPSHOT'), 'locked'],
    [coded('SQLITE_LOCKED'), 'locked'],
    [coded('SQLITE_FULL'), 'full'],
    [coded('ENOSPC', 'no space left on device'), 'full'],
    [coded('SQLITE_READONLY_DBMOVED'), 'read-only'],
    [coded('EROFS'), 'read-only'],
    [coded('SQLITE_CORRUPT'), 'corrupt'],
    [coded('SQLITE_NOTADB'), 'corrupt'],
    [coded('SQLITE_CANTOPEN'), 'unreachable'],
    [coded('EACCES'), 'unreachable'],
    [new Error('outer', { cause: coded('SQLITE_FULL') }), 'full'],
    [new StoreTroubleError('newer'), 'newer'],
    [coded('SQLITE_CONSTRAINT'), null],
    [new TypeError('x is not a function'), null],
  ])('%s', (error, trouble) => {
    expect(storeTroubleOf(error)).toBe(trouble);
    if (trouble) expect(troubleAnswer(trouble).status).toBeGreaterThanOrEqual(503);
  });
});
