import type { Item } from '../build';
import type { FanSet, HeatSetup } from '../heat';
import type { PumpPart } from '../part';
import { soundAtDistance, soundAtSpeed } from '../quantity';
import { Follower } from './control';

/** A fan set or pump and its speed now. */
export interface Drive {
  readonly item: Item;
  readonly name: string;
  readonly kind: 'fan' | 'pump';
  readonly set_rpm: number;
  readonly least: number;
  readonly most: number;
  readonly follower: Follower | null;
  now: number;
}

/** Fans and pumps with what drives them. */
export function drivesOf(setup: HeatSetup): Drive[] {
  const { items } = setup.model.build;
  const sets = new Map(
    [...setup.radiators.flatMap((r) => r.fans), ...setup.bare.map((b) => b.set)].map((f) => [
      f.item,
      f,
    ]),
  );
  return items.flatMap((item): Drive[] => {
    const fan = sets.get(item.id);
    const part = item.part.kind === 'pump' || (item.part.kind === 'fan' && fan) ? item.part : null;
    if (!part) return [];
    const set_rpm = fan
      ? fan.speed_rpm
      : (item.settings.speed_rpm ?? (part as PumpPart).fullSpeed_rpm);
    const { control } = item.settings;
    return [
      {
        item,
        name: item.name,
        kind: part.kind,
        set_rpm,
        least: part.minSpeed_rpm,
        most: part.fullSpeed_rpm,
        now: set_rpm,
        follower: control
          ? new Follower(control, part.minSpeed_rpm, part.fullSpeed_rpm, set_rpm)
          : null,
      },
    ];
  });
}

/** All of them together at the listener, dBA. */
export function noiseAt(
  setup: HeatSetup,
  fans: readonly FanSet[],
  drives: readonly Drive[],
  driveOf: (item: string) => Drive,
): number {
  let power = 0;
  const add = (level: number, count: number): void => {
    if (Number.isFinite(level)) power += count * 10 ** (level / 10);
  };
  for (const f of fans)
    add(soundAtSpeed(f.part.sound_dBA, driveOf(f.item).now, f.part.fullSpeed_rpm), f.count);
  for (const d of drives)
    if (d.item.part.kind === 'pump')
      add(soundAtSpeed(d.item.part.sound_dBA, d.now, d.item.part.fullSpeed_rpm), 1);
  return power > 0
    ? Math.max(0, soundAtDistance(10 * Math.log10(power), 1, setup.model.build.brief.listener_m))
    : 0;
}
