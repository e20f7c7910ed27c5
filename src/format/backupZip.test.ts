import { describe, expect, test } from '@jest/globals';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import fc from 'fast-check';
import type { Backup } from '@/core/backup';
import { backupFromZip, backupToZip } from '.';

const NOW = Date.UTC(2026, 10, 28);
const backup: Backup = {
  builds: [
    {
      id: 'reed-1',
      name: 'Reed ÄÖ → 漢',
      revision: 3,
      document: '{ "odd":   "spacing" }\n',
      demo: null,
      createdAt: 1,
      updatedAt: 2,
      deletedAt: null,
      history: [
        { revision: 1, savedAt: 1, name: 'first', document: '{"a":1}' },
        { revision: 3, savedAt: 2, name: null, document: '{ "odd":   "spacing" }\n' },
      ],
      photos: [
        {
          id: 'photo-01',
          step: 'strip card',
          takenAt: 4,
          type: 'image/jpeg',
          picture: new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]),
          deletedAt: null,
        },
      ],
    },
    {
      id: '../../etc/passwd',
      name: 'Climbing',
      revision: 1,
      document: '{}',
      demo: 'x',
      createdAt: 1,
      updatedAt: 2,
      deletedAt: 9,
      history: [],
      photos: [],
    },
  ],
  parts: [{ id: 'own-1', kind: 'fan', document: '{"k":1}', updatedAt: 5, deletedAt: null }],
  retired: [{ id: 'fan-x', at: 7 }],
  seeds: [{ name: 'desk', at: 8 }],
};
const files = (): Record<string, Uint8Array> => unzipSync(backupToZip(backup, NOW));
const told = (zip: Uint8Array): string => {
  const read = backupFromZip(zip);
  if (read.ok) throw new Error('it was read');
  return read.troubles.map((t) => `${t.path}: ${t.message}`).join('\n');
};

describe('a backup as a ZIP', () => {
  test('comes back as it was, to the byte', () => {
    expect(backupFromZip(backupToZip(backup, NOW))).toEqual({ ok: true, value: backup });
  });

  test('is open: any unpacker finds the documents as files, and no name climbs out', () => {
    const names = Object.keys(files());
    expect(strFromU8(files()['builds/reed-1.zephyron.json'] as Uint8Array)).toBe(
      backup.builds[0]?.document,
    );
    expect(names.some((n) => n.includes('..%2F'))).toBe(true);
    expect(names.every((n) => !n.split('/').includes('..'))).toBe(true);
  });

  test.each([
    ['no ZIP', strToU8('hello'), 'no ZIP file'],
    ['no index', zipSync({ 'a.json': strToU8('{}') }), 'backup.json: is missing'],
    ['an index that is no JSON', zipSync({ 'backup.json': strToU8('{') }), 'is not JSON'],
    [
      'another format',
      zipSync({ 'backup.json': strToU8('{"format":"other","version":1}') }),
      'format: must be',
    ],
    [
      'a newer version',
      zipSync({ 'backup.json': strToU8('{"format":"zephyron-backup","version":2}') }),
      'version: is 2',
    ],
    [
      'no lists',
      zipSync({ 'backup.json': strToU8('{"format":"zephyron-backup","version":1}') }),
      'builds: must be a list',
    ],
  ])('%s is refused with its place', (_, zip, words) => {
    expect(told(zip)).toContain(words);
  });

  test('a document that is missing is named', () => {
    const { ['history/reed-1/1.json']: _gone, ...rest } = files();
    expect(told(zipSync(rest))).toContain('history/reed-1/1.json: is missing');
  });

  test('a field of the wrong kind is named with its row', () => {
    const index = JSON.parse(strFromU8(files()['backup.json'] as Uint8Array)) as {
      builds: { revision: unknown }[];
    };
    (index.builds[1] as { revision: unknown }).revision = 'three';
    const zip = zipSync({ ...files(), 'backup.json': strToU8(JSON.stringify(index)) });
    expect(told(zip)).toContain('builds[1].revision: must be a number');
  });

  test('damaged anywhere, it is refused or read, and never throws', () => {
    const zip = backupToZip(backup, NOW);
    fc.assert(
      fc.property(fc.nat(zip.length - 1), fc.nat(255), (at, value) => {
        const damaged = zip.slice();
        damaged[at] = value;
        const read = backupFromZip(damaged);
        if (!read.ok) expect(read.troubles[0]?.message.length).toBeGreaterThan(5);
      }),
      { numRuns: 300 },
    );
  });
});
