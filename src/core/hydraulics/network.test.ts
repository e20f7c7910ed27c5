import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import networkFile from '@reference/network.json';
import { networkOfReference, type ReferenceNetwork } from '@/proof/reference';
import { water } from '../fluids';
import { readyNetwork, solveNetwork, type FlowNetwork, type NetworkLink } from '.';

describe('networks against EPANET (reference/network.json, engine 2.3.5)', () => {
  const cases = networkFile.cases as unknown as ReferenceNetwork[];

  test.each(cases.map((c) => [c.id, c] as const))('%s', (id, c) => {
    const solution = solveNetwork(networkOfReference(c));
    expect(solution.status).toBe('solved');
    const tolerance = id.includes('transition') ? 0.035 : 0.005;
    for (const [link, expected] of Object.entries(c.expected.epanet.flows_L_min)) {
      if (Math.abs(expected) < 0.01) continue;
      expect(Math.abs((solution.flows.get(link) ?? NaN) / expected - 1)).toBeLessThan(tolerance);
    }
  });

  test.each(cases.filter((c) => !c.id.includes('transition')).map((c) => [c.id, c] as const))(
    "%s within 0.02 %% of the file's own Colebrook solution, another code",
    (_, c) => {
      const { flows } = solveNetwork(networkOfReference(c));
      for (const [link, expected] of Object.entries(c.expected.own_colebrook?.flows_L_min ?? {})) {
        if (Math.abs(expected) > 0.01)
          expect(Math.abs((flows.get(link) ?? NaN) / expected - 1)).toBeLessThan(2e-4);
      }
    },
  );
});

const FLUID = water(30);
const GIVES = { fullSpeed_rpm: 4800, curve: readyCurve() };
function readyCurve(): { x: number[]; y: number[]; slope: number[] } {
  return { x: [0, 5, 10, 20], y: [4, 3.5, 2.7, 0.4], slope: [-0.05, -0.13, -0.2, -0.25] };
}
const part = (id: string, from: string, to: string, b: number): NetworkLink => ({
  id,
  from,
  to,
  curve: { a: 0.1, b },
});
const pump = (id: string, from: string, to: string, speed = 1): NetworkLink => ({
  id,
  from,
  to,
  pump: { curve: GIVES, speed },
});
const tube = (id: string, from: string, to: string, length_mm: number): NetworkLink => ({
  id,
  from,
  to,
  pipe: { length_mm, bore_mm: 10, minor: [{ k: 1.2, bore_mm: 9, of: 'ends' }] },
});
const loop = (links: readonly NetworkLink[], fixed: readonly string[] = ['n0']): FlowNetwork => ({
  fluid: FLUID,
  links,
  fixed,
});

/**
 * Any loop a builder may draw and more: a ring of parts and tubes with chords across it, pumps
 * anywhere.
 */
const anyNetwork = fc
  .record({
    ring: fc.array(
      fc.record({
        kind: fc.constantFrom('part', 'tube'),
        size: fc.double({ min: 0.05, max: 3, noNaN: true }),
      }),
      { minLength: 3, maxLength: 12 },
    ),
    chords: fc.array(
      fc.record({
        from: fc.nat(11),
        to: fc.nat(11),
        size: fc.double({ min: 0.05, max: 3, noNaN: true }),
        pumped: fc.boolean(),
      }),
      { maxLength: 5 },
    ),
    speed: fc.double({ min: 0.2, max: 1, noNaN: true }),
  })
  .map(({ ring, chords, speed }) => {
    const n = ring.length + 1;
    const links: NetworkLink[] = [
      pump('pump', 'n0', 'n1', speed),
      ...ring.map((r, i) =>
        r.kind === 'part'
          ? part(`r${i}`, `n${i + 1}`, `n${(i + 2) % n}`, r.size)
          : tube(`r${i}`, `n${i + 1}`, `n${(i + 2) % n}`, r.size * 1000),
      ),
    ];
    chords.forEach((c, i) => {
      const from = `n${c.from % n}`,
        to = `n${c.to % n}`;
      if (from !== to)
        links.push(
          c.pumped
            ? { ...pump(`c${i}`, from, to), curve: { a: 0.2, b: c.size } }
            : part(`c${i}`, from, to, c.size),
        );
    });
    return loop(links);
  });

/** Sum of what comes in minus what goes out, at every node. */
function imbalances(network: FlowNetwork, flows: ReadonlyMap<string, number>): number[] {
  const sum = new Map<string, number>();
  for (const l of network.links) {
    const q = flows.get(l.id) ?? NaN;
    sum.set(l.from, (sum.get(l.from) ?? 0) - q);
    sum.set(l.to, (sum.get(l.to) ?? 0) + q);
  }
  return [...sum.values()];
}

describe('properties of the solver', () => {
  test('mass balances at every node to 1e-6 L/min and energy round every loop to 0.1 Pa', () => {
    fc.assert(
      fc.property(anyNetwork, (network) => {
        const s = solveNetwork(network);
        expect(s.status).toBe('solved');
        for (const off of imbalances(network, s.flows)) expect(Math.abs(off)).toBeLessThan(1e-6);
        // Pressures at nodes are one number each, so every circle closes when every link's drop is
        // the difference of its ends.
        for (const l of network.links)
          expect(
            Math.abs(
              (s.pressures.get(l.from) ?? NaN) -
                (s.pressures.get(l.to) ?? NaN) -
                (s.drops.get(l.id) ?? NaN),
            ),
          ).toBeLessThan(1e-4);
      }),
      { numRuns: 200 },
    );
  });

  test('the order in which links are listed does not matter', () => {
    fc.assert(
      fc.property(anyNetwork, fc.infiniteStream(fc.nat(1000)), (network, random) => {
        const shuffled = network.links
          .map((l) => [random.next().value as number, l] as const)
          .sort((a, b) => a[0] - b[0])
          .map(([, l]) => l);
        const one = solveNetwork(network),
          other = solveNetwork({ ...network, links: shuffled });
        for (const l of network.links)
          expect(
            Math.abs((other.flows.get(l.id) ?? NaN) - (one.flows.get(l.id) ?? NaN)),
          ).toBeLessThan(1e-5);
      }),
      { numRuns: 60 },
    );
  });

  test('doubling a tube never raises the flow of a loop with one pump', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 20, max: 2000, noNaN: true }), { minLength: 2, maxLength: 6 }),
        fc.nat(5),
        (lengths, which) => {
          const ring = (scale: number): FlowNetwork =>
            loop([
              pump('pump', 'n0', 'n1'),
              part('block', 'n1', 'n2', 0.4),
              ...lengths.map((mm, i) =>
                tube(
                  `t${i}`,
                  `n${i + 2}`,
                  i === lengths.length - 1 ? 'n0' : `n${i + 3}`,
                  i === which % lengths.length ? mm * scale : mm,
                ),
              ),
            ]);
          expect(solveNetwork(ring(2)).flows.get('pump') ?? NaN).toBeLessThanOrEqual(
            (solveNetwork(ring(1)).flows.get('pump') ?? NaN) + 1e-7,
          );
        },
      ),
      { numRuns: 80 },
    );
  });

  test('a plugged branch carries none, and its pressures are those of where it hangs', () => {
    const s = solveNetwork(
      loop([
        pump('p', 'n0', 'b'),
        part('1', 'b', 'c', 1),
        part('2', 'b', 'c', 1),
        part('3', 'c', 'n0', 0.4),
        part('dead', 'c', 'x', 1),
        part('deader', 'x', 'y', 1),
      ]),
    );
    expect(s.flows.get('1')).toBeCloseTo(s.flows.get('2') ?? NaN, 6);
    expect(s.flows.get('dead')).toBe(0);
    expect(s.flows.get('deader')).toBe(0);
    expect(s.pressures.get('y')).toBeCloseTo(s.pressures.get('c') ?? NaN, 9);
  });

  test('a piece without a fixed node is solved by itself', () => {
    const s = solveNetwork(
      loop([
        pump('p', 'n0', 'b'),
        part('1', 'b', 'n0', 1),
        pump('q', 'x', 'y'),
        part('2', 'y', 'x', 1),
      ]),
    );
    expect(s.status).toBe('solved');
    expect(s.flows.get('p')).toBeCloseTo(s.flows.get('q') ?? NaN, 6);
  });

  test('without a pump nothing flows, with nothing to flow through either; a standing pump only takes', () => {
    const still = solveNetwork(loop([part('1', 'n0', 'b', 1), part('2', 'b', 'n0', 1)]));
    expect(still.status).toBe('solved');
    expect(Math.abs(still.flows.get('1') ?? NaN)).toBeLessThan(1e-4);
    expect(solveNetwork(loop([])).status).toBe('solved');
    const alone =
      solveNetwork(loop([pump('p', 'n0', 'b'), part('1', 'b', 'n0', 0.5)])).flows.get('p') ?? NaN;
    const withStanding =
      solveNetwork(
        loop([pump('p', 'n0', 'b'), pump('s', 'b', 'c', 0), part('1', 'c', 'n0', 0.5)]),
      ).flows.get('p') ?? NaN;
    expect(withStanding).toBeLessThan(alone);
    expect(withStanding).toBeGreaterThan(0);
  });

  test('a weak pump beside a strong one is pushed backwards, and the sign says so', () => {
    const s = solveNetwork(
      loop([pump('strong', 'n0', 'b'), pump('weak', 'n0', 'b', 0.2), part('1', 'b', 'n0', 3)]),
    );
    expect(s.status).toBe('solved');
    expect(s.flows.get('weak') ?? NaN).toBeLessThan(0);
  });

  test('what is made ready once gives the same at other speeds as a network of that speed', () => {
    const ready = readyNetwork(
      loop([
        pump('p', 'n0', 'b'),
        tube('t', 'b', 'c', 800),
        part('1', 'c', 'n0', 0.5),
        part('2', 'c', 'n0', 1.5),
      ]),
    );
    for (const share of [0.3, 0.6, 1, 0.45]) {
      const { links } = ready.network;
      const plain = solveNetwork(
        loop(links.map((l) => (l.pump ? { ...l, pump: { ...l.pump, speed: share } } : l))),
      );
      expect(ready.solve({ share }).flows.get('2')).toBeCloseTo(plain.flows.get('2') ?? NaN, 7);
    }
  });

  test('affinity: with a purely quadratic loop, flow goes with speed', () => {
    const ready = readyNetwork(
      loop([
        {
          id: 'p',
          from: 'n0',
          to: 'b',
          pump: {
            curve: { fullSpeed_rpm: 1, curve: { x: [0, 10], y: [4, 1], slope: [-0.3, -0.3] } },
            speed: 1,
          },
        },
        { id: '1', from: 'b', to: 'n0', curve: { a: 0, b: 0.6 } },
      ]),
    );
    const full = ready.solve().flows.get('p') ?? NaN;
    expect(ready.solve({ share: 0.5 }).flows.get('p')).toBeCloseTo(full / 2, 6);
  });
});

test('a law that gives no number: said as singular, and no figure is NaN', () => {
  const broken: FlowNetwork = {
    fluid: water(25),
    fixed: ['a'],
    links: [
      { id: 'one', from: 'a', to: 'b', curve: { a: 1, b: 1 } },
      { id: 'two', from: 'b', to: 'a', curve: { a: 2, b: 1 } },
      {
        id: 'three',
        from: 'b',
        to: 'a',
        own: {
          guess: 1,
          into: (_, out) => {
            out[0] = NaN;
            out[1] = NaN;
          },
        },
      },
    ],
  };
  const { status, flows, pressures } = solveNetwork(broken);
  expect(status).toBe('singular');
  for (const q of flows.values()) expect(Number.isFinite(q)).toBe(true);
  expect(Number.isFinite(pressures.get('a'))).toBe(true);
});
