import { msg } from '@/core/messages';

/**
 * What can be wrong with the database, each with its own way out: locked by another program, no
 * space left, not to be written, damaged, written by a newer Zephyron, or not to be reached.
 */
export const STORE_TROUBLES = [
  'locked',
  'full',
  'read-only',
  'corrupt',
  'newer',
  'unreachable',
] as const;
export type StoreTrouble = (typeof STORE_TROUBLES)[number];

/** The database refused: nothing was written. */
export class StoreTroubleError extends Error {
  constructor(
    readonly trouble: StoreTrouble,
    cause?: unknown,
  ) {
    super(msg`The database is in trouble: ${trouble}.`, { cause });
    this.name = 'StoreTroubleError';
  }
}

/**
 * The trouble that a store has told of; null for any other error. Known by name: the store of a
 * process is shared by parts of the server that were bundled apart, each with this class.
 */
export function troubleTold(error: unknown): StoreTrouble | null {
  const { name, trouble } = (error ?? {}) as {
    readonly name?: unknown;
    readonly trouble?: unknown;
  };
  return name === 'StoreTroubleError' ? (trouble as StoreTrouble) : null;
}

/** What the database says, by code or by words, in the order they are tried. */
const SAYINGS: readonly (readonly [StoreTrouble, RegExp])[] = [
  ['locked', /SQLITE_(BUSY|LOCKED)|database (table )?is locked/],
  ['full', /SQLITE_FULL|SQLITE_IOERR_WRITE|ENOSPC|database or disk is full/],
  ['read-only', /SQLITE_READONLY|EROFS|attempt to write a readonly database/],
  ['corrupt', /SQLITE_(CORRUPT|NOTADB)|malformed|file is not a database/],
  [
    'unreachable',
    /SQLITE_(CANTOPEN|IOERR)|EACCES|EPERM|ENOTDIR|ECONNREFUSED|ENOTFOUND|fetch failed|unable to open database/,
  ],
];

/** What an error, or anything it was made of, says of the database; null for a fault of our own. */
export function storeTroubleOf(error: unknown): StoreTrouble | null {
  let at: unknown = error;
  while (typeof at === 'object' && at !== null) {
    const told = troubleTold(at);
    if (told) return told;
    const { code, message, cause } = at as { code?: unknown; message?: unknown; cause?: unknown };
    const said = `${String(code ?? '')} ${String(message ?? '')}`;
    const known = SAYINGS.find(([, words]) => words.test(said));
    if (known) return known[0];
    at = cause;
  }
  return null;
}
