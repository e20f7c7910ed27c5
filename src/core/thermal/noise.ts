import {
  heard,
  heardLevel,
  SHAPES,
  type Heard,
  type SoundPlace,
  type SoundSource,
} from '../acoustics';
import { turningSpeed } from '../components';
import { ROOM_AIR } from '../airflow';
import { factorsOf, findComponent, type Component, type ComponentId } from '../design';
import { airAround, type FanSet, type ThermalModel } from './thermalModel';

/** rpm of a fan set or pump now, by component. */
export type SpeedOf = (component: string, set_rpm: number) => number;
const asSet: SpeedOf = (_component, set_rpm) => set_rpm;

/** All fans and pumps with where they stand, as loud as this machine was measured. */
export function soundSources(
  thermalModel: ThermalModel,
  speedOf: SpeedOf = asSet,
): readonly SoundSource[] {
  const fans = [
    ...thermalModel.radiators.flatMap((r) => r.fans),
    ...thermalModel.caseFans.map((b) => b.set),
  ];
  const { design } = thermalModel.system;
  const { noise_dB } = factorsOf(design);
  return [
    ...fans.map((set) => fanSource(thermalModel, set, speedOf)),
    ...design.components.flatMap((c) => pumpSource(thermalModel, c, speedOf)),
  ].map((source) => ({ ...source, level_dBA: source.level_dBA + noise_dB }));
}

const fanSource = (
  model: ThermalModel,
  { component, part, count, speed_rpm }: FanSet,
  speedOf: SpeedOf,
): SoundSource => ({
  component,
  count,
  level_dBA: part.sound_dBA,
  shape_dB: part.spectrum_dB ?? SHAPES.fan,
  speed_rpm: speedOf(component, speed_rpm),
  fullSpeed_rpm: part.fullSpeed_rpm,
  place: placeOf(model, component),
});

function pumpSource(
  model: ThermalModel,
  { id, part, settings }: Component,
  speedOf: SpeedOf,
): readonly SoundSource[] {
  if (part.kind !== 'pump') return [];
  return [
    {
      component: id,
      count: 1,
      level_dBA: part.sound_dBA,
      shape_dB: part.spectrum_dB ?? SHAPES.pump,
      speed_rpm: speedOf(id, turningSpeed(part, settings.speed_rpm)),
      fullSpeed_rpm: part.fullSpeed_rpm,
      place: placeOf(model, id),
    },
  ];
}

/** The side of the case that a component looks out of; of an open frame there is none. */
function placeOf(model: ThermalModel, id: ComponentId): SoundPlace {
  const { design } = model.system;
  const placement = findComponent(design, id)?.placement;
  if (model.chambers.length === 0 || !placement) return 'open';
  if (placement.on === 'radiator') return placeOf(model, placement.component);
  if (placement.on !== 'mount') return airAround(model.system, id) === ROOM_AIR ? 'open' : 'inside';
  return design.case?.mounts.find((m) => m.id === placement.mount)?.face ?? 'inside';
}

/**
 * All fans and pumps together at the listener, dBA: published levels are at 1 m, less what the case
 * and the way they look hold back; free field, so an estimate in a room.
 */
export const noiseOf = (thermalModel: ThermalModel, speedOf: SpeedOf = asSet): number =>
  heardLevel(soundSources(thermalModel, speedOf), thermalModel.system.design.brief.listener_m);

/** The same by octave band and by source. */
export const noiseHeard = (thermalModel: ThermalModel): Heard =>
  heard(soundSources(thermalModel), thermalModel.system.design.brief.listener_m);
