// Stands for the test functions of Jest in a bundle that runs its tests itself, one after another.
import { expect as whole } from 'expect';

const tests = [];
const names = [];

const spelled = (name, row, i) => {
  let out = String(name).replaceAll('%#', String(i));
  if (Array.isArray(row)) for (const v of row) out = out.replace(/%[sdifjop]/, String(v));
  else if (row && typeof row === 'object')
    out = out.replace(/\$([a-zA-Z_.]+)/g, (_, key) => String(row[key]));
  return out;
};
const eachOf = (make) => (rows) => (name, body, time) =>
  rows.forEach((row, i) =>
    make(spelled(name, row, i), () => (Array.isArray(row) ? body(...row) : body(row)), time),
  );

export const test = Object.assign(
  (name, body) => tests.push({ name: [...names, name].join(' › '), body }),
  {},
);
test.each = eachOf(test);
export const describe = (name, body) => {
  names.push(name);
  body();
  names.pop();
};
describe.each = eachOf(describe);
/** Made ready in its place among the tests. */
export const beforeAll = (body) => tests.push({ name: [...names, 'made ready'].join(' › '), body });
export const it = test;
export const expect = whole;

/** Runs all; the name of the first that fails, or null. `only`: names to run first. */
export async function run(first = []) {
  const order = [
    ...tests.filter((t) => first.includes(t.name)),
    ...tests.filter((t) => !first.includes(t.name)),
  ];
  for (const { name, body } of order) {
    try {
      await body();
    } catch (error) {
      return { failed: name, message: String(error?.message ?? error).slice(0, 200) };
    }
  }
  return { failed: null, count: tests.length };
}
