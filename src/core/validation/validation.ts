import type Joi from 'joi';
import {
  applyEdit,
  BUILD_BYTES,
  BUILD_FORMAT,
  BUILD_VERSION,
  EditError,
  looseReferences,
  type Applied,
  type Design,
  type Edit,
  type Reading,
} from '../design';
import { migrate } from '../design/migrate';
import { designSchema, componentSchema, loopSchema, readingsSchema } from '../design/schema';
import type { Part } from '../components';
import { migratePart } from '../components/migrate';
import { PART_SCHEMAS } from '../components/schema';
import { msg, formatNumber } from '../messages';
import { issueWords } from './issueWords';

/** One thing wrong with what came in: where, what, and what is allowed. */
export interface ValidationIssue {
  readonly path: string;
  readonly message: string;
}
export type Validated<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly troubles: readonly ValidationIssue[] };

export const LIMITS = {
  bytes: BUILD_BYTES,
  depth: 24,
  troubles: 20,
  /** Values of any kind in one document, lists and objects included; the largest demo has 3,500. */
  values: 100_000,
  /** Entries of one list or object. */
  entries: 2_000,
  parts: 120,
  loops: 8,
  /**
   * Connections of all loops together: with more, no builder and no computation comes to an end.
   */
  connections: 240,
  /** Points that runs are led through, of all runs together: each lengthens the search. */
  waypoints: 480,
  /** Fans on one radiator: both faces of the longest, and room for a mistake. */
  fansOnRadiator: 24,
} as const;

const fail = (
  path: string,
  message: string,
): { readonly ok: false; readonly troubles: readonly ValidationIssue[] } => ({
  ok: false,
  troubles: [{ path, message }],
});

/**
 * Reads a build document from text: size, JSON, depth, format, version, schema and references, in
 * that order. Never throws.
 */
export function parseDesign(textIn: string): Validated<Design> {
  if (textIn.length > LIMITS.bytes)
    return fail(
      '',
      msg`The file has ${formatNumber(textIn.length)} characters; at most
        ${formatNumber(LIMITS.bytes)} are read.`,
    );
  let data: unknown;
  try {
    data = JSON.parse(textIn);
  } catch (error) {
    return fail('', msg`This is not JSON: ${(error as Error).message.slice(0, 160)}`);
  }
  return validateDesign(data);
}

/** The same for data that is parsed already. */
export function validateDesign(data: unknown): Validated<Design> {
  const counted = countIssue(data);
  if (counted) return { ok: false, troubles: [counted] };
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return fail('', msg`A build is a JSON object; this is none.`);
  const document = data as Record<string, unknown>;
  if (document.format !== BUILD_FORMAT)
    return fail('format', msg`This is no build file: format must be "${BUILD_FORMAT}".`);
  const { version } = document;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    return fail('version', msg`The version must be a whole number.`);
  if (version > BUILD_VERSION)
    return fail(
      'version',
      msg`This build was written by a newer Zephyron (version ${version}); this one reads up to
        ${BUILD_VERSION}. Nothing was changed.`,
    );
  const checked = check<Design>(designSchema, migrate(document));
  if (!checked.ok) return checked;
  const loose = looseReferences(checked.value);
  return loose.length > 0 ? { ok: false, troubles: loose.slice(0, LIMITS.troubles) } : checked;
}

/** A part of any kind. */
export function validatePart(data: unknown): Validated<Part> {
  const shape = shapeIssue(data);
  if (shape) return { ok: false, troubles: [shape] };
  const part = migratePart(data);
  const kind = (part as { kind?: unknown } | null)?.kind;
  if (typeof kind !== 'string' || !Object.hasOwn(PART_SCHEMAS, kind))
    return fail('kind', msg`The kind must be one of ${Object.keys(PART_SCHEMAS).join(', ')}.`);
  return check<Part>(PART_SCHEMAS[kind as keyof typeof PART_SCHEMAS], part);
}

/** Readings of a finished machine, from a file or a device. */
export function validateReadings(data: unknown): Validated<readonly Reading[]> {
  const shape = shapeIssue(data);
  if (shape) return { ok: false, troubles: [shape] };
  return check<readonly Reading[]>(readingsSchema, data);
}

/** Applies an edit and lets it stand only if the build it gives passes the guard. */
export function validateEdit(design: Design, edit: Edit): Validated<Applied> {
  let applied: Applied;
  try {
    applied = applyEdit(design, edit);
  } catch (error) {
    return fail(
      error instanceof EditError ? error.place : '',
      error instanceof EditError ? error.message : msg`This edit cannot be applied to this build.`,
    );
  }
  const checked = validateDesign(applied.design);
  return checked.ok ? { ok: true, value: { ...applied, design: checked.value } } : checked;
}

/**
 * A design after patches (JSON paths with values) that came over the wire, let stand only if it
 * passes the guard.
 */
export function patchDesign(design: Design, patches: unknown): Validated<Design> {
  const issue = shapeIssue(patches);
  if (issue) return { ok: false, troubles: [issue] };
  if (!isPatchList(patches)) return fail('patches', msg`must be a list of { op, path, value }`);
  const edited = validateEdit(design, { do: 'patch', patches });
  return edited.ok ? { ok: true, value: edited.value.design } : edited;
}

type Patches = Extract<Edit, { do: 'patch' }>['patches'];

const isPatchList = (value: unknown): value is Patches =>
  Array.isArray(value) &&
  value.every((patch: unknown) => {
    const { op, path } = (patch ?? {}) as Readonly<Record<string, unknown>>;
    return (
      ['add', 'replace', 'remove'].includes(op as string) &&
      Array.isArray(path) &&
      path.every((step) => ['string', 'number'].includes(typeof step)) &&
      !path.some((step) => FORBIDDEN_KEYS.has(step as string))
    );
  });

const FORBIDDEN_KEYS: ReadonlySet<string> = new Set(['__proto__', 'constructor', 'prototype']);

function check<T>(schema: Joi.Schema, data: unknown): Validated<T> {
  const { value, error } = schema.validate(data, { ...OPTIONS, abortEarly: true });
  if (!error) return { ok: true, value: value as T };
  const troubles =
    schema === designSchema ? designIssues(data as Record<string, unknown>) : all(schema, data);
  return { ok: false, troubles: troubles.length > 0 ? troubles : error.details.map(troubleOf) };
}

const OPTIONS = { convert: false, errors: { wrap: { label: false } } } as const;
const troubleOf = (
  d: Joi.ValidationErrorItem,
  _i?: unknown,
  _all?: unknown,
  before: readonly (string | number)[] = [],
): ValidationIssue => ({ path: pathOf([...before, ...d.path]), message: issueWords(d) });

/** What is wrong with one small piece, all of it. */
function all(
  schema: Joi.Schema,
  data: unknown,
  before: readonly (string | number)[] = [],
): ValidationIssue[] {
  const { error } = schema.validate(data, { ...OPTIONS, abortEarly: false });
  return (error?.details ?? [])
    .slice(0, LIMITS.troubles)
    .map((d) => troubleOf(d, null, null, before));
}

/**
 * What is wrong with a build, piece by piece, until there is enough to tell: a list of thousands of
 * wrong entries is not read to its end.
 */
function designIssues(document: Record<string, unknown>): ValidationIssue[] {
  const troubles: ValidationIssue[] = [];
  const lists: Record<string, Joi.Schema> = { components: componentSchema, loops: loopSchema };
  for (const [key, entry] of Object.entries(lists)) {
    const list = document[key];
    if (!Array.isArray(list)) continue;
    for (let i = 0; i < list.length && troubles.length < LIMITS.troubles; i += 1)
      troubles.push(...all(entry, list[i], [key, i]));
  }
  const found = troubles.length > 0;
  // The rest of the document, with its lists left out where their entries have said what is wrong.
  const rest = found ? { ...document, components: [], loops: [] } : document;
  return [...troubles, ...all(designSchema, rest)].slice(0, LIMITS.troubles);
}

const pathOf = (path: readonly (string | number)[]): string =>
  path
    .map((p, i) => {
      if (typeof p === 'number') return `[${p}]`;
      if (i === 0) return p;
      return `.${p}`;
    })
    .join('')
    .slice(0, 200);

/**
 * What no document may have, whatever its schema: too many values, levels or entries, keys that
 * reach for prototypes, more connections or fans than any computation should meet. Counted before
 * anything is validated; each value is looked at once.
 */
export function countIssue(data: unknown): ValidationIssue | null {
  return shapeIssue(data) ?? costIssue(data);
}

/** Walks level by level, so that depth cannot exhaust the stack. */
function shapeIssue(data: unknown): ValidationIssue | null {
  let level: { readonly value: unknown; readonly path: string }[] = [{ value: data, path: '' }];
  let values = 1;
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > LIMITS.depth)
      return { path: '', message: msg`The document is nested deeper than ${LIMITS.depth} levels.` };
    const next: typeof level = [];
    for (const { value, path } of level) {
      if (typeof value !== 'object' || value === null) continue;
      const keys = Object.keys(value);
      if (keys.length > LIMITS.entries)
        return {
          path: path.slice(0, 200),
          message: msg`This has ${formatNumber(keys.length)} entries; at most
            ${formatNumber(LIMITS.entries)} are read.`,
        };
      values += keys.length;
      if (values > LIMITS.values)
        return {
          path: '',
          message: msg`The document has more than ${formatNumber(LIMITS.values)} values.`,
        };
      const list = Array.isArray(value);
      for (const key of keys) {
        if (FORBIDDEN_KEYS.has(key))
          return { path: path.slice(0, 200), message: msg`The key "${key}" is not allowed.` };
        const inner = (value as Record<string, unknown>)[key];
        if (typeof inner === 'object' && inner !== null)
          next.push({ value: inner, path: childPath(path, key, list) });
      }
    }
    level = next;
  }
  return null;
}

function childPath(path: string, key: string, list: boolean): string {
  if (list) return `${path}[${key}]`;
  return path === '' ? key : `${path}.${key}`;
}

/**
 * Lists whose product decides how long the computing takes, counted whatever else the document
 * holds.
 */
function costIssue(data: unknown): ValidationIssue | null {
  // Documents before version 3 said items, links and item.
  const document = (data ?? {}) as Readonly<Record<string, unknown>>;
  const { loops, components = document.items } = document;
  if (listOf(components).length > LIMITS.parts)
    return {
      path: 'components',
      message: msg`There are ${formatNumber(listOf(components).length)} parts; at most
        ${LIMITS.parts} are read.`,
    };
  if (listOf(loops).length > LIMITS.loops)
    return {
      path: 'loops',
      message: msg`There are ${formatNumber(listOf(loops).length)} loops; at most
        ${LIMITS.loops} are read.`,
    };
  const connections = listOf(loops).reduce<number>((sum, loop) => {
    const { connections: own, links } = (loop ?? {}) as Readonly<Record<string, unknown>>;
    return sum + listOf(own ?? links).length;
  }, 0);
  if (connections > LIMITS.connections)
    return {
      path: 'loops',
      message: msg`The loops have ${formatNumber(connections)} connections together; at
        most ${LIMITS.connections} are read.`,
    };
  const waypoints = listOf(loops)
    .flatMap((loop) => {
      const { connections: own, links } = (loop ?? {}) as Readonly<Record<string, unknown>>;
      return listOf(own ?? links);
    })
    .reduce<number>((sum, connection) => sum + waypointsOf(connection), 0);
  if (waypoints > LIMITS.waypoints)
    return {
      path: 'loops',
      message: msg`The runs are led through ${formatNumber(waypoints)} points together;
        at most ${LIMITS.waypoints} are read.`,
    };
  const fans = new Map<string, number>();
  for (const component of listOf(components)) {
    const placement = (component as { placement?: unknown } | null)?.placement;
    const { on, component: named, item } = (placement ?? {}) as Readonly<Record<string, unknown>>;
    const host = named ?? item;
    if (on !== 'radiator' || typeof host !== 'string') continue;
    const count = (fans.get(host) ?? 0) + 1;
    if (count > LIMITS.fansOnRadiator)
      return {
        path: 'components',
        message: msg`The radiator "${host.slice(0, 64)}" has more than ${LIMITS.fansOnRadiator}
          fans.`,
      };
    fans.set(host, count);
  }
  return null;
}

/** Documents before version 3 said way and via. */
function waypointsOf(connection: unknown): number {
  const { constraints, way } = (connection ?? {}) as Readonly<Record<string, unknown>>;
  const { waypoints, via } = (constraints ?? way ?? {}) as Readonly<Record<string, unknown>>;
  return listOf(waypoints ?? via).length;
}

const listOf = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);
