'use client';
import type { Brief } from '@/core/design';
import { formatFlow, formatMeasure, formatShown, type QuantityName } from '@/core/units';
import { QuantityField } from '@/view/shared';

type Limits = Brief['limits'];
type Numbers<T> = {
  [K in keyof T]-?: NonNullable<T[K]> extends number ? K : never;
}[keyof T];

/** A figure of the brief: what it is called, in which bounds it is taken, what is said beside it. */
export interface BriefFigure {
  /** Where it stands: in the brief itself, or among its limits. */
  readonly at:
    | { readonly brief: Exclude<Numbers<Omit<Brief, 'limits'>>, 'exchange'> }
    | { readonly limit: Exclude<Numbers<Limits>, 'budget_minor'> };
  /** Of its row on Requirements. */
  readonly name: string;
  /** On its own, where no row names it. */
  readonly label: string;
  /** For a reader of the row's field. */
  readonly field: string;
  note(): string;
  readonly quantity: QuantityName;
  readonly decimals?: number;
  readonly min: number;
  readonly max: number;
  readonly isOptional?: boolean;
  /** What was changed, as the undo step says it. */
  readonly change: string;
}

const ROOM: BriefFigure = {
  at: { brief: 'room_C' },
  name: 'Room',
  label: 'Room',
  field: 'Room temperature',
  note: () => 'air around the case on a usual day',
  quantity: 'temperature',
  decimals: 1,
  min: -20,
  max: 60,
  change: 'the room temperature',
};
const SUMMER: BriefFigure = {
  at: { brief: 'summer_C' },
  name: 'Room in summer',
  label: 'Room in summer',
  field: 'Hottest room, in summer',
  note: () => 'the hottest it gets; shown beside, findings tell what passes its limit then',
  quantity: 'temperature',
  decimals: 1,
  min: -20,
  max: 60,
  isOptional: true,
  change: 'the summer room',
};
const ALTITUDE: BriefFigure = {
  at: { brief: 'altitude_m' },
  name: 'Height above the sea',
  label: 'Height above the sea',
  field: 'Altitude',
  note: () => 'thin air carries less heat',
  quantity: 'distance',
  min: -500,
  max: 6000,
  change: 'the altitude',
};
const DELTA_T: BriefFigure = {
  at: { limit: 'deltaT_K' },
  name: 'Coolant ΔT',
  label: 'Highest coolant ΔT above room air',
  field: 'Coolant ΔT limit',
  note: () =>
    `${formatMeasure(10, 'K')} is cool, ${formatMeasure(15, 'K')} usual, ${formatMeasure(20, 'K')} the most one likes`,
  quantity: 'difference',
  decimals: 1,
  min: 0.5,
  max: 60,
  change: 'the coolant ΔT',
};
const NOISE: BriefFigure = {
  at: { limit: 'noise_dBA' },
  name: 'Noise',
  label: 'Noise, at most',
  field: 'Noise limit',
  note: () => '30 dBA is a quiet room at night',
  quantity: 'sound',
  min: 5,
  max: 90,
  change: 'the noise',
};
const LISTENER: BriefFigure = {
  at: { brief: 'listener_m' },
  name: 'Heard from',
  label: 'Heard from',
  field: 'Listener distance',
  note: () => 'from the case to your ear',
  quantity: 'distance',
  decimals: 1,
  min: 0.1,
  max: 20,
  change: 'the listener',
};
const FLOW: BriefFigure = {
  at: { limit: 'flow_Lmin' },
  name: 'Flow at least',
  label: 'Flow, at least',
  field: 'Flow target',
  note: () =>
    `below ${formatFlow(2)} is poor, ${formatShown(3, 'L/min', { decimals: 1 })} to ${formatFlow(4.5)} good (common practice)`,
  quantity: 'flow',
  decimals: 1,
  min: 0.1,
  max: 30,
  change: 'the flow',
};
const PART: BriefFigure = {
  at: { limit: 'part_C' },
  name: 'No part hotter than',
  label: 'No part hotter than',
  field: 'Part temperature limit',
  note: () => "empty: each part's own limit",
  quantity: 'temperature',
  min: 30,
  max: 150,
  isOptional: true,
  change: 'the part limit',
};
const CLEARANCE: BriefFigure = {
  at: { limit: 'clear_mm' },
  name: 'Gap that counts as clear',
  label: 'Gap that counts as clear',
  field: 'Clearance',
  note: () => 'less is marginal',
  quantity: 'length',
  min: 0,
  max: 50,
  change: 'the clearance',
};

/** The room, and what is judged in it: in the order of Requirements. */
export const ROOM_FIGURES = [ROOM, SUMMER, ALTITUDE] as const;
export const LIMIT_FIGURES = [DELTA_T, NOISE, LISTENER, FLOW, PART, CLEARANCE] as const;
/** What is asked of a new build. */
export const FIRST_FIGURES = [ROOM, DELTA_T, NOISE, LISTENER, FLOW, PART] as const;

/** What a figure changes: values of the brief, or of its limits. */
export interface BriefChange {
  readonly values?: Partial<Omit<Brief, 'limits'>>;
  readonly limits?: Partial<Limits>;
}

/** The field of one figure. An empty one says nothing, unless the figure may be left out. */
export function BriefField({
  figure,
  brief,
  hideLabel = false,
  onChange,
}: {
  readonly figure: BriefFigure;
  readonly brief: Brief;
  readonly hideLabel?: boolean;
  onChange(change: BriefChange): void;
}) {
  const { at, label, field, quantity, decimals = 0, min, max, isOptional = false } = figure;
  const value = 'brief' in at ? brief[at.brief] : brief.limits[at.limit];
  return (
    <QuantityField
      label={hideLabel ? field : label}
      hideLabel={hideLabel}
      value={value ?? null}
      quantity={quantity}
      decimals={decimals}
      min={min}
      max={max}
      optional={isOptional}
      onCommit={(v) => {
        if (v === null && !isOptional) return;
        onChange(
          'brief' in at
            ? { values: { [at.brief]: v ?? undefined } }
            : { limits: { [at.limit]: v } as Partial<Limits> },
        );
      }}
    />
  );
}
