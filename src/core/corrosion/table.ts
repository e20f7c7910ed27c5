import type { Metal } from '../components';

/**
 * Anodic index, V: how far below gold a metal stands. As commonly reprinted from MIL-STD-889 /
 * MIL-F-14072, from memory; reprints differ by up to 0.05 V. A rule of thumb made for damp air,
 * used here for coolant as the trade does.
 */
export const ANODIC_INDEX: Readonly<Record<Metal, number>> = {
  gold: 0,
  silver: 0.15,
  nickel: 0.3,
  copper: 0.35,
  brass: 0.4,
  stainless: 0.5,
  chrome: 0.6,
  tin: 0.65,
  aluminium: 0.9,
  zinc: 1.25,
};

export const METAL_NAMES: Readonly<Record<Metal, string>> = {
  gold: 'gold',
  silver: 'silver',
  nickel: 'nickel plate',
  copper: 'copper',
  brass: 'brass',
  stainless: 'stainless steel',
  chrome: 'chrome plate',
  tin: 'tin solder',
  aluminium: 'aluminium',
  zinc: 'zinc',
};

export type Environment = 'harsh' | 'ordinary' | 'controlled';

/**
 * Largest difference allowed, V; a pair right on the limit is allowed and flagged. Same sources,
 * from memory.
 */
export const DIFFERENCE_LIMIT: Readonly<Record<Environment, number>> = {
  harsh: 0.15,
  ordinary: 0.25,
  controlled: 0.5,
};

/** Rounding slack for differences that land on a limit. */
export const LIMIT_SLACK_V = 1e-9;
