import type { HeatedPart, ItemPart, Part, PartKind, WetPart } from './types';

/** Every kind, in the order of the Stores, with the word a builder uses. */
export const PART_KINDS: Readonly<
  Record<PartKind, { readonly one: string; readonly many: string; readonly item: boolean }>
> = {
  case: { one: 'case', many: 'Cases', item: false },
  processor: { one: 'processor', many: 'Processors', item: true },
  card: { one: 'graphics card', many: 'Graphics cards', item: true },
  board: { one: 'board', many: 'Boards', item: true },
  memory: { one: 'memory', many: 'Memory', item: true },
  supply: { one: 'power supply', many: 'Power supplies', item: true },
  block: { one: 'block', many: 'Blocks', item: true },
  radiator: { one: 'radiator', many: 'Radiators', item: true },
  fan: { one: 'fan', many: 'Fans', item: true },
  pump: { one: 'pump', many: 'Pumps', item: true },
  reservoir: { one: 'reservoir', many: 'Reservoirs', item: true },
  inline: { one: 'in-line piece', many: 'In-line pieces', item: true },
  tube: { one: 'tube', many: 'Tubes', item: false },
  fitting: { one: 'fitting', many: 'Fittings', item: false },
  coolant: { one: 'coolant', many: 'Coolants', item: false },
  screw: { one: 'screw', many: 'Screws', item: false },
  lead: { one: 'lead', many: 'Leads', item: false },
  sundry: { one: 'sundry', many: 'Sundries and tools', item: false },
};

const WET: readonly PartKind[] = ['radiator', 'pump', 'reservoir', 'block', 'inline'];
const HEATED: readonly PartKind[] = ['processor', 'card', 'board', 'memory'];

export const isWet = (p: Part): p is WetPart => WET.includes(p.kind);
export const isHeated = (p: Part): p is HeatedPart => HEATED.includes(p.kind);
export const isItemPart = (p: Part): p is ItemPart => PART_KINDS[p.kind].item;

/** Which line drawing stands for a part: its kind, for blocks with what they cool, for in-line pieces with what they do. */
export const drawingOf = (p: Part): string => {
  if (p.kind === 'block') return `block:${p.cools[0]}`;
  if (p.kind === 'inline') return `inline:${p.duty}`;
  return p.kind;
};
