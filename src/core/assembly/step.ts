export const STEP_KINDS = [
  'test dry',
  'strip',
  'flush',
  'mount',
  'block',
  'plug',
  'join',
  'run',
  'caps',
  'air test',
  'fill',
  'water test',
  'close',
  'first run',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** Cautions that are shown at a step; their words are in `CAUTIONS`. */
export type CautionId = 'mains' | 'air' | 'cutting' | 'coolant' | 'leaks' | 'lifting' | 'warranty';

/** Minutes of hand work, for the first time and with practice (common practice, no source). */
export interface Minutes {
  readonly beginner: number;
  readonly practised: number;
}

/** One thing to do, in its turn. */
export interface Step {
  /** Stays while the parts it is about do: marks and notes hang on it. */
  readonly id: string;
  readonly kind: StepKind;
  /** Ids of components, runs or loops. */
  readonly subjects: readonly string[];
  readonly title: string;
  /** Why here and not later. */
  readonly why: string;
  readonly how: readonly string[];
  /** From the list; `quantity` null where other steps share the line. */
  readonly parts: readonly { readonly name: string; readonly quantity: number | null }[];
  readonly tools: readonly string[];
  readonly cautions: readonly CautionId[];
  readonly minutes: Minutes;
  /** Nothing to do but wait, h: a test, glue. */
  readonly waits_h: number;
  /** Ids of steps that come first. */
  readonly needs: readonly string[];
  /** What goes into the case at it, whose turn the builder may choose; null of other work. */
  readonly unit: string | null;
  /** What must be taken off again for it; null where it goes in. */
  readonly trapped: string | null;
}
