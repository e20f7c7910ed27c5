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
/** Pulses a litre of the flow meter: it tells no finer than one pulse in its second. */
const PULSES_PER_L = 450;
/** A machine differs from its papers by about so much, as a share. */
const UNLIKE = 0.1;
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
  private readonly truth: Factors;
  private faults: ReadonlySet<BenchFault> = new Set();
  private asked: Required<Pick<Controls, 'load'>> & Controls;
  private gauge_mbar = 0;
  private time_s = 0;

  /** Throws what the model throws for a build that cannot be worked out. */
  constructor(
    private readonly design: Design,
    seed = 1,
  ) {
    this.random = randomBy(seed);
    const off = (): number => 1 + UNLIKE * normal(this.random);
    this.truth = {
      radiators: off(),
      losses: off(),
      blocks: Object.fromEntries(
        design.components.filter((c) => c.part.kind === 'block').map((c) => [c.id, off()]),
      ),
    };
    this.asked = { load: design.brief.loadCase };
    this.machine = this.built();
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
    const mean = (kind: 'fan' | 'pump'): number => {
      const own = state.speeds.filter((s) => s.kind === kind && s.speed_rpm > 0);
      return own.reduce((s, x) => s + x.speed_rpm, 0) / Math.max(1, own.length);
    };
    const values: Record<string, number> = {
      room: tenths(scattered(state.room_C, SCATTER.temp_C)),
      noise: tenths(
        scattered(state.noise_dBA + (faults.has('air') ? AIR_NOISE_DBA : 0), SCATTER.noise_dBA),
      ),
      fans: Math.round(mean('fan') * scattered(1, SCATTER.rpm)),
      pumps: Math.round(mean('pump') * scattered(1, SCATTER.rpm)),
    };
    for (const loop of state.loops) {
      const wrong = faults.has('wrong sensor') ? WRONG_K : 0;
      values[`coolant/${loop.id}`] = tenths(scattered(loop.mean_C, SCATTER.temp_C) + wrong);
      const flow = loop.flow_Lmin * scattered(1, SCATTER.flow);
      // Whole pulses of ten seconds.
      values[`flow/${loop.id}`] =
        Math.round((Math.max(0, flow) / 6) * PULSES_PER_L) / (PULSES_PER_L / 6);
      values[`gauge/${loop.id}`] = tenths(Math.max(0, scattered(gauge_mbar, SCATTER.gauge_mbar)));
    }
    for (const { component, spot, temp_C } of state.spots)
      if (Number.isFinite(temp_C))
        values[`spot/${component}/${spot}`] = tenths(scattered(temp_C, SCATTER.spot_C));
    const { fans, pumps } = this.asked;
    const asked = {
      ...(fans === undefined ? {} : { fans }),
      ...(pumps === undefined ? {} : { pumps }),
    };
    return { time_s: this.time_s, load: state.load, asked, values };
  }

  private built(): LiveMachine {
    const { faults, truth, design } = this;
    const blocks = design.components.filter((c) => c.part.kind === 'block');
    const [first] = blocks;
    const factors: Factors = {
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
