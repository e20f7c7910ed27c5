import type { PolymerMaterial } from '../components';
import { msg, worded } from '../messages';

/** What a coolant, or a tube it runs in, brings to plastics and rubber. */
export type Agent = 'ethylene glycol' | 'propylene glycol' | 'alcohol' | 'plasticiser';
export type PolymerVerdict = 'ok' | 'marginal' | 'fails';

/**
 * How a material takes an agent: `watch` beyond the first share by volume, `not` beyond the second.
 * NEVER: at no share.
 */
interface Takes {
  readonly watch: number;
  readonly not: number;
}

const NEVER = Infinity;
const WELL: Takes = { watch: NEVER, not: NEVER };
/** Crazes under stress above a third of glycol (common practice, no source). */
const CRAZES: Takes = { watch: 0.25, not: 1 / 3 };

/**
 * Plastics and rubbers against what coolants hold, near room temperature and up to 60 °C. Rubbers
 * after the compound tables of O-ring handbooks, plastics after general chemical-resistance tables;
 * both from memory, both for plain immersion: the part's own data go before them.
 */
const TAKES: Readonly<Record<PolymerMaterial, Readonly<Record<Agent, Takes>>>> = {
  'EPDM rubber': {
    'ethylene glycol': WELL,
    'propylene glycol': WELL,
    alcohol: WELL,
    plasticiser: WELL,
  },
  'nitrile rubber': {
    'ethylene glycol': WELL,
    'propylene glycol': WELL,
    alcohol: { watch: 0.1, not: 0.5 },
    plasticiser: { watch: 0, not: NEVER },
  },
  'silicone rubber': {
    'ethylene glycol': WELL,
    'propylene glycol': WELL,
    alcohol: WELL,
    plasticiser: { watch: 0, not: NEVER },
  },
  'fluoro rubber': {
    'ethylene glycol': WELL,
    'propylene glycol': WELL,
    alcohol: WELL,
    plasticiser: WELL,
  },
  acetal: { 'ethylene glycol': WELL, 'propylene glycol': WELL, alcohol: WELL, plasticiser: WELL },
  nylon: {
    'ethylene glycol': { watch: 1 / 3, not: NEVER },
    'propylene glycol': { watch: 1 / 3, not: NEVER },
    alcohol: { watch: 0.1, not: NEVER },
    plasticiser: WELL,
  },
  glass: { 'ethylene glycol': WELL, 'propylene glycol': WELL, alcohol: WELL, plasticiser: WELL },
  acrylic: {
    'ethylene glycol': CRAZES,
    'propylene glycol': CRAZES,
    alcohol: { watch: 0, not: 0.1 },
    plasticiser: WELL,
  },
  polycarbonate: {
    'ethylene glycol': { watch: 0.5, not: NEVER },
    'propylene glycol': { watch: 0.5, not: NEVER },
    alcohol: { watch: 0.1, not: 0.5 },
    plasticiser: { watch: 0, not: NEVER },
  },
  PETG: {
    'ethylene glycol': { watch: 1 / 3, not: NEVER },
    'propylene glycol': { watch: 1 / 3, not: NEVER },
    alcohol: { watch: 0.1, not: 0.5 },
    plasticiser: WELL,
  },
  'soft PVC': {
    'ethylene glycol': { watch: 0.5, not: NEVER },
    'propylene glycol': { watch: 0.5, not: NEVER },
    alcohol: { watch: 0.05, not: 0.3 },
    plasticiser: WELL,
  },
};

/** A material against a share of an agent by volume, 0–1; a trace of plasticiser counts as any. */
export function judgePolymer(
  material: PolymerMaterial,
  agent: Agent,
  share: number,
): PolymerVerdict {
  const { watch, not } = TAKES[material][agent];
  if (share <= 0) return 'ok';
  if (share > not) return 'fails';
  if (share > watch) return 'marginal';
  return 'ok';
}

/** What becomes of a material that an agent gets at. */
export const EFFECT: Readonly<Record<Agent, string>> = worded(() => ({
  'ethylene glycol': msg`swells or crazes it under stress`,
  'propylene glycol': msg`swells or crazes it under stress`,
  alcohol: msg`crazes or hardens it`,
  plasticiser: msg`softens it over months`,
}));
