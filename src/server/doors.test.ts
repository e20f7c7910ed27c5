import { describe, expect, test } from '@jest/globals';
import { badRequest, whyNotServed } from '../../scripts/doors.mjs';

describe('which requests reach the app', () => {
  const at = (method: string, url: string, localAddress = '127.0.0.1') =>
    badRequest({ method, url, localAddress })?.[0] ?? null;

  test.each([
    ['GET', '/', null],
    ['PATCH', '/api/builds/a', null],
    ['GET', '/builds/%C3%A4', null],
    ['GET', '/?q=%E0%A4%A', null],
    ['TRACE', '/', 405],
    ['PROPFIND', '/', 405],
    ['GET', '*', 400],
    ['GET', 'http://evil.example/', 400],
    ['GET', '//evil.example/', 400],
    ['GET', '/builds/%E0%A4%A', 400],
    ['GET', '/%', 400],
  ])('%s %s: %s', (method, url, status) => {
    expect(at(method, url)).toBe(status);
  });

  test('on another address than this machine nothing is, without a passphrase', () => {
    expect(at('GET', '/', '192.168.1.5')).toBe(403);
    expect(at('GET', '/', '::ffff:127.0.0.1')).toBeNull();
    process.env.ZEPHYRON_PASSPHRASE = 'wren reed willow';
    expect(at('GET', '/', '192.168.1.5')).toBeNull();
    delete process.env.ZEPHYRON_PASSPHRASE;
  });
});

describe('where the app may listen', () => {
  test.each([
    ['127.0.0.1', undefined, null],
    ['localhost', undefined, null],
    ['::1', undefined, null],
    ['0.0.0.0', undefined, /set ZEPHYRON_PASSPHRASE/],
    ['192.168.1.5', 'wren reed willow', null],
    ['127.0.0.1', 'short', /at least 12/],
  ])('%s with %s', (host, passphrase, words) => {
    const why = whyNotServed(host, passphrase);
    if (words === null) expect(why).toBeNull();
    else expect(why).toMatch(words);
  });
});
