import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import type { Backup, BuildInBackup, PhotoInBackup } from '@/core/backup';
import type { Validated } from '@/core/validation';
import { msg, formatNumber } from '@/core/messages';
import { pictureType } from './pictureType';

export const BACKUP_FORMAT = 'zephyron-backup';
const BACKUP_VERSION = 1;
const INDEX = 'backup.json';
/** Most bytes that a backup may unpack to: a small ZIP can hold a very large file. */
const MOST_BYTES = 1_500_000_000;

/** Names of files: ids hold letters, digits, dots and dashes, but are not trusted to. */
const fileName = (id: string): string => encodeURIComponent(id).slice(0, 200);

/**
 * A ZIP of open JSON: `backup.json` says what there is; `builds/ID.zephyron.json` and
 * `parts/ID.json` are the documents as kept, `history/ID/REVISION.json` the earlier states,
 * `photos/ID/PHOTO` the pictures.
 */
export function backupToZip(backup: Backup, now: number): Uint8Array {
  const files: Zippable = {};
  for (const { id, document, history, photos } of backup.builds) {
    files[`builds/${fileName(id)}.zephyron.json`] = strToU8(document);
    for (const moment of history)
      files[`history/${fileName(id)}/${moment.revision}.json`] = strToU8(moment.document);
    // Pictures are packed already.
    for (const photo of photos)
      files[`photos/${fileName(id)}/${fileName(photo.id)}`] = [photo.picture, { level: 0 }];
  }
  for (const { id, document } of backup.parts)
    files[`parts/${fileName(id)}.json`] = strToU8(document);
  const index = {
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    made: new Date(now).toISOString(),
    builds: backup.builds.map(({ document: _document, history, photos, ...rest }) => ({
      ...rest,
      photos: photos.map(({ picture: _picture, ...photo }) => photo),
      history: history.map(({ document: _text, ...moment }) => moment),
    })),
    parts: backup.parts.map(({ document: _document, ...rest }) => rest),
    retired: backup.retired,
    seeds: backup.seeds,
  };
  files[INDEX] = strToU8(`${JSON.stringify(index, null, 1)}\n`);
  return zipSync(files, { level: 6, mtime: now });
}

const wrong = (path: string, message: string): Validated<never> => ({
  ok: false,
  troubles: [{ path, message }],
});

/** The contents of such a ZIP, or where it is wrong. Never throws. */
export function backupFromZip(zip: Uint8Array): Validated<Backup> {
  let files: Record<string, Uint8Array>;
  let size = 0;
  try {
    files = unzipSync(zip, {
      filter: ({ originalSize }) => {
        size += originalSize;
        return size <= MOST_BYTES;
      },
    });
  } catch {
    return wrong('', msg`This is no ZIP file, or it is damaged. Nothing was changed.`);
  }
  if (size > MOST_BYTES)
    return wrong(
      '',
      msg`The backup unpacks to more than ${formatNumber(MOST_BYTES)} bytes. Nothing was
        changed.`,
    );
  const index = readIndex(files[INDEX]);
  if (!index.ok) return index;
  return contentsOf(index.value, files);
}

function readIndex(file: Uint8Array | undefined): Validated<Readonly<Record<string, unknown>>> {
  if (!file)
    return wrong(INDEX, msg`is missing: this is no backup of Zephyron. Nothing was changed.`);
  let index: unknown;
  try {
    index = JSON.parse(strFromU8(file));
  } catch {
    return wrong(INDEX, msg`is not JSON. Nothing was changed.`);
  }
  const { format, version } = (index ?? {}) as Readonly<Record<string, unknown>>;
  if (format !== BACKUP_FORMAT)
    return wrong(`${INDEX}: format`, msg`must be "${BACKUP_FORMAT}". Nothing was changed.`);
  if (version !== BACKUP_VERSION)
    return wrong(
      `${INDEX}: version`,
      msg`is ${String(version).slice(0, 20)}; this Zephyron reads ${BACKUP_VERSION}. Nothing was
        changed.`,
    );
  return { ok: true, value: index as Readonly<Record<string, unknown>> };
}

class BackupFault extends Error {
  constructor(
    readonly path: string,
    message: string,
  ) {
    super(message);
  }
}

function contentsOf(
  index: Readonly<Record<string, unknown>>,
  files: Readonly<Record<string, Uint8Array>>,
): Validated<Backup> {
  const fileOf = (path: string): Uint8Array => {
    const file = files[path];
    if (!file) throw new BackupFault(path, msg`is missing in the backup. Nothing was changed.`);
    return file;
  };
  const textOf = (path: string): string => strFromU8(fileOf(path));
  try {
    return {
      ok: true,
      value: {
        builds: rowsOf(index, 'builds').map((row, i): BuildInBackup => {
          const place = `${INDEX}: builds[${i}]`,
            id = stringOf(row, 'id', place);
          return {
            id,
            name: stringOf(row, 'name', place),
            revision: numberOf(row, 'revision', place),
            demo: row.demo === null ? null : stringOf(row, 'demo', place),
            createdAt: numberOf(row, 'createdAt', place),
            updatedAt: numberOf(row, 'updatedAt', place),
            deletedAt: row.deletedAt === null ? null : numberOf(row, 'deletedAt', place),
            document: textOf(`builds/${fileName(id)}.zephyron.json`),
            // Backups made before there were photos have none.
            photos: (row.photos === undefined ? [] : rowsOf(row, 'photos')).map((photo) =>
              photoOf(photo, `${place}.photos`, (file) =>
                fileOf(`photos/${fileName(id)}/${fileName(file)}`),
              ),
            ),
            history: rowsOf(row, 'history').map((moment) => {
              const revision = numberOf(moment, 'revision', `${place}.history`);
              return {
                revision,
                savedAt: numberOf(moment, 'savedAt', `${place}.history`),
                name: moment.name === null ? null : stringOf(moment, 'name', `${place}.history`),
                document: textOf(`history/${fileName(id)}/${revision}.json`),
              };
            }),
          };
        }),
        parts: rowsOf(index, 'parts').map((row, i) => {
          const place = `${INDEX}: parts[${i}]`,
            id = stringOf(row, 'id', place);
          return {
            id,
            kind: stringOf(row, 'kind', place),
            updatedAt: numberOf(row, 'updatedAt', place),
            deletedAt: row.deletedAt === null ? null : numberOf(row, 'deletedAt', place),
            document: textOf(`parts/${fileName(id)}.json`),
          };
        }),
        retired: rowsOf(index, 'retired').map((row, i) => ({
          id: stringOf(row, 'id', `${INDEX}: retired[${i}]`),
          at: numberOf(row, 'at', `${INDEX}: retired[${i}]`),
        })),
        seeds: rowsOf(index, 'seeds').map((row, i) => ({
          name: stringOf(row, 'name', `${INDEX}: seeds[${i}]`),
          at: numberOf(row, 'at', `${INDEX}: seeds[${i}]`),
        })),
      },
    };
  } catch (error) {
    if (error instanceof BackupFault) return wrong(error.path, error.message);
    throw error;
  }
}

function photoOf(row: Row, place: string, pictureOf: (id: string) => Uint8Array): PhotoInBackup {
  const id = stringOf(row, 'id', place);
  const picture = pictureOf(id),
    type = pictureType(picture);
  if (type === null) throw new BackupFault(`${place}.${id}`, msg`is no JPEG, PNG or WebP.`);
  return {
    id,
    step: stringOf(row, 'step', place),
    takenAt: numberOf(row, 'takenAt', place),
    type,
    picture,
    deletedAt: row.deletedAt === null ? null : numberOf(row, 'deletedAt', place),
  };
}

type Row = Readonly<Record<string, unknown>>;

function rowsOf(of: Row, key: string): readonly Row[] {
  const list = of[key];
  if (!Array.isArray(list)) throw new BackupFault(`${INDEX}: ${key}`, msg`must be a list.`);
  return list.map((row: unknown) =>
    typeof row === 'object' && row !== null ? (row as Row) : ({} as Row),
  );
}

function stringOf(row: Row, key: string, place: string): string {
  const value = row[key];
  if (typeof value !== 'string' || value.length > 400)
    throw new BackupFault(`${place}.${key}`, msg`must be a text of at most 400 characters.`);
  return value;
}

function numberOf(row: Row, key: string, place: string): number {
  const value = row[key];
  if (typeof value !== 'number' || !Number.isFinite(value))
    throw new BackupFault(`${place}.${key}`, msg`must be a number.`);
  return value;
}
