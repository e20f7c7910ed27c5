import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CATALOGUE, demoDesign } from '@/catalogue';
import { applyEdit, type Design } from '../design';
import { measureGaps } from '../clearance';
import { validatePart } from '../validation';
import { compileSystem } from '../system';
import type { CasePart } from '../components';
import { cross } from '../geometry';
import {
  caseFromDraft,
  draftFromCase,
  draftTroubles,
  emptyDraft,
  railsOf,
  type CaseDraft,
} from '.';

const CASES = CATALOGUE.filter((p): p is CasePart => p.kind === 'case');
const desk = demoDesign('dawn-chorus-desk') as Design;

describe('a case measured by hand', () => {
  test('the one to start from has nothing wrong and passes the guard', () => {
    const draft = emptyDraft('My old case');
    expect(draftTroubles(draft)).toEqual([]);
    expect(validatePart(caseFromDraft(draft, 'own-my-old-case'))).toMatchObject({ ok: true });
  });

  test.each(CASES.map((c) => [c.id, c] as const))(
    '%s measured again is the same case, whatever was asked for',
    (_, part) => {
      expect(caseFromDraft(draftFromCase(part), part.id)).toEqual(part);
      expect(draftTroubles(draftFromCase(part))).toEqual([]);
    },
  );

  test('drives, holes and cables behind the tray come through, and pass the guard', () => {
    const alder = CASES.find((c) => c.id === 'case-alder-42') as CasePart;
    const draft = draftFromCase(alder);
    const measured: CaseDraft = {
      ...draft,
      mounts: draft.mounts.map((mount, i) =>
        i === 0 ? { ...mount, holes: { slots_mm: 8, first_mm: 12 } } : mount,
      ),
      obstacles: [
        ...draft.obstacles.map((o) =>
          o.drives ? { ...o, drives: { format: '2.5 in' as const, places: 4 } } : o,
        ),
        {
          name: 'Cables behind the tray',
          removable: false,
          min: [250, 20, -20],
          max: [330, 400, -3],
        },
      ],
    };
    expect(draftTroubles(measured)).toEqual([]);
    const made = caseFromDraft(measured, 'own-alder');
    expect(validatePart(made)).toMatchObject({ ok: true });
    expect(made.mounts[0]?.holes).toEqual({ slots_mm: 8, first_mm: 12 });
    expect(made.obstacles.find((o) => o.drives)?.drives).toEqual({ format: '2.5 in', places: 4 });
    expect(draftFromCase(made).obstacles.at(-1)).toMatchObject({ min: [250, 20, -20] });
  });

  test('what was measured anew is as measured, the rest as it was', () => {
    const cube = CASES.find((c) => c.id === 'case-loom-cube') as CasePart;
    const draft = draftFromCase(cube);
    const [first, ...others] = draft.mounts;
    const rebuilt = caseFromDraft(
      {
        ...draft,
        mounts: [
          { ...(first as CaseDraft['mounts'][number]), rail: 'z', length_mm: 150 },
          ...others,
        ],
      },
      cube.id,
    );
    expect(rebuilt.mounts[0]).toMatchObject({ id: 'front', along: [0, 0, 1], across: [0, 1, 0] });
    expect(rebuilt.mounts.slice(1)).toEqual(cube.mounts.slice(1));
    expect(rebuilt.air).toEqual(cube.air);
    expect(rebuilt.fansIncluded).toEqual(cube.fansIncluded);
  });

  test('a build in the measured case has the same gaps as in the case itself', () => {
    const rebuilt = applyEdit(desk, {
      do: 'case.choose',
      case: {
        ...caseFromDraft(draftFromCase(desk.case as CasePart), 'own'),
        spots: (desk.case as CasePart).spots,
        tolerance_mm: 0.5,
      },
    }).design;
    const gaps = (b: Design) =>
      measureGaps(compileSystem(b))
        .gaps.filter((g) => !`${g.a}${g.b}`.includes('case:'))
        .map((g) => [g.a, g.b, g.gap_mm]);
    expect(gaps(rebuilt)).toEqual(gaps(desk));
  });

  test('along × across = inward on every face', () => {
    const faces = (['front', 'top', 'rear', 'bottom', 'side', 'tray'] as const).flatMap((face) =>
      railsOf(face).map((rail) => ({
        ...(emptyDraft('x').mounts[0] as CaseDraft['mounts'][number]),
        face,
        rail,
      })),
    );
    for (const m of caseFromDraft({ ...emptyDraft('x'), mounts: faces }, 'own').mounts)
      expect(cross(m.along, m.across).map((v) => v + 0)).toEqual([...m.inward]);
  });

  test('two of a name get ids of their own', () => {
    const draft = {
      ...emptyDraft('x'),
      mounts: [emptyDraft('x').mounts[0], emptyDraft('x').mounts[0]] as CaseDraft['mounts'],
      spots: [
        { name: 'Stand', at: [10, 0, 10] as const, holes: null },
        { name: 'stand', at: [90, 0, 10] as const, holes: null },
      ],
    };
    const part = caseFromDraft(draft, 'own');
    expect(part.mounts.map((m) => m.id)).toEqual(['front', 'front-2']);
    expect(part.spots.map((s) => s.id)).toEqual(['stand', 'stand-2']);
  });
});

describe('what cannot be is told at its place', () => {
  const base = emptyDraft('x');
  const mount = base.mounts[0] as CaseDraft['mounts'][number];
  test.each([
    ['interior.1', { ...base, interior: [450, 20, 210] as const }],
    ['boardAt.1', { ...base, interior: [450, 400, 210] as const }],
    ['name', { ...base, name: ' ' }],
    ['mounts.0.length_mm', { ...base, mounts: [{ ...mount, length_mm: 900 }] }],
    ['mounts.0.fans', { ...base, mounts: [{ ...mount, length_mm: 300 }] }],
    ['mounts.0.fans', { ...base, mounts: [{ ...mount, fans: [] }] }],
    ['mounts.0.fans', { ...base, mounts: [{ ...mount, fans: [{ size_mm: 300, count: 1 }] }] }],
    [
      'mounts.0.fans',
      {
        ...base,
        mounts: [
          {
            ...mount,
            fans: [
              { size_mm: 80, count: 1 },
              { size_mm: 80, count: 2 },
            ],
          },
        ],
      },
    ],
    ['mounts.0.middle_mm', { ...base, mounts: [{ ...mount, middle_mm: 30 }] }],
    ['bay.max.0', { ...base, bay: { min: [100, 5, 5] as const, max: [100, 90, 90] as const } }],
    [
      'openings.0.x_mm',
      {
        ...base,
        openings: [{ name: 'Opening', x_mm: 440, y_mm: 200, width_mm: 40, height_mm: 70 }],
      },
    ],
    [
      'openings.0.height_mm',
      {
        ...base,
        openings: [{ name: 'Opening', x_mm: 240, y_mm: 200, width_mm: 40, height_mm: 0 }],
      },
    ],
    ['frame_mm', { ...base, frame_mm: 60 }],
    [
      'obstacles.0.max.2',
      {
        ...base,
        obstacles: [
          { name: 'Cage', removable: true, min: [0, 0, 0] as const, max: [50, 50, 300] as const },
        ],
      },
    ],
  ])('%s', (place, draft) => {
    expect(draftTroubles(draft).map((t) => t.place)).toContain(place);
  });

  test('a rail for one fan of 40 mm is a rail', () => {
    const draft = {
      ...base,
      mounts: [{ ...mount, length_mm: 40, fans: [{ size_mm: 40, count: 1 }] }],
    };
    expect(draftTroubles(draft)).toEqual([]);
    expect(validatePart(caseFromDraft(draft, 'own')).ok).toBe(true);
  });

  test('whatever has no trouble passes the guard', () => {
    const n = fc.integer({ min: -50, max: 600 });
    fc.assert(
      fc.property(
        n,
        n,
        n,
        n,
        fc.integer({ min: 0, max: 4 }),
        fc.constantFrom(40, 80, 92, 120, 140, 180, 200, 230),
        (start_mm, middle_mm, length_mm, depth, fans, size) => {
          const draft = {
            ...base,
            mounts: [
              {
                ...mount,
                start_mm,
                middle_mm,
                length_mm,
                published_mm: Math.max(0, Math.min(400, depth)),
                fans: [{ size_mm: size, count: fans }],
              },
            ],
          };
          if (draftTroubles(draft).length === 0)
            expect(validatePart(caseFromDraft(draft, 'own')).ok).toBe(true);
        },
      ),
      { numRuns: 400 },
    );
  });
});
