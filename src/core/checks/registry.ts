import type { OperatingCheck, SpatialCheck } from './inputs';
import { airBackwards } from './airBackwards';
import { airStarved } from './airStarved';
import { airTrap } from './airTrap';
import { caseFans } from './caseFans';
import { cautionCoolant } from './cautionCoolant';
import { coolantAttacks } from './coolantAttacks';
import { coolantClogs } from './coolantClogs';
import { coolantDue } from './coolantDue';
import { coolantWatch } from './coolantWatch';
import { controlSensor } from './controlSensor';
import { coolingShort } from './coolingShort';
import { drainLow } from './drainLow';
import { fanStall } from './fanStall';
import { fillExpansion } from './fillExpansion';
import { fillLow } from './fillLow';
import { fitBlocked } from './fitBlocked';
import { fitBoard } from './fitBoard';
import { fitCables } from './fitCables';
import { fitClash } from './fitClash';
import { fitFloating } from './fitFloating';
import { fitHand } from './fitHand';
import { fitHoles } from './fitHoles';
import { fitMount } from './fitMount';
import { fitPair, fitUnknown } from './fitPair';
import { fitPort } from './fitPort';
import { fitTight } from './fitTight';
import { fitUnplaced } from './fitUnplaced';
import { flowBackwards } from './flowBackwards';
import { flowBetween } from './flowBetween';
import { flowIdle } from './flowIdle';
import { flowLow } from './flowLow';
import { flowNone } from './flowNone';
import { flowSuction } from './flowSuction';
import { heatCoolant } from './heatCoolant';
import { heatOnAir } from './heatOnAir';
import { heatOver } from './heatOver';
import { heatSummer } from './heatSummer';
import { listShare } from './listShare';
import { metalMarginal } from './metalMarginal';
import { metalMixed } from './metalMixed';
import { metalScratch } from './metalScratch';
import { metalUnjudged } from './metalUnjudged';
import { modelRange } from './modelRange';
import { noDrain } from './noDrain';
import { noiseOver } from './noiseOver';
import { notClosed } from './notClosed';
import { overBudget } from './overBudget';
import { portOpen } from './portOpen';
import { portTwice } from './portTwice';
import { powerHeader } from './powerHeader';
import { powerLead } from './powerLead';
import { pumpHigh } from './pumpHigh';
import { pumpRatings } from './pumpRatings';
import { radiatorIdle } from './radiatorIdle';
import { radiatorRating } from './radiatorRating';
import { reservoirPump } from './reservoirPump';
import { returnSplash } from './returnSplash';
import { runBefore } from './runBefore';
import { runBends } from './runBends';
import { runSelf } from './runSelf';
import { runWinding } from './runWinding';
import { runClash } from './runClash';
import { runClip } from './runClip';
import { runJointApart } from './runJointApart';
import { runMandrel } from './runMandrel';
import { runNoLength } from './runNoLength';
import { runNoWay } from './runNoWay';
import { runTooLong } from './runTooLong';
import { runUnpinned } from './runUnpinned';
import { runUnrouted } from './runUnrouted';
import { runWeave } from './runWeave';
import { screwNone, screwTooLong, screwTooShort } from './screwFit';
import { speedRange } from './speedRange';
import { supplyShort } from './supplyShort';
import { tubeSize } from './tubeSize';
import { wrongWay } from './wrongWay';

const byCode = (a: { readonly code: string }, b: { readonly code: string }): number =>
  a.code.localeCompare(b.code);

/** Rules of the space: asked again only when something stands or is connected otherwise. */
export const SPATIAL_CHECKS: readonly SpatialCheck[] = [
  airTrap,
  fillLow,
  fitBlocked,
  fitBoard,
  fitCables,
  fitClash,
  fitFloating,
  fitHand,
  fitHoles,
  fitMount,
  fitPair,
  fitPort,
  fitTight,
  fitUnknown,
  fitUnplaced,
  noDrain,
  notClosed,
  portOpen,
  portTwice,
  pumpHigh,
  reservoirPump,
  returnSplash,
  runBefore,
  runBends,
  runSelf,
  runWinding,
  runClash,
  runClip,
  runJointApart,
  runMandrel,
  runNoLength,
  runNoWay,
  runTooLong,
  runUnpinned,
  runUnrouted,
  runWeave,
  tubeSize,
  wrongWay,
].sort(byCode);

/** Rules of the working machine: flow, heat, noise, metals, list. */
export const OPERATING_CHECKS: readonly OperatingCheck[] = [
  airBackwards,
  airStarved,
  caseFans,
  cautionCoolant,
  controlSensor,
  coolantAttacks,
  coolantClogs,
  coolantDue,
  coolantWatch,
  coolingShort,
  drainLow,
  fanStall,
  fillExpansion,
  flowBackwards,
  flowBetween,
  flowIdle,
  flowLow,
  flowNone,
  flowSuction,
  heatCoolant,
  heatOnAir,
  heatOver,
  heatSummer,
  listShare,
  metalMarginal,
  metalMixed,
  metalScratch,
  metalUnjudged,
  modelRange,
  noiseOver,
  overBudget,
  powerHeader,
  powerLead,
  pumpRatings,
  radiatorIdle,
  radiatorRating,
  screwNone,
  screwTooLong,
  screwTooShort,
  speedRange,
  supplyShort,
].sort(byCode);

/** Every rule, sorted by code. */
export const CHECKS: readonly OperatingCheck[] = [...SPATIAL_CHECKS, ...OPERATING_CHECKS].sort(
  byCode,
);
