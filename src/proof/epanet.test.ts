import { beforeAll, describe, expect, test } from '@jest/globals';
import epanetFile from '@reference/epanet.json';
import networkFile from '@reference/network.json';
import { DEMO_BUILDS } from '@/catalogue';
import { analyse } from '@/core/analysis';
import { readyNetwork, solveNetwork, type FlowNetwork } from '@/core/hydraulics';
import { coolantProperties } from '@/core/fluids';
import { inpLoops, readInp, writeInp, type InpLoop } from '@/format/inp';
import { solveInEpanet, type Solved } from './epanet.fixture';
import { flowsBetween, NETWORK_TOLERANCE } from './network';
import { CHECK_NETWORKS } from './networks';
import { networkOfReference, type ReferenceNetwork } from './reference';

const asFile = (id: string, network: FlowNetwork): string =>
  writeInp(id, [{ id: 'loop', name: id, network }]);
const far = (
  network: FlowNetwork,
  flows: ReadonlyMap<string, number>,
  other: (id: string) => number,
): number =>
  Math.max(
    0,
    ...network.links
      .filter((l) => Math.abs(flows.get(l.id) ?? 0) > 0.01)
      .map((l) => Math.abs(other(l.id) / (flows.get(l.id) ?? NaN) - 1)),
  );

describe('EPANET, run here, on the files we write', () => {
  test('at least twenty networks of our own', () => {
    expect(CHECK_NETWORKS.length).toBeGreaterThanOrEqual(20);
    expect(CHECK_NETWORKS.some((n) => n.between)).toBe(true);
  });

  describe.each(CHECK_NETWORKS.map((n) => [n.id, n] as const))('%s', (id, { network, between }) => {
    const own = solveNetwork(network);
    let theirs: Solved;
    beforeAll(async () => {
      theirs = await solveInEpanet(asFile(id, network));
    });

    test('agrees in every flow', () => {
      expect(own.status).toBe('solved');
      expect(flowsBetween(network, own.flows)).toBe(between ?? false);
      expect(far(network, own.flows, theirs.flow)).toBeLessThan(
        between ? NETWORK_TOLERANCE.between : NETWORK_TOLERANCE.outside,
      );
    });

    /** EPANET's g is 32.2 ft/s², +0.08 %; friction formulas differ by up to 0.5 % in head. */
    test('agrees in every head to 1 % of the largest', () => {
      if (between) return expect(own.status).toBe('solved');
      const perMetre = (network.fluid.density_kgm3 * 9.80665) / 1000;
      const most = Math.max(...[...own.pressures.values()].map(Math.abs));
      for (const [node, kPa] of own.pressures)
        expect(Math.abs(theirs.head(node) * perMetre - kPa)).toBeLessThan(0.01 * most);
      return undefined;
    });

    test('is what reference/epanet.json keeps', () => {
      const kept = (
        epanetFile.cases as unknown as {
          id: string;
          expected: { flows_L_min: Record<string, number> };
        }[]
      ).find((c) => c.id === `epanet-${id}`);
      for (const [link, q] of Object.entries(kept?.expected.flows_L_min ?? { none: NaN }))
        expect(theirs.flow(link)).toBeCloseTo(q, 5);
    });
  });

  test.each((networkFile.cases as unknown as ReferenceNetwork[]).map((c) => [c.id, c] as const))(
    '%s of the published nine, written anew, gives the published flows',
    async (id, c) => {
      const network = networkOfReference(c);
      const theirs = await solveInEpanet(asFile(id, network));
      for (const [link, q] of Object.entries(c.expected.epanet.flows_L_min))
        if (Math.abs(q) > 0.01) expect(Math.abs(theirs.flow(link) / q - 1)).toBeLessThan(5e-4);
    },
  );
});

describe('demo builds', () => {
  test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
    '%s: evaluation, file and EPANET agree, link by link, pump by pump',
    async (_, design) => {
      const w = analyse(design);
      const { flow } = w.reports;
      const theirs = await solveInEpanet(
        writeInp(design.name, inpLoops(w.system, w.reports.runs, flow)),
      );
      for (const l of flow.links)
        if (Math.abs(l.flow_Lmin) > 0.01)
          expect(Math.abs(theirs.flow(l.id) / l.flow_Lmin - 1)).toBeLessThan(
            NETWORK_TOLERANCE.outside,
          );
      for (const p of flow.pumps) {
        const edge = w.system.loops.flatMap((g) => g.links).find((e) => e.component === p.id);
        expect(
          Math.abs((theirs.head(edge?.to ?? '') - theirs.head(edge?.from ?? '')) / p.head_m - 1),
        ).toBeLessThan(0.01);
      }
    },
  );

  test('one loop alone is written with its tubes as they are', () => {
    const w = analyse(
      DEMO_BUILDS[1]?.design ??
        (() => {
          throw new Error('no demo');
        })(),
    );
    const [loop] = inpLoops(w.system, w.reports.runs, w.reports.flow, 'loop-2');
    expect(writeInp('one', [loop as InpLoop])).toMatch(/^run-6 pump-2\/out \S+ \S+ 12 0\.0015 /m);
  });
});

describe('files read back', () => {
  test.each(CHECK_NETWORKS.map((n) => [n.id, n.network] as const))(
    '%s comes back the same network',
    (id, network) => {
      const [read] = readInp(asFile(id, network));
      const tees = network.links.some((l) => l.tee);
      const before = solveNetwork(network),
        after = solveNetwork(read?.network ?? network);
      expect([...after.flows.keys()].sort()).toEqual([...before.flows.keys()].sort());
      expect(read?.network.fixed).toEqual(network.fixed);
      // A tee comes back as the K it has at its split: the same to the last figure only there.
      for (const [link, q] of before.flows)
        expect(Math.abs((after.flows.get(link) ?? NaN) - q)).toBeLessThan(tees ? 1e-3 : 1e-5);
      for (const l of network.links.filter((x) => x.pipe)) {
        const twin = read?.network.links.find((x) => x.id === l.id);
        expect(twin?.pipe?.length_mm).toBeCloseTo(l.pipe?.length_mm ?? NaN, 6);
        expect(twin?.pipe?.bore_mm).toBeCloseTo(l.pipe?.bore_mm ?? NaN, 8);
      }
    },
  );

  test('written again, what was read gives the same file', () => {
    const network = CHECK_NETWORKS[0]?.network as FlowNetwork;
    const [read] = readInp(asFile('again', network));
    const lines = (text: string): string[] =>
      text.split('\n').filter((l) => /^(tank|t\d|out|in) /.test(l));
    expect(lines(asFile('again', read?.network ?? network))).toEqual(
      lines(asFile('again', network)),
    );
  });

  /**
   * One viscosity a file: the second loop's pipes are written so that they lose the same head at
   * every flow.
   */
  test('two loops with unlike coolants in one file: EPANET finds both flows, and they come back with their own tubes', async () => {
    const at = (
      base: { glycol: 'none' | 'propylene'; volumeShare: number },
      t: number,
      tag: string,
    ): InpLoop => ({
      id: tag,
      name: tag,
      network: {
        fluid: coolantProperties(base, t),
        fixed: [`${tag}tank`],
        links: [
          {
            id: `${tag}pump`,
            from: `${tag}tank`,
            to: `${tag}a`,
            pump: {
              speed: 0.8,
              curve: {
                fullSpeed_rpm: 1,
                curve: { x: [0, 10, 20], y: [4, 2.8, 0.4], slope: [-0.09, -0.17, -0.3] },
              },
            },
          },
          {
            id: `${tag}tube`,
            from: `${tag}a`,
            to: `${tag}b`,
            pipe: { length_mm: 1500, bore_mm: 10, minor: [{ k: 6, bore_mm: 9, of: 'all' }] },
          },
          { id: `${tag}block`, from: `${tag}b`, to: `${tag}tank`, curve: { a: 0.4, b: 0.5 } },
        ],
      },
    });
    const both = [
      at({ glycol: 'none', volumeShare: 0 }, 40, 'w.'),
      at({ glycol: 'propylene', volumeShare: 0.3 }, 20, 'g.'),
    ];
    const text = writeInp('two', both);
    const theirs = await solveInEpanet(text);
    for (const l of both)
      expect(far(l.network, solveNetwork(l.network).flows, theirs.flow)).toBeLessThan(
        NETWORK_TOLERANCE.outside,
      );
    const read = readInp(text);
    expect(read.map((r) => r.id)).toEqual(['w.', 'g.']);
    expect(read[1]?.network.links.find((l) => l.id === 'g.tube')?.pipe?.bore_mm).toBeCloseTo(10, 8);
    expect(read[1]?.network.fluid.density_kgm3).toBeCloseTo(
      both[1]?.network.fluid.density_kgm3 ?? NaN,
      6,
    );
  });

  test('long and blank names are shortened, told at the top, and come back', async () => {
    const long = 'the-pump-that-hangs-behind-the-front-radiator.1',
      blank = 'a b;c';
    const network: FlowNetwork = {
      ...(CHECK_NETWORKS[0]?.network as FlowNetwork),
      links: (CHECK_NETWORKS[0]?.network.links ?? []).map((l) => {
        if (l.id === 'pump') return { ...l, id: long };
        if (l.id === 't1') return { ...l, id: blank };
        if (l.id === 't2') return { ...l, id: `${long}x` };
        return l;
      }),
    };
    const text = asFile('names', network);
    expect(text.split('\n')[0]).toMatch(/^; map \S{1,31} = /);
    const theirs = await solveInEpanet(text);
    expect(theirs.flow(long.slice(0, 31))).toBeCloseTo(
      solveNetwork(network).flows.get(long) ?? NaN,
      1,
    );
    expect(
      readInp(text)[0]
        ?.network.links.map((l) => l.id)
        .sort(),
    ).toEqual(network.links.map((l) => l.id).sort());
  });

  test.each([
    ['[PIPES]\np a b 1 10 0 0 OPEN', 'units must be LPM'],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[JUNCTIONS]\na 0\n[PIPES]\np a b 1 10 0 0 OPEN',
      'line 7: there is no node "b"',
    ],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[JUNCTIONS]\na 0\nb 0\n[PIPES]\np a b -1 10 0 0 OPEN',
      'line 8: length must be a number',
    ],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[JUNCTIONS]\na 0\nb 0\n[VALVES]\nv a b 10 PRV 3 0',
      'line 8: only general-purpose valves',
    ],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[JUNCTIONS]\na 0\nb 0\n[PUMPS]\nv a b HEAD none',
      'line 8: a pump needs HEAD',
    ],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[CURVES]\nc 2 1\nc 1 2',
      'line 6: flows of a curve must rise',
    ],
    ['[OPTIONS]\nUnits LPM\nHeadloss D-W\n[TANKS]\nt 1 2 3', 'line 5: [TANKS] is not read'],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[JUNCTIONS]\na 0 2.5\nb 0\n[PIPES]\np a b 1 10 0 0 OPEN',
      'line 5: a demand is not supported',
    ],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[JUNCTIONS]\na 0\nb 0\n[DEMANDS]\na 1',
      'line 8: a demand is not supported',
    ],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[JUNCTIONS]\na 0\nb 0\n[PIPES]\np a b 1 10 0 0 CV',
      'line 8: the status "CV" is not read',
    ],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[RESERVOIRS]\na 0\nb 3\n[PIPES]\np a b 1 10 0 0 OPEN',
      'line 6: the head of this reservoir is not that of "a"',
    ],
    [
      '[OPTIONS]\nUnits LPM\nHeadloss D-W\n[RESERVOIRS]\na 0 day\n[JUNCTIONS]\nb 0\n[PIPES]\np a b 1 10 0 0 OPEN',
      'line 5: a reservoir that follows a PATTERN',
    ],
    ['hello', 'text before the first'],
  ])('a file that is not ours says where: %#', (text, message) => {
    expect(() => readInp(text)).toThrow(message);
  });

  test("EPANET's short head curves: one point and three", () => {
    const file = (curve: string): string =>
      `[JUNCTIONS]\na 0\n[RESERVOIRS]\nr 0\n[PIPES]\np a r 3 10 0.0015 5 OPEN\n[PUMPS]\nu r a HEAD c\n[CURVES]\n${curve}\n[OPTIONS]\nUnits LPM\nHeadloss D-W\nViscosity 8.927e-7`;
    for (const curve of ['c 6 2.4', 'c 0 4\nc 6 3\nc 11 1']) {
      const [read] = readInp(file(curve));
      expect(readyNetwork(read?.network as FlowNetwork).solve().status).toBe('solved');
    }
  });

  test.each([
    ['its own status', 'q a r 3 10 0.0015 5 CLOSED', ''],
    ['[STATUS]', 'q a r 3 10 0.0015 5 OPEN', '[STATUS]\nq CLOSED\n'],
  ])('a pipe closed by %s carries nothing, as in EPANET', async (_, pipe, status) => {
    const file = (line: string, closed: string): string =>
      `[JUNCTIONS]\na 0\n[RESERVOIRS]\nr 0\n[PIPES]\np a r 3 10 0.0015 5 OPEN\n${line}\n[PUMPS]\nu r a HEAD c\n[CURVES]\nc 6 2.4\n${closed}[OPTIONS]\nUnits LPM\nHeadloss D-W\nViscosity 8.927e-7\n[END]\n`;
    const flowOf = (text: string): number =>
      solveNetwork(readInp(text)[0]?.network as FlowNetwork).flows.get('u') ?? NaN;
    const theirs = await solveInEpanet(file(pipe, status));
    expect(Math.abs(flowOf(file(pipe, status)) / theirs.flow('u') - 1)).toBeLessThan(0.005);
    expect(Math.abs(theirs.flow('q'))).toBeLessThan(1e-6);
    // Open it carries half: the closed file is another network.
    const open = flowOf(file('q a r 3 10 0.0015 5 OPEN', ''));
    expect(open / flowOf(file(pipe, status))).toBeGreaterThan(1.05);
  });

  test('EPANET itself agrees on those two', async () => {
    for (const curve of ['c 6 2.4', 'c 0 4\nc 6 3\nc 11 1']) {
      const text = `[JUNCTIONS]\na 0\n[RESERVOIRS]\nr 0\n[PIPES]\np a r 3 10 0.0015 5 OPEN\n[PUMPS]\nu r a HEAD c\n[CURVES]\n${curve}\n[OPTIONS]\nUnits LPM\nHeadloss D-W\nViscosity 8.927e-7\n[END]\n`;
      const theirs = await solveInEpanet(text);
      expect(
        Math.abs(
          (solveNetwork(readInp(text)[0]?.network as FlowNetwork).flows.get('u') ?? NaN) /
            theirs.flow('u') -
            1,
        ),
      ).toBeLessThan(0.005);
    }
  });
});
