/**
 * `next`, with every branch that says the same as in `previous` (same keys in the same order, same
 * values) being that of `previous` itself: what is memoised by identity is then found again. Plain
 * data only.
 */
export function shared<T>(previous: unknown, next: T): T {
  if (Object.is(previous, next)) return next;
  if (Array.isArray(next)) return sharedList(previous, next) as T;
  if (isRecord(next)) return sharedRecord(previous, next) as T;
  return next;
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function sharedList(previous: unknown, next: readonly unknown[]): readonly unknown[] {
  const old: readonly unknown[] = Array.isArray(previous) ? previous : [];
  const merged = next.map((value, i) => shared(old[i], value));
  const same = old.length === merged.length && merged.every((value, i) => Object.is(value, old[i]));
  return same ? old : merged;
}

function sharedRecord(
  previous: unknown,
  next: Readonly<Record<string, unknown>>,
): Readonly<Record<string, unknown>> {
  const old = isRecord(previous) ? previous : {};
  const oldKeys = Object.keys(old);
  const keys = Object.keys(next);
  const merged = Object.fromEntries(keys.map((key) => [key, shared(old[key], next[key])]));
  const same =
    keys.length === oldKeys.length &&
    keys.every((key, i) => key === oldKeys[i] && Object.is(merged[key], old[key]));
  return same ? old : merged;
}
