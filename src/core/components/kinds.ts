import type { HeatedPart, ComponentPart, Part, PartKind, WetPart } from './types';

/** Every kind, in the order of the Stores, with the word a builder uses. */
export const PART_KINDS: Readonly<
  Record<PartKind, { readonly one: string; readonly many: string; readonly component: boolean }>
> = {
  case: { one: 'case', many: 'Cases', component: false },
  processor: { one: 'processor', many: 'Processors', component: true },
  card: { one: 'graphics card', many: 'Graphics cards', component: true },
  board: { one: 'board', many: 'Boards', component: true },
  memory: { one: 'memory', many: 'Memory', component: true },
  supply: { one: 'power supply', many: 'Power supplies', component: true },
  block: { one: 'block', many: 'Blocks', component: true },
  radiator: { one: 'radiator', many: 'Radiators', component: true },
  fan: { one: 'fan', many: 'Fans', component: true },
  pump: { one: 'pump', many: 'Pumps', component: true },
  reservoir: { one: 'reservoir', many: 'Reservoirs', component: true },
  inline: { one: 'inline part', many: 'Inline parts', component: true },
  device: { one: 'device', many: 'Drives, lights and other devices', component: true },
  tube: { one: 'tube', many: 'Tubes', component: false },
  fitting: { one: 'fitting', many: 'Fittings', component: false },
  coolant: { one: 'coolant', many: 'Coolants', component: false },
  screw: { one: 'screw', many: 'Screws', component: false },
  cable: { one: 'cable', many: 'Cables', component: false },
  layer: { one: 'grille, filter or gasket', many: 'Grilles and filters', component: false },
  consumable: { one: 'consumable', many: 'Consumables and tools', component: false },
};

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
