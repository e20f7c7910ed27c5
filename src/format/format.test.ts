import { describe, expect, test } from '@jest/globals';
import Papa from 'papaparse';
import { readFileSync } from 'node:fs';
import Ajv2019 from 'ajv/dist/2019';
import { CATALOGUE, DEMO_BUILDS, demoDesign } from '@/catalogue';
import { applyEdit, type Design, findComponent } from '@/core/design';
import { evaluate } from '@/core/analysis';
import { parseDesign } from '@/core/validation';
import { buildFileName, designToText, listToCsv, slug } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;

describe('the build file', () => {
  test('goes out and comes back the same', () => {
    for (const { design } of DEMO_BUILDS) {
      const back = parseDesign(designToText(design));
      expect(back).toEqual({ ok: true, value: design });
    }
  });

  test.each([
    ['Dawn chorus desk', 'dawn-chorus-desk.zephyron.json'],
    ['../../etc/passwd', 'etc-passwd.zephyron.json'],
    ['Ärger & Öl', 'arger-ol.zephyron.json'],
    ['…', 'build.zephyron.json'],
    ['x'.repeat(300), `${'x'.repeat(60)}.zephyron.json`],
  ])('%s is kept as %s', (name, file) => {
    expect(buildFileName(name)).toBe(file);
  });

  test('slugs hold nothing but letters, digits, dashes', () => {
    expect(slug('a"b\r\nc;d')).toMatch(/^[a-z0-9-]+$/);
  });
});

describe('JSON Schema in docs/format', () => {
  const ajv = new Ajv2019({ strict: false, allErrors: true });
  const validate = ajv.compile(
    JSON.parse(readFileSync('docs/format/build.schema.json', 'utf8')) as object,
  );
  const part = ajv.compile(
    JSON.parse(readFileSync('docs/format/part.schema.json', 'utf8')) as object,
  );

  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s validates with ajv',
    (_, design) => {
      validate(JSON.parse(designToText(design)));
      expect(validate.errors ?? []).toEqual([]);
    },
  );

  test('every part of the catalogue validates', () => {
    for (const p of CATALOGUE)
      expect([p.id, part(JSON.parse(JSON.stringify(p)))]).toEqual([p.id, true]);
  });

  test('it refuses what the guard refuses', () => {
    const bad = JSON.parse(designToText(desk)) as { brief: { room_C: unknown } };
    bad.brief.room_C = 'warm';
    expect(validate(bad)).toBe(false);
  });
});

describe('the list as CSV', () => {
  const csv = listToCsv(evaluate(desk).reports.bom, 'EUR');
  const rows = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true }).data;

  test('one row a line, prices in major units', () => {
    expect(rows.length).toBe(evaluate(desk).reports.bom.lines.length);
    expect(rows.find((r) => r.part === 'pump-osier-large')).toMatchObject({
      quantity: '1',
      unit: 'piece',
      'unit price EUR': '89.00',
      'total EUR': '89.00',
    });
  });

  /** OWASP, "CSV injection": cells that begin with = + - @ are run by spreadsheets. */
  test.each([
    '=1+1',
    '+1',
    '-1',
    '@SUM(A1)',
    '=HYPERLINK("http://x")',
    '＝1+1',
    '＋1',
    '－1',
    '＠SUM(A1)',
  ])('a part called %s cannot run as a formula', (name) => {
    const evil = applyEdit(desk, {
      do: 'component.replace',
      component: 'pump',
      part: {
        ...(findComponent(desk, 'pump')?.part as Design['components'][number]['part']),
        name,
        maker: name,
      } as Design['components'][number]['part'],
    }).design;
    const cells = Papa.parse<string[]>(listToCsv(evaluate(evil).reports.bom, 'EUR')).data.flat();
    expect(cells.some((c) => c.includes(name))).toBe(true);
    for (const c of cells) expect(c).not.toMatch(/^[=+\-@\t\r＝＋－＠]/);
  });
});
