import type { Component } from '../design';
import type { ThermalModel } from '../thermal';
import { turningSpeed, type PumpPart } from '../components';
import { Follower } from './control';

/** A fan set or pump and its speed now. */
export interface Drive {
  readonly component: Component;
  readonly name: string;
  readonly kind: 'fan' | 'pump';
  readonly set_rpm: number;
  readonly least: number;
  readonly most: number;
  readonly follower: Follower | null;
  now: number;
}

/** Fans and pumps with what drives them. */
export function drivesOf(thermalModel: ThermalModel): Drive[] {
  const { components } = thermalModel.system.design;
  const sets = new Map(
    [
      ...thermalModel.radiators.flatMap((r) => r.fans),
      ...thermalModel.caseFans.map((b) => b.set),
    ].map((f) => [f.component, f]),
  );
  return components.flatMap((component): Drive[] => {
    const fan = sets.get(component.id);
    const part =
      component.part.kind === 'pump' || (component.part.kind === 'fan' && fan)
        ? component.part
        : null;
    if (!part) return [];
    const set_rpm = fan
      ? fan.speed_rpm
      : turningSpeed(part as PumpPart, component.settings.speed_rpm);
    const { control } = component.settings;
    return [
      {
        component,
        name: component.name,
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
