import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, demoDesign } from '@/catalogue';
import { isComponentPart, type ComponentPart } from '../components';
import type { Design } from '../design';
import { byFit, whyNotHere } from './whyNotHere';

const box = demoDesign('pocket-planetarium') as Design;
const desk = demoDesign('dawn-chorus-desk') as Design;
const parts = CATALOGUE.filter(isComponentPart) as readonly ComponentPart[];

describe('what fits this build', () => {
  test('every part comes once: among those that fit, or with the reason why not', () => {
    const { fit, not } = byFit(box, parts);
    expect(fit.length + not.length).toBe(parts.length);
    for (const { why } of not) expect(why.length).toBeGreaterThan(10);
  });

  test('a board of a larger standard than the case has stand-offs for', () => {
    const board = parts.find((p) => p.kind === 'board' && p.standard === 'ATX');
    expect(board && whyNotHere(box, board)).toMatch(/has no stand-offs for ATX/);
    expect(board && whyNotHere(desk, board)).toBeNull();
  });

  test('a radiator says of every mount why it is no place', () => {
    const why = whyNotHere(box, catalogued('radiator', 'rad-fell-420-45'));
    for (const mount of box.case?.mounts ?? []) expect(why).toContain(mount.name);
  });

  test('without a case every radiator may be chosen', () => {
    const radiator = catalogued('radiator', 'rad-fell-420-45');
    expect(whyNotHere({ ...box, case: null }, radiator)).toBeNull();
  });
});
