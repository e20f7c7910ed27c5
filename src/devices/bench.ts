import { obstructedModel } from '@/core/analysis';
import { isLoadCase } from '@/core/components';
import {
  applyEdit,
  componentName,
  withFactors,
  type Design,
  type Edit,
  type Factors,
} from '@/core/design';
import { routedRuns, routesOf } from '@/core/routing';
import { compileSystem } from '@/core/system';
import { solveCoupled } from '@/core/thermal';
import { LiveMachine } from '@/core/transient';
import { normal, randomBy } from '@/core/units';
import type { BenchFault, Channel, Controls, Moment } from './types';

/** What instruments scatter by, as a standard deviation (common practice, no source). */
const SCATTER = { temp_C: 0.1, spot_C: 0.5, flow: 0.01, rpm: 0.005, noise_dBA: 0.4, gauge_mbar: 1 };
/**
 * What each instrument is off by all the time, as a standard deviation, and how far that wanders with
 * the hours, as a share of it (common practice, no source).
 */
const OFFSET = { temp_C: 0.15, spot_C: 0.5, flow: 0.015, noise_dBA: 0.5 },
  DRIFT = 0.4,
  DRIFT_S = 5 * 3600;
/** Pulses a litre of the flow meter: it tells no finer than one pulse in its second. */
const PULSES_PER_L = 450;
/** A machine differs from its papers by about so much, as a share. */
const UNLIKE = 0.1,
  UNLIKE_LEAKAGE = 0.25,
  UNLIKE_NOISE_DB = 1.5;
/** How bad each fault is. */
const CLOG = 2.5,
  AIR = 2.2,
  AIR_NOISE_DBA = 4,
  DUST = 0.55,
  MOUNT = 2,
  WRONG_K = 6,
  LEAK_MBAR_MIN = 2.5,
  TIGHT_MBAR_MIN = 0.002;

/**
 * A machine with instruments on it, for want of a real one: the build's own transient model, off its
 * papers by a seeded share that nobody is told, read with scatter, and with faults to put in. Time
 * goes as fast as it is told.
 */
export class Bench {
  private machine: LiveMachine;
  private readonly random: () => number;
  /** How far off its papers it is: for what checks a calibration. */
  readonly truth: Factors;
  private faults: ReadonlySet<BenchFault> = new Set();
  private asked: Required<Pick<Controls, 'load'>> & Controls;
  private gauge_mbar = 0;
  private time_s = 0;
  private readonly instruments = new Map<string, { off: number; phase: number }>();

  /** Throws what the model throws for a build that cannot be worked out. */
  constructor(
    private readonly design: Design,
    seed = 1,
  ) {
    this.random = randomBy(seed);
    const off = (by = UNLIKE): number => 1 + by * normal(this.random);
    this.truth = {
      radiators: off(),
      losses: off(),
      blocks: Object.fromEntries(
        design.components.filter((c) => c.part.kind === 'block').map((c) => [c.id, off()]),
      ),
      leakage: Math.max(0.4, off(UNLIKE_LEAKAGE)),
      noise_dB: UNLIKE_NOISE_DB * normal(this.random),
    };
    this.asked = { load: design.brief.loadCase };
    this.machine = this.built();
    for (const { id } of this.channels())
      this.instruments.set(id, { off: normal(this.random), phase: 6.28 * this.random() });
  }

  /** Of the build it is. */
  get name(): string {
    return this.design.name;
  }

  channels(): readonly Channel[] {
    const { loops, components } = this.design;
    const { spots } = this.machine.state();
    const nameOf = (id: string): string => componentName(this.design, id);
    return [
      { id: 'room', name: 'Room', unit: '°C', device: 'thermometer' },
      ...loops.flatMap((l): Channel[] => [
        { id: `coolant/${l.id}`, name: `${l.name}: coolant`, unit: '°C', device: 'thermometer' },
        { id: `flow/${l.id}`, name: `${l.name}: flow`, unit: 'L/min', device: 'flow meter' },
        { id: `gauge/${l.id}`, name: `${l.name}: air gauge`, unit: 'mbar', device: 'gauge' },
      ]),
      ...spots.map((s): Channel => ({
        id: `spot/${s.component}/${s.spot}`,
        name: `${nameOf(s.component)}: ${s.spot}`,
        unit: '°C',
        device: 'thermometer',
      })),
      ...(components.some((c) => c.part.kind === 'fan')
        ? [{ id: 'fans', name: 'Fans', unit: 'rpm', device: 'controller' } as const]
        : []),
      ...(components.some((c) => c.part.kind === 'pump')
        ? [{ id: 'pumps', name: 'Pumps', unit: 'rpm', device: 'controller' } as const]
        : []),
      { id: 'noise', name: 'Noise', unit: 'dBA', device: 'sound meter' },
    ];
  }

  set(controls: Controls): void {
    this.asked = { ...this.asked, ...controls };
    if (controls.gauge_mbar !== undefined) this.gauge_mbar = controls.gauge_mbar;
    this.obey();
  }

  /** Puts these faults in, and no others. The machine keeps its temperatures where it can. */
  befall(faults: readonly BenchFault[]): void {
    const before = [...this.faults].filter((f) => f !== 'leak' && f !== 'wrong sensor').join();
    this.faults = new Set(faults);
    const now = faults.filter((f) => f !== 'leak' && f !== 'wrong sensor').join();
    if (before !== now) {
      this.machine = this.built();
      // As warm as it would be had it run on.
      this.machine.advance(3600);
    }
  }

  /** Moves time on by so many seconds of the machine's. */
  advance(seconds: number): void {
    this.machine.advance(seconds);
    this.time_s += seconds;
    const fall = this.faults.has('leak') ? LEAK_MBAR_MIN : TIGHT_MBAR_MIN;
    this.gauge_mbar *= Math.exp((-fall * seconds) / 60 / 400);
  }

  /** What the instruments show now. */
  read(): Moment {
    const { random, faults, gauge_mbar } = this;
    const state = this.machine.state();
    const scattered = (value: number, by: number): number => value + by * normal(random);
    const off = (channel: string, by: number): number => by * this.offOf(channel);
    const mean = (kind: 'fan' | 'pump'): number => {
      const own = state.speeds.filter((s) => s.kind === kind && s.speed_rpm > 0);
      return own.reduce((s, x) => s + x.speed_rpm, 0) / Math.max(1, own.length);
    };
    const values: Record<string, number> = {
      room: tenths(scattered(state.room_C + off('room', OFFSET.temp_C), SCATTER.temp_C)),
      noise: tenths(
        scattered(
          state.noise_dBA +
            (faults.has('air') ? AIR_NOISE_DBA : 0) +
            off('noise', OFFSET.noise_dBA),
          SCATTER.noise_dBA,
        ),
      ),
      fans: Math.round(mean('fan') * scattered(1, SCATTER.rpm)),
      pumps: Math.round(mean('pump') * scattered(1, SCATTER.rpm)),
    };
    for (const loop of state.loops) {
      const wrong = faults.has('wrong sensor') ? WRONG_K : 0;
      const coolant = `coolant/${loop.id}`,
        meter = `flow/${loop.id}`;
      values[coolant] = tenths(
        scattered(loop.mean_C + off(coolant, OFFSET.temp_C), SCATTER.temp_C) + wrong,
      );
      const flow = loop.flow_Lmin * scattered(1 + off(meter, OFFSET.flow), SCATTER.flow);
      // Whole pulses of ten seconds.
      values[meter] = Math.round((Math.max(0, flow) / 6) * PULSES_PER_L) / (PULSES_PER_L / 6);
      values[`gauge/${loop.id}`] = tenths(Math.max(0, scattered(gauge_mbar, SCATTER.gauge_mbar)));
    }
    for (const { component, spot, temp_C } of state.spots) {
      const channel = `spot/${component}/${spot}`;
      if (Number.isFinite(temp_C))
        values[channel] = tenths(scattered(temp_C + off(channel, OFFSET.spot_C), SCATTER.spot_C));
    }
    const { fans, pumps } = this.asked;
    const asked = {
      ...(fans === undefined ? {} : { fans }),
      ...(pumps === undefined ? {} : { pumps }),
    };
    return { time_s: this.time_s, load: state.load, asked, values };
  }

  /** What an instrument is off by now, in its own standard deviations. */
  private offOf(channel: string): number {
    const own = this.instruments.get(channel);
    if (!own) return 0;
    return own.off + DRIFT * Math.sin((2 * Math.PI * this.time_s) / DRIFT_S + own.phase);
  }

  private built(): LiveMachine {
    const { faults, truth, design } = this;
    const blocks = design.components.filter((c) => c.part.kind === 'block');
    const [first] = blocks;
    const factors: Factors = {
      ...truth,
      radiators: truth.radiators * (faults.has('dust') ? DUST : 1),
      losses: truth.losses * (faults.has('clog') ? CLOG : 1) * (faults.has('air') ? AIR : 1),
      blocks: {
        ...truth.blocks,
        ...(first && faults.has('bad mount')
          ? { [first.id]: MOUNT * (truth.blocks[first.id] ?? 1) }
          : {}),
      },
    };
    const fan = design.components.find((c) => c.part.kind === 'fan');
    const edits: readonly Edit[] =
      fan && faults.has('dead fan')
        ? [{ do: 'component.set', component: fan.id, values: { speed_rpm: 0 } }]
        : [];
    const broken = edits.reduce(
      (d, edit) => applyEdit(d, edit).design,
      withFactors(design, factors),
    );
    const system = compileSystem(broken);
    const runs = routedRuns(system, routesOf(system));
    const model = obstructedModel(system);
    const { flow } = solveCoupled(system, runs, model, design.brief.loadCase);
    const machine = new LiveMachine(model, flow, runs);
    this.machine = machine;
    this.obey();
    return machine;
  }

  /** Load and speeds as asked; a dead fan stays dead. */
  private obey(): void {
    const { machine, asked, faults } = this;
    if (isLoadCase(asked.load)) machine.load = asked.load;
    const dead = faults.has('dead fan')
      ? machine.state().speeds.find((s) => s.kind === 'fan')?.component
      : undefined;
    for (const { component, kind } of machine.state().speeds) {
      const rpm = kind === 'fan' ? asked.fans : asked.pumps;
      if (component === dead) machine.turn(component, 0);
      else if (rpm !== undefined) machine.turn(component, rpm);
    }
  }
}

const tenths = (v: number): number => Math.round(v * 10) / 10;
