import type { FluidProperties } from '../fluids';
import { readyNetwork, type NetworkLink, type ReadyNetwork } from '../hydraulics';
import { pointAt, rowAlone, RowLaw, type FanOperatingPoint, type FanRow } from './fanRow';
import { ROOM_AIR, type AirOpening } from './opening';

/** All that moves air or lets it pass, and where between. */
export interface AirModel {
  readonly rows: readonly FanRow[];
  readonly openings: readonly AirOpening[];
  /** Of the case; none of an open frame. */
  readonly chambers: readonly string[];
  /** Share of a row's flow that the installation leaves. */
  readonly factor: number;
  readonly air: FluidProperties;
}

/** The air of a case in balance. */
export interface AirSolution {
  readonly status: 'solved' | 'open' | 'not-converged';
  readonly rows: readonly FanOperatingPoint[];
  /** m³/h from `from` to `to`, by opening. */
  readonly openings: readonly number[];
  /** Pa over the room, by chamber. */
  readonly pressures_Pa: readonly number[];
}

/** Openings take a little in proportion to flow as well: m³/h at which both shares are alike. */
const CREEP_M3H = 0.2;

/**
 * Flows and pressures of a case's air: the pressure of each chamber at which what fans and openings
 * bring in goes out again (mass balance; the coolant's own solver, in Pa and m³/h). Buoyancy is
 * left out, density is the room's throughout. Of an open frame each row stands alone. Where no
 * balance is found the rows are told as they would be alone.
 */
export function solveAir(model: AirModel): AirSolution {
  const { rows, openings, chambers, factor, air } = model;
  const alone = (status: AirSolution['status']): AirSolution => ({
    status,
    rows: rows.map((row) => rowAlone(row, air.density_kgm3)),
    openings: openings.map(() => 0),
    pressures_Pa: chambers.map(() => 0),
  });
  if (chambers.length === 0) return alone('open');
  if (rows.length + openings.length === 0) return alone('solved');
  const ready = readyFor(model);
  const { status, flows, pressures } = ready.network.run();
  if (status !== 'solved') return alone('not-converged');
  const flowOf = ({ chain, sign }: Place): number =>
    chain < 0 ? 0 : sign * (flows[chain] as number);
  return {
    status: 'solved',
    rows: rows.map((row, i) => pointAt(row, flowOf(ready.places[i] as Place) / factor / row.count)),
    openings: openings.map((_, k) => flowOf(ready.places[rows.length + k] as Place)),
    pressures_Pa: ready.free
      ? ready.free.map((node) => pressures[node] as number)
      : pressuresOf(ready.network, chambers),
  };
}

/** Where a chamber lies between two links alone, its pressure is spelled out along them. */
function pressuresOf(network: ReadyNetwork, chambers: readonly string[]): readonly number[] {
  const solution = network.solve();
  return chambers.map((chamber) => solution.pressures.get(chamber) ?? 0);
}

/** The chain a link is in, and which way it runs there; −1 of one that no air can pass. */
interface Place {
  readonly chain: number;
  readonly sign: 1 | -1;
}

/** A network of air made ready, and the laws of its rows: other speeds are put into them. */
interface ReadyAir {
  readonly network: ReadyNetwork;
  readonly laws: readonly RowLaw[];
  /** Of each link: rows, then openings. */
  readonly places: readonly Place[];
  /** Number of each chamber among the free nodes; null where one is none of them. */
  readonly free: readonly number[] | null;
}

const made = new WeakMap<readonly AirOpening[], ReadyAir>();
/** The same case with other speeds, sizes or air is asked about again and again. */
function readyFor(model: AirModel): ReadyAir {
  const { rows, openings, chambers, factor, air } = model;
  let known = made.get(openings);
  if (known && sameRows(known.laws, rows))
    known.laws.forEach((law, i) => law.set(rows[i] as FanRow, air.density_kgm3, factor));
  else {
    const laws = rows.map((row) => new RowLaw(row, air.density_kgm3, factor));
    const links = linksOf(laws, openings);
    const network = readyNetwork({ fluid: air, fixed: [ROOM_AIR], links });
    const free = chambers.map((chamber) => network.chained.free.indexOf(chamber));
    known = {
      laws,
      network,
      places: links.map((_, link) => placeOf(network, link)),
      free: free.includes(-1) ? null : free,
    };
    made.set(openings, known);
  }
  return known;
}

function placeOf({ chained: { chains } }: ReadyNetwork, link: number): Place {
  const chain = chains.findIndex((c) => c.members.some((m) => m.link === link));
  const sign = chains[chain]?.members.find((m) => m.link === link)?.sign ?? 1;
  return { chain, sign };
}

const sameRows = (laws: readonly RowLaw[], rows: readonly FanRow[]): boolean =>
  laws.length === rows.length &&
  laws.every(({ row }, i) => {
    const { id, air, chamber } = rows[i] as FanRow;
    return row.id === id && row.air === air && row.chamber === chamber;
  });

const linksOf = (
  laws: readonly RowLaw[],
  openings: readonly AirOpening[],
): readonly NetworkLink[] => [
  ...laws.map((law): NetworkLink => ({
    id: `row:${law.row.id}`,
    from: law.row.air === 'in' ? ROOM_AIR : law.row.chamber,
    to: law.row.air === 'out' ? ROOM_AIR : law.row.chamber,
    own: law,
  })),
  ...openings.map((o): NetworkLink => ({
    id: `opening:${o.id}`,
    from: o.from,
    to: o.to,
    curve: { a: o.square * CREEP_M3H, b: o.square },
  })),
];
