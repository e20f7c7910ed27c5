/** What a device measures or sets: `docs/devices.md` tells the protocol in words. */
export interface Channel {
  /** `room`, `coolant/LOOP`, `flow/LOOP`, `spot/COMPONENT/SPOT`, `fans`, `pumps`, `noise`, `gauge/LOOP`. */
  readonly id: string;
  readonly name: string;
  readonly unit: '°C' | 'L/min' | 'rpm' | 'dBA' | 'mbar';
  readonly device: 'thermometer' | 'flow meter' | 'controller' | 'sound meter' | 'gauge';
}

/** One moment of all channels. */
export interface Moment {
  /** Seconds since the devices were switched on, by their own clock. */
  readonly time_s: number;
  readonly load: string;
  /** rpm that all fans, all pumps were told; left out where each goes its own way. */
  readonly asked: Pick<Controls, 'fans' | 'pumps'>;
  /** By channel; a channel that fails is left out. */
  readonly values: Readonly<Record<string, number>>;
}

/** What may be asked of a controller; what is left out stays. */
export interface Controls {
  /** rpm of all fans, of all pumps. */
  readonly fans?: number;
  readonly pumps?: number;
  readonly load?: string;
  /** The loops are pumped up with air to this, mbar over the room. */
  readonly gauge_mbar?: number;
}

/** What can be put wrong with a stand-in. */
export const BENCH_FAULTS = [
  'leak',
  'clog',
  'air',
  'dust',
  'dead fan',
  'bad mount',
  'wrong sensor',
] as const;
export type BenchFault = (typeof BENCH_FAULTS)[number];
