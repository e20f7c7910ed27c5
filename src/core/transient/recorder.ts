import type { LoadCaseId } from '../components';
import { huntingOf, settlingOf } from './judge';
import type { Machine } from './machine';
import { lastStart } from './profile';
import type { Spot } from './spots';
import type { Scenario, SpeedTrack, SpotTrack, Transient } from './types';

/** Heat in and out, and power asked for and given, summed over the steps. */
export interface Sums {
  in_J: number;
  out_J: number;
  asked_J: number;
  done_J: number;
}

/** What a run leaves behind, step by step. */
export class Recorder {
  private readonly time_s: Float64Array;
  private readonly load: LoadCaseId[] = [];
  private readonly noise_dBA: Float64Array;
  private readonly caseAir_C: Float64Array;
  private readonly room_C: Float64Array;
  private readonly loops: readonly {
    readonly mean_C: Float64Array;
    readonly hottest_C: Float64Array;
    readonly flow_Lmin: Float64Array;
  }[];
  private readonly hotSpots: readonly { readonly temp_C: Float64Array; reached_s: number | null }[];
  private readonly speeds: readonly Float64Array[];

  constructor(
    private readonly machine: Machine,
    private readonly watched: readonly Spot[],
    private readonly step_s: number,
    steps: number,
  ) {
    const track = (): Float64Array => new Float64Array(steps + 1);
    this.time_s = track();
    this.noise_dBA = track();
    this.caseAir_C = track();
    this.room_C = track();
    this.loops = machine.loops.map(() => ({
      mean_C: track(),
      hottest_C: track(),
      flow_Lmin: track(),
    }));
    this.hotSpots = watched.map(() => ({ temp_C: track(), reached_s: null }));
    this.speeds = machine.drives.map(track);
  }

  write(i: number, load: LoadCaseId, heat_W: Float64Array, noise_dBA: number): void {
    const { machine } = this;
    this.time_s[i] = i * this.step_s;
    this.load[i] = load;
    this.loops.forEach((track, k) => {
      track.mean_C[i] = machine.state.meanOf(k);
      track.hottest_C[i] = machine.state.hottestOf(k);
      track.flow_Lmin[i] = largest(machine.loops[k]?.lumped.flow_Lmin ?? NOTHING);
    });
    this.hotSpots.forEach((track, k) => {
      const hotSpot = this.watched[k] as Spot;
      const temp_C = hotSpot.temp(heat_W);
      track.temp_C[i] = temp_C;
      if (track.reached_s === null && temp_C >= hotSpot.limit_C) track.reached_s = i * this.step_s;
    });
    this.speeds.forEach((track, k) => {
      track[i] = machine.drives[k]?.now ?? 0;
    });
    this.noise_dBA[i] = noise_dBA;
    this.caseAir_C[i] = machine.state.caseAir_C;
    this.room_C[i] = machine.room_C;
  }

  reported(scenario: Scenario, sums: Sums, stored_J: number): Transient {
    const { step_s, load } = this;
    const hotSpots = this.spotTracks();
    const speeds = this.speedTracks();
    const loops = this.loops.map((track, k) => {
      const { id, name } = (this.machine.loops[k] as Machine['loops'][number]).lumped.graph.loop;
      return { id, name, ...track };
    });
    const from = lastStart(scenario, step_s);
    const { in_J, out_J, asked_J, done_J } = sums;
    return {
      time_s: this.time_s,
      load,
      loops,
      hotSpots,
      speeds,
      noise_dBA: this.noise_dBA,
      caseAir_C: this.caseAir_C,
      room_C: this.room_C,
      balance: {
        in_J,
        out_J,
        stored_J,
        error: in_J > 0 ? Math.abs(in_J - out_J - stored_J) / in_J : 0,
      },
      worked: asked_J > 0 ? done_J / asked_J : 1,
      first: firstAtLimit(hotSpots),
      settling: loops.map((t) => settlingOf(t, from, step_s)),
      masses: this.machine.masses(),
      hunting: speeds.flatMap((s) => huntingOf(s, load, step_s)),
    };
  }

  /** Spots that have a temperature: not those under a block that no loop serves. */
  private spotTracks(): readonly SpotTrack[] {
    return this.hotSpots.flatMap(({ temp_C, reached_s }, k): SpotTrack[] => {
      if (Number.isNaN(temp_C[0] as number)) return [];
      const { source, hotSpot, limit_C } = this.watched[k] as Spot;
      return [
        {
          component: source.component.id,
          hotSpot: hotSpot.id,
          name: `${source.component.name}, ${hotSpot.name}`,
          limit_C,
          temp_C,
          reached_s,
        },
      ];
    });
  }

  private speedTracks(): readonly SpeedTrack[] {
    return this.machine.drives.map((d, k) => ({
      component: d.component.id,
      name: d.name,
      kind: d.kind,
      controlled: d.follower !== null,
      speed_rpm: this.speeds[k] as Float64Array,
    }));
  }
}

const NOTHING = new Float64Array(0);

function largest(flows: Float64Array): number {
  let most = 0;
  for (let k = 0; k < flows.length; k += 1) most = Math.max(most, Math.abs(flows[k] as number));
  return most;
}

const firstAtLimit = (hotSpots: readonly SpotTrack[]): SpotTrack | null =>
  hotSpots.reduce<SpotTrack | null>((first, hotSpot) => {
    if (hotSpot.reached_s === null) return first;
    return first === null || hotSpot.reached_s < (first.reached_s ?? Infinity) ? hotSpot : first;
  }, null);
