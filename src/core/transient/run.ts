import type { FlowReport } from '../hydraulics';
import { sourceHeat, type ThermalModel } from '../thermal';
import type { LoadCaseId } from '../components';
import type { Run } from '../tubing';
import { msg } from '../messages';
import { Machine } from './machine';
import { checkFault, loadTimes } from './profile';
import { Recorder, type Sums } from './recorder';
import { spotsOf, type Spot } from './spots';
import { ScenarioError, type Fault, type Scenario, type Transient } from './types';

/** Longest scenario, steps. */
const MOST_STEPS = 90_000;
/** A step this long has no past: the state after it is the steady one, s. */
const NO_PAST_S = 1e9;
/**
 * A part at its limit throttles: full power there, none this much above, K (common practice, no
 * source); it gives way within seconds.
 */
const THROTTLE_K = 10,
  THROTTLE_S = 3;
/** Rounds that bring controls and temperatures together before a settled start. */
const SETTLING_ROUNDS = 40;
/** How far is told every so many steps. */
const TOLD_EVERY = 600;
const DEFAULT_SAG = 0.5,
  MOST_SAG = 0.95;
const DEFAULT_WARMING_K = 8;

/**
 * The build over time: loads, controls and faults on lumped heat capacities, coolant and flows as
 * the settled answer has them. Under steady speeds it ends where the steady answer stands. What is
 * left out: the die's own second or so, the case's metal, heat that rises in a standing loop (so a
 * stopped pump is told on the safe side), and air that warms before it reaches a radiator. Null
 * when `tell`, asked with the share done, says to stop. Throws ScenarioError with the place of what
 * cannot be run.
 */
export function runTransient(
  thermalModel: ThermalModel,
  flow: FlowReport,
  runs: readonly Run[],
  scenario: Scenario,
  tell: (done: number) => boolean = () => true,
): Transient | null {
  const steps = checkedSteps(scenario, thermalModel);
  return new Course(thermalModel, new Machine(thermalModel, flow, runs), scenario, steps).run(tell);
}

/** Steps of a scenario that can be run. */
function checkedSteps(scenario: Scenario, thermalModel: ThermalModel): number {
  const step = scenario.step_s ?? 1;
  if (!(step >= 0.05 && step <= 60)) throw new ScenarioError(msg`a step is 0.05 to 60 s`, 'step_s');
  const steps = Math.round(scenario.profile.reduce((s, p) => s + p.seconds, 0) / step);
  if (steps < 1) throw new ScenarioError(msg`the load lasts no step`, 'profile');
  if (steps > MOST_STEPS)
    throw new ScenarioError(
      msg`at most ${MOST_STEPS} steps are run, this has ${steps}: take longer steps`,
      'profile',
    );
  for (const [i, fault] of (scenario.faults ?? []).entries())
    checkFault(fault, `faults.${i}`, thermalModel);
  return steps;
}

/** One run of a scenario: what is asked of the machine, step by step. */
class Course {
  private readonly step_s: number;
  private readonly hotSpots: readonly Spot[];
  private readonly sensors: readonly ((heat_W: Float64Array) => number)[];
  private readonly recorder: Recorder;
  private readonly waiting: Fault[];
  private readonly stopped = new Set<string>();
  /** Sources whose heat goes somewhere. */
  private readonly counted: readonly number[];
  /** Share of its power that each part's limit leaves, and by how much it is over, K. */
  private readonly left: Float64Array;
  private readonly over: Float64Array;
  private readonly sums: Sums = { in_J: 0, out_J: 0, asked_J: 0, done_J: 0 };

  constructor(
    private readonly thermalModel: ThermalModel,
    private readonly machine: Machine,
    private readonly scenario: Scenario,
    private readonly steps: number,
  ) {
    this.step_s = scenario.step_s ?? 1;
    this.hotSpots = spotsOf(thermalModel, machine);
    this.sensors = machine.drives.map((d) =>
      this.sensorOf(d.component.settings.control?.sensor ?? 'coolant'),
    );
    this.recorder = new Recorder(machine, this.hotSpots, this.step_s, steps);
    this.waiting = [...(scenario.faults ?? [])].sort((a, b) => a.at_s - b.at_s);
    this.counted = thermalModel.sources.flatMap((s, i) => (!s.block || s.loop !== null ? [i] : []));
    this.left = new Float64Array(thermalModel.sources.length).fill(1);
    this.over = new Float64Array(thermalModel.sources.length);
  }

  run(tell: (done: number) => boolean): Transient | null {
    const { machine, recorder, scenario, step_s, sums } = this;
    const loadAt = loadTimes(scenario);
    let load = scenario.profile[0]?.load ?? this.thermalModel.system.design.brief.loadCase;
    let wanted = this.heatOf(load);
    const heats = Float64Array.from(wanted);
    if (scenario.start === 'steady') this.settle(wanted);
    const stored_J = machine.state.stored();
    let noise = machine.noise();
    recorder.write(0, load, heats, noise);
    for (let i = 1; i <= this.steps; i += 1) {
      const now = (i - 1) * step_s;
      if (loadAt(now) !== load) {
        load = loadAt(now);
        wanted = this.heatOf(load);
      }
      this.throttle(wanted, heats);
      const sagged = this.befallUntil(now);
      const moved = this.follow(heats, step_s);
      if (moved || sagged) machine.adjust();
      if (moved) noise = machine.noise();
      sums.out_J += machine.advance(heats, step_s) * step_s;
      this.count(wanted, heats);
      recorder.write(i, load, heats, noise);
      if (i % TOLD_EVERY === 0 && !tell(i / this.steps)) return null;
    }
    return recorder.reported(scenario, sums, machine.state.stored() - stored_J);
  }

  /** What each part would draw. */
  private heatOf(load: LoadCaseId): Float64Array {
    return Float64Array.from(this.thermalModel.sources, (s) => sourceHeat(s, load));
  }

  /** What a control looks at. */
  private sensorOf(sensor: string): (heat_W: Float64Array) => number {
    if (sensor === 'coolant') return () => this.machine.warmestLoop();
    const found = this.hotSpots.find((s) => `${s.source.component.id}/${s.hotSpot.id}` === sensor);
    const { room_C } = this.thermalModel.system.design.brief;
    return (heat_W) => {
      const temp_C = found?.temp(heat_W) ?? NaN;
      return Number.isFinite(temp_C) ? temp_C : room_C;
    };
  }

  /** Brings everything to rest under a load. */
  private settle(heat_W: Float64Array): void {
    for (let i = 0; i < SETTLING_ROUNDS; i += 1) {
      this.machine.advance(heat_W, NO_PAST_S);
      if (this.follow(heat_W, 1)) this.machine.adjust();
    }
  }

  /** Power that limits leave. */
  private throttle(wanted: Float64Array, delivered_W: Float64Array): void {
    const { over, left } = this;
    over.fill(0);
    for (const hotSpot of this.hotSpots) {
      const by = hotSpot.temp(delivered_W) - hotSpot.limit_C;
      if (by > (over[hotSpot.index] as number)) over[hotSpot.index] = by;
    }
    const pace = Math.min(1, this.step_s / THROTTLE_S);
    for (let k = 0; k < left.length; k += 1) {
      const target = Math.max(0, 1 - (over[k] as number) / THROTTLE_K);
      left[k] = (left[k] as number) + (target - (left[k] as number)) * pace;
      delivered_W[k] = (wanted[k] as number) * (left[k] as number);
    }
  }

  /** Faults that are due; true when they change a flow. */
  private befallUntil(now_s: number): boolean {
    const before = this.machine.sag;
    while (this.waiting[0] && this.waiting[0].at_s <= now_s)
      this.befall(this.waiting.shift() as Fault);
    return this.machine.sag !== before;
  }

  private befall({ kind, amount, component }: Fault): void {
    const { machine } = this;
    if (kind === 'flow sags') {
      machine.sag = Math.min(MOST_SAG, Math.max(0, amount ?? DEFAULT_SAG));
      return;
    }
    if (kind === 'room warms') {
      machine.room_C = this.thermalModel.system.design.brief.room_C + (amount ?? DEFAULT_WARMING_K);
      return;
    }
    const stops = kind === 'pump stops' ? 'pump' : 'fan';
    for (const d of machine.drives)
      if (d.kind === stops && (component === undefined || component === d.component.id))
        this.stopped.add(d.component.id);
  }

  /** Speeds by control, fault or setting; true when one changed. */
  private follow(heat_W: Float64Array, step_s: number): boolean {
    let changed = false;
    this.machine.drives.forEach((d, k) => {
      let next = d.set_rpm;
      if (this.stopped.has(d.component.id)) next = 0;
      else if (d.follower) next = d.follower.step(this.sensors[k]?.(heat_W) ?? NaN, step_s);
      if (next === d.now) return;
      d.now = next;
      changed = true;
    });
    return changed;
  }

  private count(wanted: Float64Array, delivered_W: Float64Array): void {
    const { sums } = this;
    for (let k = 0; k < delivered_W.length; k += 1) {
      sums.asked_J += wanted[k] as number;
      sums.done_J += delivered_W[k] as number;
    }
    let given_W = this.machine.pumpHeat();
    for (const k of this.counted) given_W += delivered_W[k] as number;
    sums.in_J += given_W * this.step_s;
  }
}
