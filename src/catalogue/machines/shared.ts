import type { Component, Design, Placement, Settings } from '@/core/design';
import { component, OWNED } from '../building';

export const mount = (
  id: string,
  air: 'in' | 'out',
  slide_mm = 0,
  ports: 'start' | 'end' = 'end',
): Placement => ({ on: 'mount', mount: id, slide_mm, ports, air });
export const on = (host: string): Placement => ({ on: 'component', component: host });
export const spot = (id: string, turn: 0 | 90 | 180 | 270 = 0): Placement => ({
  on: 'spot',
  spot: id,
  turn,
});

/** Board, processor, memory and supply that are there already. */
export const owned = (
  board: string,
  processor: string,
  memory: string,
  supply: string,
  bay: Placement = { on: 'bay' },
): readonly Component[] => [
  component('board', board, { on: 'tray' }, OWNED),
  component('processor', processor, { on: 'board' }, OWNED),
  component('memory', memory, { on: 'board' }, OWNED),
  component('supply', supply, bay, OWNED),
];

/** A radiator with a set of fans. */
export const radiator = (
  id: string,
  name: string,
  part: string,
  placement: Placement,
  fan: string,
  face: 'frame' | 'interior' | 'outside',
  speed_rpm: number,
): readonly Component[] => [
  component(id, part, placement, {}, name),
  component(
    `${id}-fans`,
    fan,
    { on: 'radiator', component: id, face },
    { speed_rpm },
    `Fans of ${name.toLowerCase()}`,
  ),
];

export const named = (
  id: string,
  name: string,
  part: string,
  placement: Placement,
  settings: Settings = {},
): Component => component(id, part, placement, settings, name);

export type Make = () => Design;
