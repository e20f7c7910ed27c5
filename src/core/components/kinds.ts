import { msg, worded } from '../messages';
import type { HeatedPart, ComponentPart, Part, PartKind, WetPart } from './types';

/** Every kind, in the order of the Stores, with the word a builder uses. */
export const PART_KINDS: Readonly<
  Record<
    PartKind,
    {
      readonly one: string;
      readonly several: string;
      readonly many: string;
      readonly component: boolean;
    }
  >
> = worded(() => ({
  case: { one: msg`case`, several: msg`cases`, many: msg`Cases`, component: false },
  processor: {
    one: msg`processor`,
    several: msg`processors`,
    many: msg`Processors`,
    component: true,
  },
  card: {
    one: msg`graphics card`,
    several: msg`graphics cards`,
    many: msg`Graphics cards`,
    component: true,
  },
  board: { one: msg`board`, several: msg`boards`, many: msg`Boards`, component: true },
  memory: { one: msg`memory`, several: msg`memory`, many: msg`Memory`, component: true },
  supply: {
    one: msg`power supply`,
    several: msg`power supplies`,
    many: msg`Power supplies`,
    component: true,
  },
  block: { one: msg`block`, several: msg`blocks`, many: msg`Blocks`, component: true },
  radiator: { one: msg`radiator`, several: msg`radiators`, many: msg`Radiators`, component: true },
  fan: { one: msg`fan`, several: msg`fans`, many: msg`Fans`, component: true },
  pump: { one: msg`pump`, several: msg`pumps`, many: msg`Pumps`, component: true },
  reservoir: {
    one: msg`reservoir`,
    several: msg`reservoirs`,
    many: msg`Reservoirs`,
    component: true,
  },
  inline: {
    one: msg`inline part`,
    several: msg`inline parts`,
    many: msg`Inline parts`,
    component: true,
  },
  device: {
    one: msg`device`,
    several: msg`drives, lights and other devices`,
    many: msg`Drives, lights and other devices`,
    component: true,
  },
  tube: { one: msg`tube`, several: msg`tubes`, many: msg`Tubes`, component: false },
  fitting: { one: msg`fitting`, several: msg`fittings`, many: msg`Fittings`, component: false },
  coolant: { one: msg`coolant`, several: msg`coolants`, many: msg`Coolants`, component: false },
  screw: { one: msg`screw`, several: msg`screws`, many: msg`Screws`, component: false },
  cable: { one: msg`cable`, several: msg`cables`, many: msg`Cables`, component: false },
  layer: {
    one: msg`grille, filter or gasket`,
    several: msg`grilles and filters`,
    many: msg`Grilles and filters`,
    component: false,
  },
  consumable: {
    one: msg`consumable`,
    several: msg`consumables and tools`,
    many: msg`Consumables and tools`,
    component: false,
  },
}));

const WET: readonly PartKind[] = ['radiator', 'pump', 'reservoir', 'block', 'inline'];
const HEATED: readonly PartKind[] = ['processor', 'card', 'board', 'memory', 'device'];

export const isWet = (p: Part): p is WetPart => WET.includes(p.kind);
export const isHeated = (p: Part): p is HeatedPart => HEATED.includes(p.kind);
export const isComponentPart = (p: Part): p is ComponentPart => PART_KINDS[p.kind].component;

/**
 * Which line drawing stands for a part: its kind, for blocks with what they cool, for in-line
 * pieces with what they do.
 */
export const drawingOf = (p: Part): string => {
  if (p.kind === 'block') return `block:${p.cools[0]}`;
  if (p.kind === 'inline') return `inline:${p.duty}`;
  return p.kind;
};
