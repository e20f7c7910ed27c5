export { runTransient } from './run';
export { asked } from './control';
export { LiveMachine, type LiveState } from './live';
export {
  FAULTS,
  ScenarioError,
  type Fault,
  type FaultKind,
  type Hunting,
  type Scenario,
  type Settling,
  type SpeedTrack,
  type SpotTrack,
  type Transient,
} from './types';
