import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, STANDARD_KIT } from '@/catalogue';
import { analyse } from '../analysis';
import { applyEdit, emptyDesign, type Design } from '../design';
import { starterEdit, type StarterAsked } from './starter';

const empty = (box: string): Design => ({
  ...emptyDesign('First', STANDARD_KIT),
  case: catalogued('case', box),
});
const ASKED: StarterAsked = {
  processor: 'cpu-lantern-8',
  card: 'gpu-kite-200',
  cards: 1,
  tube: 'soft',
};
const made = (box: string, asked: StarterAsked = ASKED): Design => {
  const design = empty(box);
  const edit = starterEdit(design, CATALOGUE, asked);
  if (!edit) throw new Error('nothing was made');
  return applyEdit(design, edit).design;
};

describe('a first build', () => {
  const design = made('case-alder-42');
  const { findings, reports, system } = analyse(design);

  test('has all that a loop needs, each part in its place', () => {
    const kinds = design.components.map((c) => c.part.kind);
    for (const kind of [
      'board',
      'processor',
      'memory',
      'card',
      'supply',
      'radiator',
      'fan',
      'pump',
    ])
      expect(kinds).toContain(kind);
    expect(kinds.filter((k) => k === 'block').length).toBe(2);
    expect([...system.placed.values()].filter((p) => p.unplaced !== null)).toEqual([]);
  });

  test('nothing clashes, no wrong metals meet, everything is in the loop', () => {
    expect(findings.filter((f) => /^(fit\.clash|metal\.mixed|fit\.pair)/.test(f.code))).toEqual([]);
    expect(reports.flow.loops.map((l) => l.status)).toEqual(['solved']);
    expect(reports.heat.stress.unconnected_W).toBe(0);
  });

  test('a section of 120 mm for every 100 W, and power with a margin (common practice, no source)', () => {
    const sections = design.components.reduce(
      (sum, { part }) =>
        part.kind === 'radiator' ? sum + (part.sections * part.section_mm ** 2) / 120 ** 2 : sum,
      0,
    );
    const heat = design.components.reduce(
      (sum, { part }) =>
        part.kind === 'processor' || part.kind === 'card' ? sum + part.draw_W : sum,
      0,
    );
    expect(sections).toBeGreaterThanOrEqual(Math.ceil(heat / 100));
    const supply = design.components.find((c) => c.part.kind === 'supply')?.part;
    expect(supply?.kind === 'supply' ? supply.rating_W : 0).toBeGreaterThanOrEqual(1.5 * heat);
  });

  test('hard tube where it is asked for; a small case takes a board it has stand-offs for', () => {
    const small = made('case-orrery-11', { ...ASKED, card: null, cards: 0, tube: 'hard' });
    expect(small.loops[0]?.tube.hard).toBe(true);
    const board = small.components.find((c) => c.part.kind === 'board')?.part;
    expect(board?.kind === 'board' && small.case?.boardStandards.includes(board.standard)).toBe(
      true,
    );
  });

  // Below 24 litres not every card finds room beside a power supply.
  test.each(CATALOGUE.flatMap((p) => (p.kind === 'case' && p.volume_L >= 24 ? [p.id] : [])))(
    '%s: every part has a place in which it clashes with nothing, and belongs to its neighbours',
    (box) => {
      const { findings: found, system: placed } = analyse(made(box));
      expect(found.flatMap((f) => (/^fit\.(clash|pair)/.test(f.code) ? [f.title] : []))).toEqual(
        [],
      );
      expect([...placed.placed.values()].filter((p) => p.unplaced !== null)).toEqual([]);
    },
  );

  test('nothing without a case, nothing when it is stopped', () => {
    expect(starterEdit({ ...empty('case-alder-42'), case: null }, CATALOGUE, ASKED)).toBeNull();
    expect(starterEdit(empty('case-alder-42'), CATALOGUE, ASKED, () => false)).toBeNull();
  });
});
