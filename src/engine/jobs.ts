import { offered, type PartLists } from '@/catalogue';
import type { Edit, Reading } from '@/core/design';
import { JUDGE, type Session } from '@/core/analysis';
import {
  judgedAlternatives,
  compareOrders,
  familiesPriced,
  orderPrice,
  judgeSpeeds,
  compareParts,
  evaluateVariants,
  whatFits,
  type EvaluatedVariant,
  type OrdersCompared,
  type FamilyPriced,
  type OrderPrice,
  type SpeedsJudged,
  type PartCompared,
  type AlternativeJudged,
  type WhatFits,
} from '@/core/studies';
import {
  beforeAfter,
  pumpChoices,
  pumpEdit,
  uncertainty,
  type WholeUncertainty,
  type BeforeAfter,
  type PumpAsked,
  type PumpChoice,
} from '@/core/studies';
import { defaultPlacements, findingKey, resolveFixes, type Fix } from '@/core/checks';
import { teePorts } from '@/core/loops';
import {
  airSensitivity,
  compareRating,
  type AirSensitivity,
  type CoolingCurve,
  type RatingCompared,
} from '@/core/thermal';
import type { FittingPart, Part, PumpPart } from '@/core/components';
import { improvement, rerouteEdit, type Improvement } from '@/core/routing';
import type { BetterLayout } from '@/core/betterLayout';
import type { StarterAsked } from '@/core/starter';
import type { Calibration, Diagnosis, Trend } from '@/core/log';
import type { Scenario, Transient } from '@/core/transient';

/**
 * What a job works with: the design as the page has it, and what the builder's catalogue offers.
 */
export interface Desk {
  readonly session: Session;
  readonly partLists: PartLists;
}

/** A change of pumps with what it comes to. */
export interface PumpPlan extends BeforeAfter {
  readonly edit: Edit;
}

/**
 * Hears how far a job is, 0 to 1, and, where it has something before its end, what it would answer
 * now; answers whether it is to go on.
 */
export type Tell = (share: number, soFar?: unknown) => boolean;

const telling =
  (tell: Tell) =>
  (done: number, of: number): boolean =>
    tell(done / Math.max(1, of));

const offerOf = ({ partLists }: Desk): readonly Part[] => offered(partLists);

const readingsIn = ({ design }: Session): readonly Reading[] => design.choices.work?.readings ?? [];

/** Draws of a band, always from the same seed: the same build shows the same band. */
const DRAWS = 500;
const SEED = 1;
/** Coolant over the room until the first solution says otherwise, K. */
const GUESSED_RISE_K = 8;

/**
 * Everything that takes longer than a frame. Each is pure over the design; null when it was
 * stopped. What only the log or the course of time asks for loads when it is asked.
 */
export const JOBS = {
  /** The ways out that hold, of these findings. */
  fixes: (desk: Desk, keys: readonly string[], tell: Tell): ResolvedFixes | null => {
    const { session } = desk;
    session.offer(offerOf(desk));
    const asked = session.analysis().findings.filter((f) => keys.includes(findingKey(f)));
    const resolved: [string, readonly Fix[]][] = [];
    for (const [i, finding] of asked.entries()) {
      if (!tell(i / asked.length)) return null;
      resolved.push([findingKey(finding), resolveFixes(session.design, finding, JUDGE)]);
    }
    return resolved;
  },

  /** The edit that routes what is not routed, or no longer holds. */
  reroute: (desk: Desk, _input: null, tell: Tell): { readonly edit: Edit | null } | null => {
    let stopped = false;
    const edit = rerouteEdit(desk.session.design, (done, of) => {
      stopped = !tell(done / Math.max(1, of));
      return !stopped;
    });
    return stopped ? null : { edit };
  },

  /** What routing everything afresh would gain. */
  improve: (
    desk: Desk,
    _input: null,
    tell: Tell,
  ): { readonly found: Improvement | null } | null => {
    let stopped = false;
    const found = improvement(desk.session.design, (done, of) => {
      stopped = !tell(done / Math.max(1, of));
      return !stopped;
    });
    return stopped ? null : { found };
  },

  orders: (desk: Desk, loop: string, tell: Tell): OrdersCompared | null =>
    compareOrders(desk.session.design, loop, telling(tell)),

  orderPrice: ({ session }: Desk, edit: Edit): OrderPrice => orderPrice(session.design, edit),

  /** Every family of fittings offered, in place of those of now. */
  families: (desk: Desk): readonly FamilyPriced[] =>
    familiesPriced(
      desk.session.design,
      offerOf(desk).filter((p): p is FittingPart => p.kind === 'fitting'),
    ),

  /** What each kept set of speeds comes to. */
  speeds: ({ session }: Desk): readonly SpeedsJudged[] => judgeSpeeds(session.design),

  /** Ports, turns, places and routes chosen together; the best proven so far on the way. */
  layout: async (
    desk: Desk,
    _input: null,
    tell: Tell,
  ): Promise<{ readonly found: BetterLayout | null } | null> => {
    const { betterLayout } = await import('@/core/betterLayout');
    let share = 0;
    const heard = (done: number, of: number): boolean => {
      share = done / Math.max(1, of);
      return tell(share);
    };
    const soFar = (found: BetterLayout): void => void tell(share, { found });
    return { found: betterLayout(desk.session.design, heard, soFar) };
  },

  /** Other ways of one run, each worked out whole. */
  alternatives: (desk: Desk, connection: string, tell: Tell): readonly AlternativeJudged[] =>
    judgedAlternatives(desk.session.design, connection, telling(tell)),

  /** Another pump, or two, in a loop: how to, and what the build comes to before and after. */
  pumpPlan: (desk: Desk, asked: PumpAsked): { readonly plan: PumpPlan | null } => {
    const { design } = desk.session;
    const tee =
      offerOf(desk).find(
        (p): p is Extract<Part, { kind: 'inline' }> => p.kind === 'inline' && teePorts(p) !== null,
      ) ?? null;
    const edit = pumpEdit(design, asked, {
      tee,
      places: (made) => [
        ...defaultPlacements(made, { id: '', part: asked.part }).map((p) => p.placement),
        { on: 'unplaced' },
      ],
    });
    return { plan: edit && { edit, ...beforeAfter(design, edit) } };
  },

  /** A first build for the machine that is named. */
  starter: async (
    desk: Desk,
    asked: StarterAsked,
    tell: Tell,
  ): Promise<{ readonly edit: Edit | null } | null> => {
    const { starterEdit } = await import('@/core/starter');
    let stopped = false;
    const edit = starterEdit(desk.session.design, offerOf(desk), asked, (done, of) => {
      stopped = !tell(done / Math.max(1, of));
      return !stopped;
    });
    return stopped ? null : { edit };
  },

  whatFits: (desk: Desk, _input: null, tell: Tell): WhatFits | null => {
    let stopped = false;
    const fits = whatFits(desk.session.design, offerOf(desk), (done, of) => {
      stopped = !tell(done / Math.max(1, of));
      return !stopped;
    });
    return stopped ? null : fits;
  },

  parts: (desk: Desk, component: string, tell: Tell): readonly PartCompared[] | null => {
    let stopped = false;
    const parts = compareParts(desk.session.design, component, offerOf(desk), (done, of) => {
      stopped = !tell(done / Math.max(1, of));
      return !stopped;
    });
    return stopped ? null : parts;
  },

  /** What the case does to the warmest loop. */
  air: ({ session }: Desk): AirSensitivity => {
    const { thermalModel, reports } = session.analysis();
    return airSensitivity(thermalModel, reports.flow, session.design.brief.loadCase);
  },

  /** Printed heat of radiators that have a rating, against ours at the same speed. */
  ratings: ({ session }: Desk): Readonly<Record<string, RatingCompared>> => {
    const { thermalModel, reports } = session.analysis();
    return Object.fromEntries(
      thermalModel.radiators.flatMap(({ id, part: { rating } }) => {
        const compared = rating && compareRating(thermalModel, reports.flow, id, rating);
        return compared ? [[id, compared] as const] : [];
      }),
    );
  },

  /** Every pump offered, alone and in twos, in one loop. */
  pumps: (desk: Desk, loop: string, tell: Tell): readonly PumpChoice[] | null => {
    const { session } = desk;
    const { design } = session;
    const { system, reports } = session.analysis();
    const pumps = offerOf(desk).filter((p): p is PumpPart => p.kind === 'pump');
    const own = design.components.flatMap((i) =>
      i.part.kind === 'pump' && !pumps.some((p) => p.id === i.part.id) ? [i.part] : [],
    );
    const coolant_C =
      reports.flow.loops.find((l) => l.id === loop)?.coolant_C ??
      design.brief.room_C + GUESSED_RISE_K;
    let stopped = false;
    const choices = pumpChoices(
      system,
      reports.runs,
      loop,
      coolant_C,
      [...own, ...pumps],
      (done, of) => {
        stopped = !tell(done / Math.max(1, of));
        return !stopped;
      },
    );
    return stopped ? null : choices;
  },

  changes: (desk: Desk, _input: null, tell: Tell): readonly EvaluatedVariant[] | null => {
    let stopped = false;
    const judged = evaluateVariants(desk.session.design, offerOf(desk), (done, of) => {
      stopped = !tell(done / Math.max(1, of));
      return !stopped;
    });
    return stopped ? null : judged;
  },

  bands: ({ session }: Desk, _input: null, tell: Tell): WholeUncertainty | null =>
    uncertainty(session.analysis(), DRAWS, SEED, telling(tell)),

  /** The factors that the readings of the finished machine tell. */
  calibration: async ({ session }: Desk): Promise<Calibration> => {
    const { calibrate } = await import('@/core/log');
    return calibrate(session.design, readingsIn(session));
  },

  /** What is likely wrong with it, likeliest first. */
  diagnosis: async (
    { session }: Desk,
    _input: null,
    tell: Tell,
  ): Promise<readonly Diagnosis[] | null> => {
    const { diagnose } = await import('@/core/log');
    return diagnose(session.design, readingsIn(session), telling(tell));
  },

  /** Each figure against its prediction over the life of the machine. */
  trends: async ({ session }: Desk): Promise<readonly Trend[]> => {
    const { trendsOf } = await import('@/core/log');
    return trendsOf(session.design, readingsIn(session));
  },

  transient: async (
    { session }: Desk,
    scenario: Scenario,
    tell: Tell,
  ): Promise<Transient | null> => {
    const { runTransient } = await import('@/core/transient');
    const { thermalModel, reports } = session.analysis();
    return runTransient(thermalModel, reports.flow, reports.runs, scenario, tell);
  },
} as const;

export type ResolvedFixes = readonly (readonly [key: string, fixes: readonly Fix[]])[];
/** What the engine's own thread does. */
export type OwnJob = keyof typeof JOBS;
/** What the analyst does for it at once. */
export interface QuickResults {
  readonly curves: readonly CoolingCurve[];
}
export type JobName = OwnJob | keyof QuickResults;
export type JobInput<J extends JobName> = J extends OwnJob ? OwnInput<J> : null;
export type JobResult<J extends JobName> = J extends OwnJob
  ? Exclude<Awaited<ReturnType<(typeof JOBS)[J]>>, null>
  : J extends keyof QuickResults
    ? QuickResults[J]
    : never;

type OwnInput<J extends OwnJob> = (typeof JOBS)[J] extends () => unknown
  ? null
  : Parameters<(typeof JOBS)[J]> extends [Desk, infer I, ...unknown[]]
    ? I
    : null;

/** Runs a job on a desk; some answer with a promise. */
export function runJob(desk: Desk, job: OwnJob, input: unknown, tell: Tell): unknown {
  const work = JOBS[job] as (desk: Desk, input: unknown, tell: Tell) => unknown;
  return work(desk, input, tell);
}
