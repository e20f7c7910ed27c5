import { air } from '../fluid';
import type { FlowReport } from '../flow';
import { bareWind, blockAt, caseExchange, pumpHeat, sourceHeat, type HeatSetup } from '../heat';
import type { LoadCaseId } from '../part';
import type { Run } from '../run';
import { airCoolerCapacity, blockCapacity, edgeCapacity } from './capacity';
import { drivesOf, noiseAt, type Drive } from './drives';
import { huntingOf, settlingOf } from './judge';
import { LoopState, type Body, type Push } from './loop';
import { coolantOf, LoopFlows, onPumpGrid, RadiatorFigures } from './plant';
import { checkFault, lastStart, loadTimes } from './profile';
import { ScenarioError, type Fault, type Scenario, type SpotTrack, type Transient } from './types';

/** Longest scenario, steps. */
const MOST_STEPS = 90_000;
/** A step this long has no past: the state after it is the steady one, s. */
const NO_PAST_S = 1e9;
/** A part at its limit throttles: full power there, none this much above, K (common practice, no source); it gives way within seconds. */
const THROTTLE_K = 10,
  THROTTLE_S = 3;
/** Rounds that bring loops, case air and controls together before a settled start. */
const SETTLING_ROUNDS = 40;

/**
 * The build over time: loads, controls and faults on lumped heat capacities, coolant and flows as the settled answer has them.
 * Under steady speeds it ends where the steady answer stands. What is left out: the die's own second or so, the case's metal, heat that
 * rises in a standing loop (so a stopped pump is told on the safe side), and air that warms before it reaches a radiator. Throws
 * ScenarioError with the place of what cannot be run.
 */
export function runTransient(
  setup: HeatSetup,
  flow: FlowReport,
  runs: readonly Run[],
  scenario: Scenario,
  tell: (done: number) => boolean = () => true,
): Transient | null {
  const step = scenario.step_s ?? 1;
  if (!(step >= 0.05 && step <= 60)) throw new ScenarioError('a step is 0.05 to 60 s', 'step_s');
  const total = scenario.profile.reduce((s, p) => s + p.seconds, 0);
  const steps = Math.round(total / step);
  if (steps < 1) throw new ScenarioError('the load lasts no step', 'profile');
  if (steps > MOST_STEPS)
    throw new ScenarioError(
      `at most ${MOST_STEPS} steps are run, this has ${steps}: take longer steps`,
      'profile',
    );
  for (const [i, fault] of (scenario.faults ?? []).entries())
    checkFault(fault, `faults.${i}`, setup);
  const { model } = setup,
    { brief } = model.build;
  const roomAir = air(brief.room_C + 3, brief.altitude_m);
  const drives = drivesOf(setup);
  const driveOf = (item: string): Drive => drives.find((d) => d.item.id === item) as Drive;
  const fanSets = [...setup.radiators.flatMap((r) => r.fans), ...setup.bare.map((b) => b.set)];

  const loops = model.loops.map((graph) => {
    const flows = new LoopFlows(
      setup,
      graph,
      runs,
      coolantOf(flow, graph.loop.id, brief.room_C + 8),
    );
    const fills = new Map(
      model.build.items.flatMap((i) =>
        i.part.kind === 'reservoir'
          ? i.part.ports.map(
              (p) => [`${i.id}/${p.chamber}`, (i.part as { fill_mL: number }).fill_mL] as const,
            )
          : [],
      ),
    );
    const radiators = setup.radiators.flatMap((r, index) => {
      const edge = graph.edges.findIndex((e) => e.item?.id === r.id);
      return r.loop === graph.loop.id && edge >= 0
        ? [
            {
              index,
              edge,
              fans: r.fans.map((f) => driveOf(f.item)),
              speeds: new Float64Array(r.fans.length),
              figures: new RadiatorFigures(setup, index, flows.fluid, roomAir),
            },
          ]
        : [];
    });
    const bodies = setup.sources.flatMap((s, source): Body[] => {
      if (!s.block || s.loop !== graph.loop.id || s.block.part.kind !== 'block') return [];
      const { part } = s.block,
        edges = graph.edges.flatMap((e, k) => (e.item?.id === s.block?.id ? [k] : []));
      const sharing = setup.sources.filter((x) => x.block?.id === s.block?.id).length;
      return edges.map((edge): Body => ({
        source,
        share: 1 / edges.length,
        edge,
        capacity_JK: blockCapacity(part) / sharing / edges.length,
        resistance_KW: edges.length * blockAt(part, 1),
        temp_C: brief.room_C,
        heat_W: 0,
      }));
    });
    const state = new LoopState(
      graph,
      Float64Array.from(graph.edges, (e) =>
        edgeCapacity(e, graph, runs, setup.radiators, flows.fluid, fills),
      ),
      bodies,
      brief.room_C,
    );
    const n = graph.edges.length;
    const push: Push = {
      capacityFlow_WK: new Float64Array(n),
      conductance_WK: new Float64Array(n),
      air_C: new Float64Array(n),
      gain_W: new Float64Array(n),
    };
    const pumps = graph.edges.flatMap((e, edge) =>
      e.item?.part.kind === 'pump'
        ? [{ edge, drive: driveOf(e.item.id), part: e.item.part, at: NaN }]
        : [],
    );
    return {
      graph,
      flows,
      radiators,
      pumps,
      bodies,
      state,
      push,
      sag: NaN,
      through: new Float64Array(n),
    };
  });
  /** Parts on air: temperature of the cooler, and what it gives to the case air. */
  const coolers = setup.sources.flatMap((s, source) =>
    s.block
      ? []
      : [
          {
            source,
            capacity: airCoolerCapacity(s),
            resistance: s.part.spots[0]?.onAir_KW ?? 0.3,
            temp_C: brief.room_C,
            out_W: 0,
          },
        ],
  );
  let caseAir = brief.room_C,
    room = brief.room_C,
    sag = 0;

  /** What each part would draw, and the share of it that its own limit leaves. */
  const heatOf = (load: LoadCaseId): Float64Array =>
    Float64Array.from(setup.sources, (s) => sourceHeat(s, load));
  const left = new Float64Array(setup.sources.length).fill(1);
  const bodies = loops.flatMap((l) => l.bodies);
  const spots = setup.sources.flatMap((s, i) =>
    s.part.spots.map((spot) => {
      const cooler = coolers.find((c) => c.source === i),
        body = bodies.find((b) => b.source === i);
      const temp = (heats: Float64Array): number => {
        if (cooler) return caseAir + cooler.out_W * spot.onAir_KW;
        if (body) return body.temp_C + (heats[i] as number) * spot.interface_KW;
        return NaN;
      };
      return { s, i, spot, temp, limit_C: Math.min(spot.limit_C, brief.limits.part_C ?? Infinity) };
    }),
  );
  /** What a control looks at. */
  const sensorOf = (sensor: string): ((heats: Float64Array) => number) => {
    if (sensor === 'coolant')
      return () => {
        let most = brief.room_C;
        for (const l of loops) most = Math.max(most, meanOf(l.state));
        return most;
      };
    const found = spots.find(({ s, spot }) => `${s.item.id}/${spot.id}` === sensor);
    return (heats) => {
      const t = found?.temp(heats) ?? NaN;
      return Number.isFinite(t) ? t : brief.room_C;
    };
  };
  const sensors = drives.map((d) => sensorOf(d.item.settings.control?.sensor ?? 'coolant'));

  /** Speeds, flows and conductances as they are now. */
  const setDrives = (): void => {
    for (const l of loops) {
      let pumped = l.sag !== sag;
      for (const p of l.pumps) {
        const at = onPumpGrid(p.drive.now, p.drive.set_rpm);
        if (at !== p.at) {
          p.at = at;
          pumped = true;
        }
        l.push.gain_W[p.edge] = pumpHeat(p.part, p.drive.now);
      }
      if (pumped) {
        l.sag = sag;
        l.through = l.flows
          .at(new Map(l.pumps.map((p) => [p.drive.item.id, p.at])))
          .map((q) => q * (1 - sag));
        for (let k = 0; k < l.through.length; k += 1)
          l.push.capacityFlow_WK[k] = Math.abs(l.through[k] as number) * l.flows.perFlow_WK;
        l.state.setFlows(l.through);
        for (const b of l.bodies) {
          const { block } = setup.sources[b.source] as HeatSetup['sources'][number];
          if (block?.part.kind === 'block')
            b.resistance_KW = blockAt(block.part, l.through[b.edge] as number) / b.share;
        }
      }
      for (const r of l.radiators) {
        for (let i = 0; i < r.fans.length; i += 1) r.speeds[i] = (r.fans[i] as Drive).now;
        const figures = r.figures.at(r.speeds, Math.abs(l.through[r.edge] as number));
        l.push.conductance_WK[r.edge] = figures.k;
        airs[r.index] = figures.air_m3h;
      }
    }
  };
  const bareDrives = setup.bare.map((b) => driveOf(b.set.item));
  const airs = new Float64Array(setup.radiators.length);
  let windKey = '',
    bareIn = 0,
    bareOut = 0,
    exchange_WK = 0;
  const exchange = (): number => {
    const key = bareDrives.reduce((k, d) => `${k}${Math.round(d.now)},`, '');
    if (key !== windKey) {
      windKey = key;
      const winds = setup.bare.map((b) => ({
        way: b.air,
        flow:
          setup.factors.airFlow *
          bareWind({ ...b, set: { ...b.set, speed_rpm: driveOf(b.set.item).now } }).flow_m3h,
      }));
      bareIn = winds.reduce((s, x) => s + (x.way === 'in' ? x.flow : 0), 0);
      bareOut = winds.reduce((s, x) => s + (x.way === 'out' ? x.flow : 0), 0);
    }
    const way = (to: 'in' | 'out'): number =>
      setup.radiators.reduce((s, r, i) => s + (r.air === to ? (airs[i] as number) : 0), 0);
    return caseExchange(setup, roomAir, Math.max(way('in') + bareIn, way('out') + bareOut));
  };

  /** One step of everything; the heat that left, W. */
  const advance = (heats: Float64Array, dt: number): number => {
    let intake_W = 0,
      out_W = 0;
    for (const l of loops) {
      for (const b of l.bodies) b.heat_W = (heats[b.source] as number) * b.share;
      for (const r of l.radiators)
        l.push.air_C[r.edge] = setup.radiators[r.index]?.air === 'in' ? room : caseAir;
      out_W += l.state.step(l.push, dt);
      for (const r of l.radiators)
        if (setup.radiators[r.index]?.air === 'in')
          intake_W += (l.push.conductance_WK[r.edge] as number) * (l.state.inletAt(r.edge) - room);
    }
    let onAir_W = 0;
    for (const c of coolers) {
      const beta = c.capacity / dt;
      c.temp_C =
        (beta * c.temp_C + (heats[c.source] as number) + caseAir / c.resistance) /
        (beta + 1 / c.resistance);
      c.out_W = (c.temp_C - caseAir) / c.resistance;
      onAir_W += c.out_W;
    }
    caseAir = room + (intake_W + onAir_W) / exchange_WK;
    return out_W + onAir_W;
  };
  /** Speeds by control, fault or setting; true when one changed. */
  const follow = (heats: Float64Array, dt: number, stopped: ReadonlySet<string>): boolean => {
    let changed = false;
    for (let k = 0; k < drives.length; k += 1) {
      const d = drives[k] as Drive;
      const chooseNext = () => {
        if (stopped.has(d.item.id)) return 0;
        if (d.follower)
          return d.follower.step((sensors[k] as (h: Float64Array) => number)(heats), dt);
        return d.set_rpm;
      };
      const next = chooseNext();
      if (next !== d.now) {
        d.now = next;
        changed = true;
      }
    }
    return changed;
  };

  const firstLoad = scenario.profile[0]?.load ?? brief.loadCase;
  const adjust = (): void => {
    setDrives();
    exchange_WK = exchange();
  };
  adjust();
  if (scenario.start === 'steady') {
    const heats = heatOf(firstLoad);
    for (let i = 0; i < SETTLING_ROUNDS; i += 1) {
      advance(heats, NO_PAST_S);
      if (follow(heats, 1, new Set())) adjust();
    }
  }
  const stored0 = stored(loops, coolers);
  const count = steps + 1;
  const track = (): Float64Array => new Float64Array(count);
  const out = {
    time: track(),
    loads: [] as LoadCaseId[],
    noise: track(),
    caseAir: track(),
    room: track(),
    loops: loops.map(() => ({ mean: track(), hottest: track(), flow: track() })),
    spots: spots.map(() => ({ temp: track(), reached: null as number | null })),
    drives: drives.map(() => track()),
  };
  let in_J = 0,
    out_J = 0,
    noise = NaN,
    moved = true;
  const write = (i: number, load: LoadCaseId, heats: Float64Array): void => {
    out.time[i] = i * step;
    out.loads[i] = load;
    loops.forEach((l, k) => {
      const o = out.loops[k] as (typeof out.loops)[number];
      o.mean[i] = meanOf(l.state);
      o.hottest[i] = hottestOf(l.state);
      o.flow[i] = largest(l.through);
    });
    for (let k = 0; k < spots.length; k += 1) {
      const o = out.spots[k] as (typeof out.spots)[number],
        spot = spots[k] as (typeof spots)[number],
        t = spot.temp(heats);
      o.temp[i] = t;
      if (o.reached === null && t >= spot.limit_C) o.reached = i * step;
    }
    for (let k = 0; k < drives.length; k += 1)
      (out.drives[k] as Float64Array)[i] = (drives[k] as Drive).now;
    if (moved) {
      moved = false;
      noise = noiseAt(setup, fanSets, drives, driveOf);
    }
    out.noise[i] = noise;
    out.caseAir[i] = caseAir;
    out.room[i] = room;
  };
  const counted = setup.sources.map((s) => !s.block || s.loop !== null);
  const given = (heats: Float64Array): number => {
    let sum = 0;
    for (let k = 0; k < counted.length; k += 1) if (counted[k]) sum += heats[k] as number;
    for (const l of loops)
      for (let k = 0; k < l.push.gain_W.length; k += 1) sum += l.push.gain_W[k] as number;
    return sum;
  };
  const at = loadTimes(scenario);
  write(0, firstLoad, heatOf(firstLoad));
  const over = new Float64Array(setup.sources.length);
  /** Power that limits leave; asked J and given J tell what was lost. */
  const throttle = (wanted: Float64Array, given_W: Float64Array): void => {
    over.fill(0);
    for (const spot of spots) {
      const by = spot.temp(given_W) - spot.limit_C;
      if (by > (over[spot.i] as number)) over[spot.i] = by;
    }
    for (let k = 0; k < left.length; k += 1) {
      const target = Math.max(0, 1 - (over[k] as number) / THROTTLE_K);
      left[k] =
        (left[k] as number) + (target - (left[k] as number)) * Math.min(1, step / THROTTLE_S);
      given_W[k] = (wanted[k] as number) * (left[k] as number);
    }
  };
  let load = firstLoad,
    wanted = heatOf(load),
    asked_J = 0,
    done_J = 0;
  const heats = Float64Array.from(wanted);
  const stopped = new Set<string>();
  const waiting = [...(scenario.faults ?? [])].sort((a, b) => a.at_s - b.at_s);
  const befall = (fault: Fault): void => {
    if (fault.kind === 'flow sags') sag = Math.min(0.95, Math.max(0, fault.amount ?? 0.5));
    else if (fault.kind === 'room warms') room = brief.room_C + (fault.amount ?? 8);
    else
      for (const d of drives)
        if (
          d.kind === (fault.kind === 'pump stops' ? 'pump' : 'fan') &&
          (fault.item === undefined || fault.item === d.item.id)
        )
          stopped.add(d.item.id);
  };
  for (let i = 1; i <= steps; i += 1) {
    const now = (i - 1) * step;
    const due = at(now);
    if (due !== load) {
      load = due;
      wanted = heatOf(load);
    }
    throttle(wanted, heats);
    const sagged = sag;
    while (waiting[0] && waiting[0].at_s <= now) befall(waiting.shift() as Fault);
    if (follow(heats, step, stopped)) moved = true;
    if (moved || sag !== sagged) adjust();
    out_J += advance(heats, step) * step;
    for (let k = 0; k < heats.length; k += 1) {
      asked_J += wanted[k] as number;
      done_J += heats[k] as number;
    }
    in_J += given(heats) * step;
    write(i, load, heats);
    if (i % 600 === 0 && !tell(i / steps)) return null;
  }
  const stored_J = stored(loops, coolers) - stored0;
  const spotTracks = spots
    .map(({ s, spot, limit_C }, k): SpotTrack => ({
      item: s.item.id,
      spot: spot.id,
      name: `${s.item.name}, ${spot.name}`,
      limit_C,
      temp_C: (out.spots[k] as (typeof out.spots)[number]).temp,
      reached_s: (out.spots[k] as (typeof out.spots)[number]).reached,
    }))
    .filter((t) => !Number.isNaN(t.temp_C[0] as number));
  const speeds = drives.map((d, k) => ({
    item: d.item.id,
    name: d.name,
    kind: d.kind,
    controlled: d.follower !== null,
    speed_rpm: out.drives[k] as Float64Array,
  }));
  const tracks = loops.map((l, k) => ({
    id: l.graph.loop.id,
    name: l.graph.loop.name,
    mean_C: (out.loops[k] as (typeof out.loops)[number]).mean,
    hottest_C: (out.loops[k] as (typeof out.loops)[number]).hottest,
    flow_Lmin: (out.loops[k] as (typeof out.loops)[number]).flow,
  }));
  const lastFrom = lastStart(scenario, step);
  return {
    time_s: out.time,
    load: out.loads,
    loops: tracks,
    spots: spotTracks,
    speeds,
    noise_dBA: out.noise,
    caseAir_C: out.caseAir,
    room_C: out.room,
    balance: {
      in_J,
      out_J,
      stored_J,
      error: in_J > 0 ? Math.abs(in_J - out_J - stored_J) / in_J : 0,
    },
    worked: asked_J > 0 ? done_J / asked_J : 1,
    first: spotTracks.reduce<SpotTrack | null>(
      (a, b) =>
        b.reached_s !== null && (a === null || b.reached_s < (a.reached_s ?? Infinity)) ? b : a,
      null,
    ),
    settling: tracks.map((t) => settlingOf(t, lastFrom, step)),
    hunting: speeds.flatMap((s) => huntingOf(s, out.loads, step)),
  };
}

const stored = (
  loops: readonly { readonly state: LoopState }[],
  coolers: readonly { readonly capacity: number; readonly temp_C: number }[],
): number =>
  loops.reduce((s, l) => s + l.state.stored(), 0) +
  coolers.reduce((s, c) => s + c.capacity * c.temp_C, 0);
const meanOf = (s: LoopState): number => {
  let all = 0;
  for (let k = 0; k < s.temp_C.length; k += 1) all += s.temp_C[k] as number;
  return s.temp_C.length > 0 ? all / s.temp_C.length : NaN;
};
const hottestOf = (s: LoopState): number => {
  let most = -Infinity;
  for (let k = 0; k < s.temp_C.length; k += 1) most = Math.max(most, s.temp_C[k] as number);
  return most;
};
const largest = (flows: Float64Array): number => {
  let most = 0;
  for (let k = 0; k < flows.length; k += 1) most = Math.max(most, Math.abs(flows[k] as number));
  return most;
};
