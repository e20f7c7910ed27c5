import { afterEach, describe, expect, test } from '@jest/globals';
import { NextRequest } from 'next/server';
import { proxy } from './proxy';

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
