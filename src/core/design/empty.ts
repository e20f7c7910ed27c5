import {
  BUILD_FORMAT,
  BUILD_VERSION,
  type Brief,
  type Design,
  type Kit,
  type Layout,
} from './types';

/** What a new brief starts from: common practice, every value meant to be changed. */
export const DEFAULT_BRIEF: Brief = {
  room_C: 24,
  altitude_m: 0,
  currency: 'EUR',
  loadCase: 'stress',
  limits: {
    deltaT_K: 12,
    noise_dBA: 34,
    flow_Lmin: 3,
    part_C: null,
    budget_minor: 60000,
    clear_mm: 5,
  },
  listener_m: 1,
};

/** Nothing routed yet. */
export const EMPTY_LAYOUT: Layout = { routes: {}, poses: {}, noRoute: {} };

/** A build with nothing in it yet. */
export function emptyDesign(name: string, kit: Kit, brief: Brief = DEFAULT_BRIEF): Design {
  return {
    format: BUILD_FORMAT,
    version: BUILD_VERSION,
    name,
    brief,
    case: null,
    components: [],
    loops: [],
    kit,
    layout: EMPTY_LAYOUT,
    choices: { removed: [] },
  };
}
