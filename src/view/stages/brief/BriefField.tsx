'use client';
import type { Brief } from '@/core/design';
import { formatFlow, formatMeasure, formatShown, type QuantityName } from '@/core/units';
import { QuantityField } from '@/view/shared';
import { msg } from '@/core/messages';

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
  get name() {
    return msg`Room`;
  },
  get label() {
    return msg`Room`;
  },
  get field() {
    return msg`Room temperature`;
  },
  note: () => msg`air around the case on a usual day`,
  quantity: 'temperature',
  decimals: 1,
  min: -20,
  max: 60,
  get change() {
    return msg`the room temperature`;
  },
};
const SUMMER: BriefFigure = {
  at: { brief: 'summer_C' },
  get name() {
    return msg`Room in summer`;
  },
  get label() {
    return msg`Room in summer`;
  },
  get field() {
    return msg`Hottest room, in summer`;
  },
  note: () => msg`the hottest it gets; shown beside, findings tell what passes its limit then`,
  quantity: 'temperature',
  decimals: 1,
  min: -20,
  max: 60,
  isOptional: true,
  get change() {
    return msg`the summer room`;
  },
};
const ALTITUDE: BriefFigure = {
  at: { brief: 'altitude_m' },
  get name() {
    return msg`Height above the sea`;
  },
  get label() {
    return msg`Height above the sea`;
  },
  get field() {
    return msg`Altitude`;
  },
  note: () => msg`thin air carries less heat`,
  quantity: 'distance',
  min: -500,
  max: 6000,
  get change() {
    return msg`the altitude`;
  },
};
const DELTA_T: BriefFigure = {
  at: { limit: 'deltaT_K' },
  get name() {
    return msg`Coolant ΔT`;
  },
  get label() {
    return msg`Highest coolant ΔT above room air`;
  },
  get field() {
    return msg`Coolant ΔT limit`;
  },
  note: () =>
    msg`${formatMeasure(10, 'K')} is cool, ${formatMeasure(15, 'K')} usual,
      ${formatMeasure(20, 'K')} the most one likes`,
  quantity: 'difference',
  decimals: 1,
  min: 0.5,
  max: 60,
  get change() {
    return msg`the coolant ΔT`;
  },
};
const NOISE: BriefFigure = {
  at: { limit: 'noise_dBA' },
  get name() {
    return msg`Noise`;
  },
  get label() {
    return msg`Noise, at most`;
  },
  get field() {
    return msg`Noise limit`;
  },
  note: () => msg`30 dBA is a quiet room at night`,
  quantity: 'sound',
  min: 5,
  max: 90,
  get change() {
    return msg`the noise`;
  },
};
const LISTENER: BriefFigure = {
  at: { brief: 'listener_m' },
  get name() {
    return msg`Heard from`;
  },
  get label() {
    return msg`Heard from`;
  },
  get field() {
    return msg`Listener distance`;
  },
  note: () => msg`from the case to your ear`,
  quantity: 'distance',
  decimals: 1,
  min: 0.1,
  max: 20,
  get change() {
    return msg`the listener`;
  },
};
const FLOW: BriefFigure = {
  at: { limit: 'flow_Lmin' },
  get name() {
    return msg`Flow at least`;
  },
  get label() {
    return msg`Flow, at least`;
  },
  get field() {
    return msg`Flow target`;
  },
  note: () =>
    msg`below ${formatFlow(2)} is poor, ${formatShown(3, 'L/min', { decimals: 1 })} to
      ${formatFlow(4.5)} good (common practice)`,
  quantity: 'flow',
  decimals: 1,
  min: 0.1,
  max: 30,
  get change() {
    return msg`the flow`;
  },
};
const PART: BriefFigure = {
  at: { limit: 'part_C' },
  get name() {
    return msg`No part hotter than`;
  },
  get label() {
    return msg`No part hotter than`;
  },
  get field() {
    return msg`Part temperature limit`;
  },
  note: () => msg`empty: each part's own limit`,
  quantity: 'temperature',
  min: 30,
  max: 150,
  isOptional: true,
  get change() {
    return msg`the part limit`;
  },
};
const CLEARANCE: BriefFigure = {
  at: { limit: 'clear_mm' },
  get name() {
    return msg`Gap that counts as clear`;
  },
  get label() {
    return msg`Gap that counts as clear`;
  },
  get field() {
    return msg`Clearance`;
  },
  note: () => msg`less is marginal`,
  quantity: 'length',
  min: 0,
  max: 50,
  get change() {
    return msg`the clearance`;
  },
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
