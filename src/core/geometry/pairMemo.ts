/**
 * A measure of two things, remembered while both live: the things themselves are the keys, so
 * whoever changes one makes a new one. For measures that are asked for again and again while most
 * of what is measured stands still.
 */
export function pairMemo<A extends object, B extends object, R>(
  measure: (a: A, b: B) => R,
): (a: A, b: B) => R {
  const known = new WeakMap<A, WeakMap<B, { readonly value: R }>>();
  return (a, b) => {
    let row = known.get(a);
    if (!row) {
      row = new WeakMap();
      known.set(a, row);
    }
    const found = row.get(b);
    if (found) return found.value;
    const value = measure(a, b);
    row.set(b, { value });
    return value;
  };
}
