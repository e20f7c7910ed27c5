'use client';
import type {
  EvaluatedVariant,
  FamilyPriced,
  OrderPrice,
  OrdersCompared,
  SpeedsJudged,
  PartCompared,
  AlternativeJudged,
  WhatFits,
} from '@/core/studies';
import type { PumpAsked, PumpChoice, WholeUncertainty } from '@/core/studies';
import type { BetterLayout } from '@/core/betterLayout';
import type { StarterAsked } from '@/core/starter';
import type { Edit } from '@/core/design';
import type { Calibration, Diagnosis, Trend } from '@/core/log';
import type { AirSensitivity, CoolingCurve, RatingCompared } from '@/core/thermal';
import type { Improvement } from '@/core/routing';
import type { Scenario, Transient } from '@/core/transient';
import {
  useEngineJob,
  type Job,
  type JobInput,
  type JobName,
  type JobResult,
  type PumpPlan,
  type ResolvedFixes,
} from '@/engine';
import { CURVES_READ, versionOf, type Versions } from './editor';
import { useEditor } from './EditorProvider';

type Part = keyof Versions;

/**
 * A job over the open build, asked again when one of these parts of the design, or the catalogue
 * where it counts, has changed.
 */
function useJob<J extends JobName>(
  job: J,
  input: JobInput<J>,
  reads: readonly Part[],
  on = true,
): Job<JobResult<J>> {
  const engine = useEditor((s) => s.engine);
  const version = useEditor((s) => (on ? versionOf(reads, s.versions) : null));
  return useEngineJob(engine, job, input, version);
}

const ALL: readonly Part[] = ['space', 'fans', 'pumps', 'rest', 'offer'];

/**
 * The fixes that hold of the findings shown; no findings ask for nothing. They are tried again from
 * the moment of an edit on, not only when it is shown.
 */
export function useFixes(keys: readonly string[]): Job<ResolvedFixes> {
  const isShown = useEditor((s) => s.latest === s.design);
  const job = useJob('fixes', keys, ALL, keys.length > 0);
  return { ...job, fresh: job.fresh && isShown };
}

/** The edit that routes what is not routed, or no longer holds, while that is wanted. */
export const useReroute = (on: boolean): Job<{ readonly edit: Edit | null }> =>
  useJob('reroute', null, ['space'], on);

/** What routing everything afresh would gain. */
export const useImprovement = (): Job<{ readonly found: Improvement | null }> =>
  useJob('improve', null, ['space']);

/**
 * Orders of a loop's parts, routed and judged; null asks for nothing. Speeds count: temperatures
 * stand beside.
 */
export const useOrders = (loop: string | null): Job<OrdersCompared> =>
  useJob('orders', loop ?? '', ALL, loop !== null);

/** What an edit of a loop's order would cost; null asks for nothing. */
export const useOrderPrice = (edit: Edit | null): Job<OrderPrice> =>
  useJob('orderPrice', edit as Edit, ALL, edit !== null);

/** Every family of fittings offered, in place of those of now. */
export const useFamilies = (): Job<readonly FamilyPriced[]> =>
  useJob('families', null, ['space', 'rest', 'offer']);

/** What each kept set of speeds comes to. The speeds of now are none of them. */
export const useSpeedsJudged = (on: boolean): Job<readonly SpeedsJudged[]> =>
  useJob('speeds', null, ['space', 'rest'], on);

/** Ports, places and routes chosen together, while they are asked for. */
export const useBetterLayout = (on: boolean): Job<{ readonly found: BetterLayout | null }> =>
  useJob('layout', null, ['space'], on);

/** Other ways of one run; null asks for nothing. */
export const useAlternatives = (connection: string | null): Job<readonly AlternativeJudged[]> =>
  useJob('alternatives', connection ?? '', ['space', 'pumps'], connection !== null);

/** A first build for the machine that is named; null asks for nothing. */
export const useStarter = (asked: StarterAsked | null): Job<{ readonly edit: Edit | null }> =>
  useJob('starter', asked as StarterAsked, ['space', 'offer'], asked !== null);

/** What of the catalogue fits where, beside what is in. */
export const useWhatFits = (): Job<WhatFits> => useJob('whatFits', null, ['space', 'offer']);

/** Parts of one kind in a component's place, each worked out; null asks for nothing. */
export const useComparedParts = (component: string | null): Job<readonly PartCompared[]> =>
  useJob('parts', component ?? '', ALL, component !== null);

/** Rise against noise. */
export const useCurves = (): Job<readonly CoolingCurve[]> => useJob('curves', null, CURVES_READ);

/** What the case does to the warmest loop. */
export const useAirSensitivity = (): Job<AirSensitivity> =>
  useJob('air', null, ['space', 'fans', 'pumps', 'rest']);

/** Printed heat of radiators against ours, by component, while any has a rating. */
export const useRatings = (on: boolean): Job<Readonly<Record<string, RatingCompared>>> =>
  useJob('ratings', null, ['space', 'fans', 'pumps', 'rest'], on);

/** Pumps of the catalogue in a loop. The chooser looks for speeds itself. */
export const usePumpChoices = (loop: string): Job<readonly PumpChoice[]> =>
  useJob('pumps', loop, ['space', 'fans', 'rest', 'offer']);

/** Another pump in a loop, before and after; null asks for nothing. */
export const usePumpPlan = (asked: PumpAsked | null): Job<{ readonly plan: PumpPlan | null }> =>
  useJob('pumpPlan', asked as PumpAsked, ALL, asked !== null);

/** Every single change to the build, judged whole. */
export const useChanges = (): Job<readonly EvaluatedVariant[]> => useJob('changes', null, ALL);

/** Where temperatures, flow, noise and price fall when what is uncertain varies. */
export const useBands = (): Job<WholeUncertainty> =>
  useJob('bands', null, ['space', 'fans', 'pumps', 'rest']);

/** The build over time; null asks for nothing. */
export const useTransient = (scenario: Scenario | null): Job<Transient> =>
  useJob('transient', scenario as Scenario, ['space', 'fans', 'pumps', 'rest'], scenario !== null);

const LOGGED: readonly Part[] = ['space', 'fans', 'pumps', 'rest', 'log'];

/** The factors that the readings tell, while there are any. */
export const useCalibration = (on: boolean): Job<Calibration> =>
  useJob('calibration', null, LOGGED, on);

/** What is likely wrong with the machine, while it is asked for. */
export const useDiagnosis = (on: boolean): Job<readonly Diagnosis[]> =>
  useJob('diagnosis', null, LOGGED, on);

/** The readings against their predictions over time. */
export const useTrends = (on: boolean): Job<readonly Trend[]> => useJob('trends', null, LOGGED, on);
