import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { verdictOfSeverity } from './Mark';

const VIEW = resolve(__dirname, '..');
const files = readdirSync(VIEW, { recursive: true, encoding: 'utf8' }).map((f) => join(VIEW, f));
const read = (file: string): string => readFileSync(file, 'utf8');
const tokens = read(join(__dirname, 'tokens.css'));

/** The custom properties each theme sets, and those both share. */
function themes(): readonly ReadonlySet<string>[] {
  const blocks = tokens.split('}').map((block) => {
    const [head = '', body = ''] = block.split('{').slice(-2);
    return { head, names: [...body.matchAll(/(--[\w-]+):/g)].map((m) => m[1] ?? '') };
  });
  const dark = blocks.filter((b) => b.head.includes("'dark'")).flatMap((b) => b.names);
  const light = blocks.filter((b) => b.head.includes("'light'")).flatMap((b) => b.names);
  const shared = blocks.filter((b) => !/'(dark|light)'/.test(b.head)).flatMap((b) => b.names);
  return [new Set([...light, ...shared]), new Set([...dark, ...shared])];
}

describe('what a style names is there', () => {
  test('every colour and size used is set in both themes', () => {
    const [light, dark] = themes();
    for (const file of files.filter((f) => /\.(css|tsx?)$/.test(f) && !/\.test\./.test(f)))
      for (const [, name = ''] of read(file).matchAll(/var\((--[\w-]+)[,)]/g)) {
        if (name.startsWith('--mui') || read(file).includes(`'${name}':`)) continue;
        expect({ file, name, light: light?.has(name), dark: dark?.has(name) }).toEqual({
          file,
          name,
          light: true,
          dark: true,
        });
      }
  });

  test('every verdict has a colour of its own', () => {
    const [light, dark] = themes();
    for (const verdict of ['ok', 'unchecked', ...Object.values(verdictOfSeverity)])
      if (verdict !== 'note')
        expect([light?.has(`--${verdict}`), dark?.has(`--${verdict}`)]).toEqual([true, true]);
  });

  test('every class a component asks for stands in its module', () => {
    for (const file of files.filter((f) => f.endsWith('.tsx') && !/\.test\./.test(f))) {
      const text = read(file);
      for (const [, name = '', path = ''] of text.matchAll(
        /import (\w+) from '(\.[^']*\.module\.css)'/g,
      )) {
        const classes = new Set(
          [...read(join(dirname(file), path)).matchAll(/\.([A-Za-z_][\w-]*)/g)].map((m) => m[1]),
        );
        for (const [, used] of text.matchAll(new RegExp(`\\b${name}\\.(\\w+)`, 'g')))
          expect({ file, used, there: classes.has(used) }).toEqual({ file, used, there: true });
      }
    }
  });
});
