import { afterEach, describe, expect, test } from '@jest/globals';
import { NextRequest } from 'next/server';
import { proxy } from './proxy';
import {
  closeSession,
  isSession,
  openSession,
  resetGate,
  SESSION_COOKIE,
  SESSION_MS,
  sessionCookie,
  tryPassphrase,
} from '@/server/session';

const ask = (
  host: string,
  init: { method?: string; headers?: Record<string, string> } = {},
): number =>
  proxy(
    new NextRequest(`http://${host}/api/builds`, {
      method: init.method ?? 'GET',
      headers: { host, ...init.headers },
    }),
  ).status;

afterEach(() => {
  delete process.env.ZEPHYRON_PASSPHRASE;
  resetGate();
});

describe('who may talk to the app', () => {
  test.each(['127.0.0.1:4310', 'localhost:4310', '[::1]:4310'])('%s is this machine', (host) => {
    expect(ask(host)).toBe(200);
  });

  test.each(['evil.example', '192.168.1.5:4310', '127.0.0.1.evil.example'])(
    '%s is not, without a passphrase',
    (host) => {
      expect(ask(host)).toBe(403);
    },
  );

  test('with a passphrase, those who know it', () => {
    process.env.ZEPHYRON_PASSPHRASE = 'wren and reed';
    expect(ask('192.168.1.5:4310')).toBe(401);
    expect(
      ask('192.168.1.5:4310', { headers: { authorization: `Basic ${btoa('me:wrong')}` } }),
    ).toBe(401);
    expect(ask('192.168.1.5:4310', { headers: { authorization: 'Basic %%%' } })).toBe(401);
    expect(
      ask('192.168.1.5:4310', { headers: { authorization: `Basic ${btoa('me:wren and reed')}` } }),
    ).toBe(200);
    expect(
      ask('192.168.1.5:4310', { headers: { authorization: `bASIC ${btoa('x:wren and reed')}` } }),
    ).toBe(200);
  });

  test('a session is known by its cookie, until it is closed', () => {
    process.env.ZEPHYRON_PASSPHRASE = 'wren and reed';
    const token = openSession(),
      headers = { cookie: `${SESSION_COOKIE}=${token}` };
    expect(ask('192.168.1.5:4310', { headers })).toBe(200);
    expect(ask('192.168.1.5:4310', { headers: { cookie: `${SESSION_COOKIE}=${token}x` } })).toBe(
      401,
    );
    closeSession(token);
    expect(ask('192.168.1.5:4310', { headers })).toBe(401);
    const late = openSession(0);
    expect(isSession(late, SESSION_MS - 1)).toBe(true);
    expect(isSession(late, SESSION_MS)).toBe(false);
    expect(sessionCookie('t', true)).toMatch(/HttpOnly; SameSite=Strict; Max-Age=\d+; Secure$/);
    expect(sessionCookie(null, false)).toMatch(/Max-Age=0$/);
  });

  test('after five wrong tries each further one waits twice as long, right or wrong', () => {
    const said = (words: string, at: number) => tryPassphrase(words, 'wren and reed', at);
    for (let i = 0; i < 4; i += 1) expect(said('guess', 0)).toEqual({ kind: 'wrong' });
    expect(said('guess', 0)).toEqual({ kind: 'wrong' });
    expect(said('wren and reed', 1999)).toEqual({ kind: 'wait', seconds: 1 });
    expect(said('guess', 2000)).toEqual({ kind: 'wrong' });
    expect(said('guess', 5999)).toEqual({ kind: 'wait', seconds: 1 });
    expect(said('wren and reed', 6000)).toEqual({ kind: 'right' });
    expect(said('guess', 6001)).toEqual({ kind: 'wrong' });
  });

  test('the page where the passphrase is said is open; a page leads there, a call does not', () => {
    process.env.ZEPHYRON_PASSPHRASE = 'wren and reed';
    const at = (path: string, accept: string) =>
      proxy(
        new NextRequest(`http://192.168.1.5:4310${path}`, {
          headers: { host: '192.168.1.5:4310', accept },
        }),
      );
    expect(at('/enter', 'text/html').status).toBe(200);
    const led = at('/builds/one/heat', 'text/html');
    expect([led.status, new URL(led.headers.get('location') ?? '').pathname]).toEqual([
      303,
      '/enter',
    ]);
    expect(at('/api/builds', 'text/html').status).toBe(401);
  });

  test('what goes on says which page was asked for', () => {
    const page = 'http://127.0.0.1:4310/builds/fenland-flood-tower/cooling?view=answer';
    const headers = { host: '127.0.0.1:4310', 'x-path': '/made/up' };
    const on = proxy(new NextRequest(page, { headers })).headers;
    expect(on.get('x-middleware-request-x-path')).toBe('/builds/fenland-flood-tower/cooling');
  });

  test('what goes on bears a policy whose number is new each time, and no inline scripts', () => {
    const policy = (): string =>
      proxy(
        new NextRequest('http://127.0.0.1:4310/', { headers: { host: '127.0.0.1:4310' } }),
      ).headers.get('content-security-policy') ?? '';
    const one = policy();
    expect(one).toMatch(/script-src 'self' 'nonce-[A-Za-z0-9+/=]{24}' 'strict-dynamic'/);
    expect(/script-src [^;]*unsafe-inline/.test(one)).toBe(false);
    expect(policy()).not.toBe(one);
  });

  test("another site's page may not send its visitors for what costs", () => {
    const from = (path: string, site: string): number =>
      proxy(
        new NextRequest(`http://127.0.0.1:4310${path}`, {
          headers: { host: '127.0.0.1:4310', 'sec-fetch-site': site },
        }),
      ).status;
    for (const path of ['/api/backup', '/api/proof', '/api/builds/x/pdf', '/api/builds/x/list']) {
      expect(from(path, 'cross-site')).toBe(403);
      expect(from(path, 'same-site')).toBe(403);
      expect(from(path, 'same-origin')).toBe(200);
    }
    expect(from('/', 'cross-site')).toBe(200);
  });

  test('served by something that does not say where it is bound, production refuses', () => {
    const env = process.env as Record<string, string | undefined>,
      before = env.NODE_ENV;
    env.NODE_ENV = 'production';
    expect(ask('127.0.0.1:4310')).toBe(403);
    env.ZEPHYRON_BOUND = '0.0.0.0';
    expect(ask('127.0.0.1:4310')).toBe(403);
    env.ZEPHYRON_BOUND = '127.0.0.1';
    expect(ask('127.0.0.1:4310')).toBe(200);
    delete env.ZEPHYRON_BOUND;
    env.NODE_ENV = before;
  });

  test("changes from another site's page are refused", () => {
    expect(
      ask('127.0.0.1:4310', { method: 'POST', headers: { origin: 'http://evil.example' } }),
    ).toBe(403);
    expect(ask('127.0.0.1:4310', { method: 'POST', headers: { origin: 'null' } })).toBe(403);
    expect(
      ask('127.0.0.1:4310', { method: 'DELETE', headers: { 'sec-fetch-site': 'cross-site' } }),
    ).toBe(403);
    expect(
      ask('127.0.0.1:4310', {
        method: 'POST',
        headers: { origin: 'http://127.0.0.1:4310', 'sec-fetch-site': 'same-origin' },
      }),
    ).toBe(200);
    expect(ask('127.0.0.1:4310', { method: 'PUT' })).toBe(200);
  });
});
