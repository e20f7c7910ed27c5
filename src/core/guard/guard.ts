import type Joi from 'joi';
import { applyEdit, BUILD_FORMAT, BUILD_VERSION, EditError, type Applied, type Build, type Edit } from '../build';
import { migrate } from '../build/migrate';
import { buildSchema } from '../build/schema';
import { isWet, type Part } from '../part';
import { PART_SCHEMAS } from '../part/schema';

/** One thing wrong with what came in: where, what, and what is allowed. */
export interface Trouble { readonly path: string; readonly message: string }
export type Guarded<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly troubles: readonly Trouble[] };

export const LIMITS = { bytes: 4_000_000, depth: 24, troubles: 20 } as const;

const fail = (path: string, message: string): { readonly ok: false; readonly troubles: readonly Trouble[] } => ({ ok: false, troubles: [{ path, message }] });

/** Reads a build document from text: size, JSON, depth, format, version, schema and references, in that order. Never throws. */
export function parseBuild(textIn: string): Guarded<Build> {
  if (textIn.length > LIMITS.bytes) return fail('', `The file has ${textIn.length.toLocaleString('en')} characters; at most ${LIMITS.bytes.toLocaleString('en')} are read.`);
  let data: unknown;
  try { data = JSON.parse(textIn); } catch (error) { return fail('', `This is not JSON: ${(error as Error).message.slice(0, 160)}`); }
  return guardBuild(data);
}

/** The same for data that is parsed already. */
export function guardBuild(data: unknown): Guarded<Build> {
  const shape = shapeTrouble(data);
  if (shape) return fail('', shape);
  if (typeof data !== 'object' || data === null || Array.isArray(data)) return fail('', 'A build is a JSON object; this is none.');
  const document = data as Record<string, unknown>;
  if (document.format !== BUILD_FORMAT) return fail('format', `This is no build document: format must be "${BUILD_FORMAT}".`);
  const { version } = document;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0) return fail('version', 'The version must be a whole number.');
  if (version > BUILD_VERSION) return fail('version', `This build was written by a newer Zephyron (version ${version}); this one reads up to ${BUILD_VERSION}. Nothing was changed.`);
  const checked = check<Build>(buildSchema, migrate(document));
  if (!checked.ok) return checked;
  const loose = references(checked.value);
  return loose.length > 0 ? { ok: false, troubles: loose.slice(0, LIMITS.troubles) } : checked;
}

/** A part of any kind. */
export function guardPart(data: unknown): Guarded<Part> {
  const shape = shapeTrouble(data);
  if (shape) return fail('', shape);
  const kind = (data as { kind?: unknown } | null)?.kind;
  if (typeof kind !== 'string' || !Object.hasOwn(PART_SCHEMAS, kind)) return fail('kind', `The kind must be one of ${Object.keys(PART_SCHEMAS).join(', ')}.`);
  return check<Part>(PART_SCHEMAS[kind as keyof typeof PART_SCHEMAS], data);
}

/** Applies an edit and lets it stand only if the build it gives passes the guard. */
export function guardEdit(build: Build, edit: Edit): Guarded<Applied> {
  let applied: Applied;
  try { applied = applyEdit(build, edit); } catch (error) {
    return fail(error instanceof EditError ? error.place : '', error instanceof EditError ? error.message : 'This edit cannot be applied to this build.');
  }
  const checked = guardBuild(applied.build);
  return checked.ok ? { ok: true, value: { build: checked.value, inverse: applied.inverse } } : checked;
}

function check<T>(schema: Joi.ObjectSchema, data: unknown): Guarded<T> {
  const { value, error } = schema.validate(data, { abortEarly: false, convert: false, errors: { wrap: { label: false } } });
  if (!error) return { ok: true, value: value as T };
  return { ok: false, troubles: error.details.slice(0, LIMITS.troubles).map((d) => ({ path: pathOf(d.path), message: tidy(d) })) };
}

const pathOf = (path: readonly (string | number)[]): string => path.map((p, i) => (typeof p === 'number' ? `[${p}]` : i === 0 ? p : `.${p}`)).join('').slice(0, 200);
const tidy = (d: Joi.ValidationErrorItem): string => d.message.slice(0, 240);

/** What no document may have, whatever its schema: too many levels, or keys that reach for prototypes. Walks level by level, so depth cannot exhaust the stack. */
function shapeTrouble(data: unknown): string | null {
  let level: unknown[] = [data];
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > LIMITS.depth) return `The document is nested deeper than ${LIMITS.depth} levels.`;
    const next: unknown[] = [];
    for (const value of level) {
      if (typeof value !== 'object' || value === null) continue;
      for (const [key, inner] of Object.entries(value)) {
        if (key === '__proto__' || key === 'constructor' || key === 'prototype') return `The key "${key}" is not allowed.`;
        next.push(inner);
      }
    }
    level = next;
  }
  return null;
}

/** Links, caps and placements must name things that exist; an end may be used once. */
function references(build: Build): Trouble[] {
  const troubles: Trouble[] = [];
  const has = (item: string, port: string): boolean => {
    const part = build.items.find((i) => i.id === item)?.part;
    return part !== undefined && isWet(part) && part.ports.some((p) => p.id === port);
  };
  const linkIds = new Set<string>();
  build.loops.forEach((loop, l) => {
    loop.links.forEach((link, k) => {
      const path = `loops[${l}].links[${k}]`;
      if (linkIds.has(link.id)) troubles.push({ path: `${path}.id`, message: `The run "${link.id}" is there twice.` });
      linkIds.add(link.id);
      for (const side of ['from', 'to'] as const) {
        const r = link[side];
        if (!has(r.item, r.port)) troubles.push({ path: `${path}.${side}`, message: `There is no port "${r.port}" on a part "${r.item}".` });
      }
    });
    loop.caps.forEach((cap, c) => { if (!has(cap.item, cap.port)) troubles.push({ path: `loops[${l}].caps[${c}]`, message: `There is no port "${cap.port}" on a part "${cap.item}".` }); });
  });
  build.items.forEach((item, i) => {
    const p = item.placement;
    if ((p.on === 'item' || p.on === 'radiator') && (p.item === item.id || !build.items.some((o) => o.id === p.item))) troubles.push({ path: `items[${i}].placement.item`, message: `There is no other part "${p.item}" to sit on.` });
  });
  return troubles;
}
