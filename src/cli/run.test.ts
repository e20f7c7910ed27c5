import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { parseDesign } from '@/core/validation';
import { designToText } from '@/format';
import { run } from './run';

const files: Record<string, string> = {
  'bad.json': '{"format":"zephyron-build","version":1}',
  'none.json': 'not json',
};
const read = (file: string): string => {
  const text = files[file];
  if (text === undefined) throw Object.assign(new Error('no'), { code: 'ENOENT' });
  return text;
};

const desk = run(['demo', 'dawn-chorus-desk'], read).out;

describe('the terminal', () => {
  test('a datasheet: what it tells and leaves open; the part once nothing is', () => {
    const text =
      'Weir pump\nSpeed 1500 - 5000 rpm\nHead 5 m\nFlow 900 l/h\nPower 24 W\nSize 60 x 60 x 66';
    const told = (sheet: string, ...more: string[]) =>
      JSON.parse(run(['datasheet', '-', ...more], () => sheet).out) as {
        kind: string;
        part: { kind: string; power_W: number } | null;
        asks: { field: string; why: string }[];
        found: { field: string; value: number; text: string }[];
      };
    const open = told(text);
    expect(open.kind).toBe('pump');
    expect(open.asks).toMatchObject([{ field: 'size', why: 'no unit' }]);
    expect(open.part).toBeNull();
    expect(open.found.find((f) => f.field === 'flow')).toMatchObject({
      value: 15,
      text: 'Flow 900 l/h',
    });
    expect(told(`${text} mm`).part).toMatchObject({ kind: 'pump', power_W: 24 });
    expect(told('60 x 60 x 66 mm', '--kind', 'fan').kind).toBe('fan');
    const refused = run(['datasheet', '-'], () => 'hello');
    expect([refused.code, refused.err.includes('--kind')]).toEqual([1, true]);
  });

  test('lists the demos', () => {
    const r = run(['demo'], read);
    expect(r.code).toBe(0);
    expect(r.out.trim().split('\n').length).toBe(3);
  });

  test('sheets: pushes, turns and bends of the hard runs, which with the straight left add up to the cut', () => {
    const { runs } = JSON.parse(
      run(['sheets', 'x'], () => run(['demo', 'fenland-flood-tower'], read).out).out,
    ) as {
      runs: {
        id: string;
        cut_mm: number;
        radius_mm: number;
        last_mm: number;
        steps: {
          push_mm: number;
          turn: { direction: string; angle_deg: number } | null;
          bend_deg: number;
        }[];
      }[];
    };
    expect(runs.length).toBe(9);
    for (const r of runs)
      expect(
        r.steps.reduce(
          (sum, s) => sum + s.push_mm + (r.radius_mm * s.bend_deg * Math.PI) / 180,
          r.last_mm,
        ),
      ).toBeCloseTo(r.cut_mm, 6);
    const turns = runs.flatMap((r) => r.steps.flatMap((s) => s.turn ?? []));
    expect(turns.length).toBeGreaterThan(3);
    for (const t of turns) expect(['clockwise', 'anticlockwise']).toContain(t.direction);
  });

  test('assembly: steps in an order in which each comes after what it needs', () => {
    const { steps } = JSON.parse(
      run(['assembly', 'x'], () => run(['demo', 'pocket-planetarium'], read).out).out,
    ) as { steps: { id: string; needs: string[]; trapped: string | null }[] };
    const ids = steps.map((s) => s.id);
    expect(ids[0]).toBe('dry');
    steps.forEach((s, i) => {
      for (const need of s.needs) expect(ids.slice(0, i)).toContain(need);
    });
    expect(steps.every((s) => s.trapped === null)).toBe(true);
  });

  test('log: residuals and told factors of readings; a bad one is refused with its place', () => {
    files['desk.json'] = run(['demo', 'dawn-chorus-desk'], read).out;
    const reading = {
      on: '2026-11-28T10:00:00Z',
      load: 'stress',
      room_C: 22,
      fans_rpm: 1000,
      coolant_C: { loop: 36 },
      flow_Lmin: { loop: 2.4 },
    };
    files['readings.json'] = JSON.stringify([
      reading,
      { ...reading, on: '2026-11-28T11:00:00Z', fans_rpm: 1400 },
    ]);
    const told = JSON.parse(run(['log', 'desk.json', 'readings.json'], read).out) as {
      doubts: string[][];
      before: { kind: string; measured: number; predicted: number }[];
      parameters: { id: string; factor: number; told: boolean }[];
    };
    expect(told.doubts).toEqual([[], []]);
    expect(told.before.map((r) => r.kind)).toEqual(['coolant', 'flow', 'coolant', 'flow']);
    const losses = told.parameters.find((p) => p.id === 'losses');
    expect(losses?.told).toBe(true);
    expect(losses?.factor).toBeGreaterThan(1.1);
    files['bad-readings.json'] = JSON.stringify([{ ...reading, room_C: 400 }]);
    const refused = run(['log', 'desk.json', 'bad-readings.json'], read);
    expect(refused).toMatchObject({ code: 1, out: '' });
    expect(refused.err).toContain('room_C');
  });

  test('prints a demo that it can evaluate and list', () => {
    const demo = run(['demo', 'pocket-planetarium'], read);
    files['box.json'] = demo.out;
    const e = run(['evaluate', 'box.json'], read);
    expect(e.code).toBe(0);
    expect(JSON.parse(e.out)).toHaveProperty('reports.flow.links');
    const csv = run(['list', 'box.json', '--csv'], read);
    expect(csv.out.split('\r\n')[0]).toContain('part,name,maker,quantity');
    expect(JSON.parse(run(['list', 'box.json', '--json'], read).out)).toHaveProperty('lines');
  });

  test('a bad build: path and message on standard error, exit 1', () => {
    const r = run(['evaluate', 'bad.json'], read);
    expect(r).toMatchObject({ code: 1, out: '' });
    expect(r.err).toContain('brief: brief is required');
    expect(r.err).not.toContain('at Object');
  });

  test.each([
    [['evaluate', 'ghost.json'], 1, 'no such file'],
    [['evaluate', 'none.json'], 1, 'not JSON'],
    [['evaluate'], 2, 'Name a file'],
    [['inp', 'ghost.json'], 1, 'no such file'],
    [['solve', 'none.json'], 1, 'line 1: text before the first'],
    [['fly'], 2, 'no command'],
    [['demo', 'ghost'], 1, 'no demo build'],
  ] as const)('%j', (args, code, word) => {
    const r = run(args, read);
    expect(r.code).toBe(code);
    expect(r.err).toContain(word);
  });

  test('writes a loop for EPANET and solves the file again to the same flows, by the same ids', () => {
    files['tower.json'] = run(['demo', 'fenland-flood-tower'], read).out;
    const r = run(['inp', 'tower.json'], read);
    expect(r.code).toBe(0);
    expect(r.out).toContain('Headloss D-W');
    files['tower.inp'] = r.out;
    const solved = JSON.parse(run(['solve', 'tower.inp'], read).out) as {
      loops: { id: string; flows_Lmin: Record<string, number> }[];
    };
    const links = (
      JSON.parse(run(['evaluate', 'tower.json'], read).out) as {
        reports: { flow: { links: { id: string; loop: string; flow_Lmin: number }[] } };
      }
    ).reports.flow.links;
    for (const l of links)
      expect(solved.loops.find((x) => x.id === l.loop)?.flows_Lmin[l.id]).toBeCloseTo(
        l.flow_Lmin,
        2,
      );
    expect(run(['inp', 'tower.json', '--loop', 'loop-2'], read).out).not.toContain('pump-1');
    expect(run(['inp', 'tower.json', '--loop', 'ghost'], read).err).toContain(
      'known: loop, loop-2',
    );
  });

  test('parts by kind', () => {
    const pumps = JSON.parse(run(['parts', '--kind', 'pump', '--json'], read).out) as {
      kind: string;
    }[];
    expect(pumps.length).toBeGreaterThanOrEqual(5);
    expect(new Set(pumps.map((p) => p.kind))).toEqual(new Set(['pump']));
  });

  test('proof holds, as rows with everything asked for', () => {
    const r = run(['proof', '--json'], read);
    expect(r.code).toBe(0);
    const rows = JSON.parse(r.out) as Record<string, unknown>[];
    for (const key of [
      'id',
      'subject',
      'source',
      'expected',
      'got',
      'deviation',
      'tolerance',
      'ok',
    ])
      expect(rows[0]).toHaveProperty(key);
    expect(run(['proof'], read).out).toMatch(/\d+ of \d+ hold\n$/);
  });

  test('help', () => {
    expect(run([], read).out).toContain('evaluate FILE|-');
    expect(run(['--help'], read).code).toBe(0);
  });

  test('solids: every gap of the evaluation is what the printed solids make of it', () => {
    const solids = JSON.parse(run(['solids', 'x'], () => desk).out) as {
      component: string;
      name: string;
      shape?: 'box' | 'cylinder';
      min: number[];
      max: number[];
      from: number[];
      to: number[];
      radius: number;
      port?: string;
      at?: number[];
    }[];
    expect(solids.some((s) => s.shape === 'cylinder' && s.component === 'reservoir')).toBe(true);
    expect(solids.filter((s) => s.port && s.component === 'pump').length).toBe(3);
    const { gaps } = (
      JSON.parse(run(['evaluate', 'x'], () => desk).out) as {
        reports: {
          clearance: {
            gaps: { a: string; b: string; gap_mm: number; worst_mm: number; rss_mm: number }[];
          };
        };
      }
    ).reports.clearance;
    const boxes = (component: string) =>
      solids.filter((s) => s.component === component && s.shape === 'box');
    const only = (component: string): boolean =>
      boxes(component).length > 0 &&
      !solids.some((s) => s.component === component && s.shape === 'cylinder');
    const seen = gaps.filter((g) => only(g.a) && only(g.b) && g.gap_mm > 0);
    expect(seen.length).toBeGreaterThan(5);
    for (const g of seen) {
      const least = Math.min(
        ...boxes(g.a).flatMap((p) =>
          boxes(g.b).map((q) =>
            Math.hypot(
              ...[0, 1, 2].map((i) =>
                Math.max(
                  0,
                  (q.min[i] as number) - (p.max[i] as number),
                  (p.min[i] as number) - (q.max[i] as number),
                ),
              ),
            ),
          ),
        ),
      );
      expect(g.gap_mm).toBeCloseTo(least, 9);
      expect(g.rss_mm).toBeGreaterThanOrEqual(g.worst_mm - 1e-9);
      expect(g.rss_mm).toBeLessThanOrEqual(g.gap_mm);
    }
  });

  test('transient prints CSV over time: a row a step, warming from the room', () => {
    const out = run(
      ['transient', 'x', '--case', 'render', '--seconds', '120', '--fault', 'pump stops@60'],
      () => desk,
    );
    expect(out.code).toBe(0);
    const rows = out.out
      .trim()
      .split('\r\n')
      .map((r) => r.split(','));
    expect(rows.length).toBe(122);
    const column = (name: string): number => (rows[0] ?? []).indexOf(name);
    expect(column('loop_mean_C')).toBeGreaterThan(0);
    expect(Number(rows[1]?.[column('loop_mean_C')])).toBe(22);
    expect(Number(rows[61]?.[column('processor/die_C')])).toBeGreaterThan(30);
    expect(Number(rows[121]?.[column('loop_flow_Lmin')])).toBe(0);
  });

  test.each([
    ['play', 'gaming'],
    ['torture', 'stress'],
    ['own', 'custom'],
  ])('the load case %s of before version 3 is %s', (old, present) => {
    const at = (load: string) =>
      run(['transient', 'x', '--case', load, '--seconds', '5'], () => desk);
    expect(at(old)).toEqual(at(present));
    expect(at(old).code).toBe(0);
  });

  test('a build file of version 2 is evaluated as the one of this version it becomes', () => {
    const kept = readFileSync('src/core/design/fixtures/v2.json', 'utf8');
    const migrated = parseDesign(kept);
    if (!migrated.ok) throw new Error('it does not open');
    const { out, code } = run(['evaluate', 'x', '--no-fixes'], () => kept);
    expect(code).toBe(0);
    expect(out).toBe(run(['evaluate', 'x', '--no-fixes'], () => designToText(migrated.value)).out);
    expect(JSON.parse(out)).toHaveProperty('reports.heat.stress.hotSpots');
  });

  test.each([
    ['--case', 'lunch'],
    ['--seconds', '-4'],
    ['--start', 'warm'],
    ['--fault', 'rain@4'],
    ['--fault', 'flow sags@4:5'],
    ['--fault', 'fan stops@4:nobody'],
    ['--step', '900'],
  ])('transient refuses %s %s', (flag, value) => {
    const out = run(['transient', 'x', flag, value], () => desk);
    expect(out.code).toBe(1);
    expect(out.err.length).toBeGreaterThan(10);
  });

  /**
   * Worked by hand: 101.6 mm to the corner, 12.7 mm radius: 88.9 mm, then 80 − 12.7 mm; cut 88.9 +
   * 19.949 + 67.3.
   */
  test('bend: corners to lengths, rotations and angles', () => {
    files['tube.csv'] = 'x,y,z\n0,0,0\n101.6,0,0\n101.6,80,0\n';
    const r = run(['bend', 'tube.csv', '--radius', '12.7'], read);
    expect(r.code).toBe(0);
    expect(r.out.split('\n').slice(0, 4)).toEqual([
      'bend,length_mm,rotation_deg,angle_deg',
      '1,88.9,0,90',
      'end,67.3,,',
      expect.stringMatching(/^# cut 176\.149/),
    ]);
  });

  test.each([
    [['bend', 'tube.csv'], 2],
    [['bend', 'tube.csv', '--radius', 'wide'], 2],
    [['bend', 'ghost.csv', '--radius', '5'], 1],
    [['bend', 'none.json', '--radius', '5'], 1],
  ])('%j is refused', (args, code) => {
    expect(run(args, read)).toMatchObject({ code, out: '' });
  });

  test("evaluate gives each routed run's way as outside checks read it", () => {
    files['desk.json'] = desk;
    const { runs } = (
      JSON.parse(run(['evaluate', 'desk.json'], read).out) as {
        reports: {
          runs: {
            by: string;
            path?: { kind: string }[];
            lra?: unknown[];
            nearest?: unknown;
            cut_mm: number;
          }[];
        };
      }
    ).reports;
    for (const r of runs.filter((x) => x.by === 'tube')) {
      expect(r.path?.length).toBeGreaterThan(0);
      expect(r.lra).toBeDefined();
      expect(r.nearest).toHaveProperty('gap_mm');
    }
  });
});
