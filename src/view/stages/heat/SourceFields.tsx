'use client';
import type { CardPart, ProcessorPart } from '@/core/components';
import type { StarterAsked } from '@/core/starter';
import { formatWatts } from '@/core/units';
import { Pick, QuantityField, Segments, useOffer } from '@/view/shared';
import { msg } from '@/core/messages';
import styles from './SourceFields.module.css';

/** Not named yet, none at all, or a part told by its watts alone. */
export const LATER = 'later',
  NONE = 'none',
  BY_WATTS = 'watts';

/** What makes heat, and how the loop is to be: what a first build is made from. */
export interface Sources {
  /** Id of the catalogue, or one of the words above. */
  readonly processor: string;
  readonly card: string;
  readonly processor_W: number | null;
  readonly card_W: number | null;
  readonly count: '1' | '2';
  readonly tube: StarterAsked['tube'];
}
export const NOTHING_SAID: Sources = {
  processor: LATER,
  card: LATER,
  processor_W: null,
  card_W: null,
  count: '1',
  tube: 'soft',
};

const MOST_W = 3000;

/** Processor, graphics cards and the school of tube; each heat source as a part or as plain watts. */
export function SourceFields({
  value,
  onChange,
}: {
  readonly value: Sources;
  onChange(value: Sources): void;
}) {
  const processors = useOffer('processor'),
    cards = useOffer('card');
  const set = (values: Partial<Sources>): void => onChange({ ...value, ...values });
  return (
    <>
      <div className={styles.source}>
        <Pick
          label={msg`Processor`}
          value={value.processor}
          options={optionsOf(processors)}
          onPick={(processor) => set({ processor })}
        />
        {value.processor === BY_WATTS && (
          <QuantityField
            label={msg`Power draw of the processor`}
            value={value.processor_W}
            quantity="power"
            optional
            min={1}
            max={MOST_W}
            onCommit={(processor_W) => set({ processor_W })}
          />
        )}
      </div>
      <div className={styles.source}>
        <Pick
          label={msg`Graphics card`}
          value={value.card}
          options={optionsOf(cards)}
          onPick={(card) => set({ card })}
        />
        {value.card === BY_WATTS && (
          <QuantityField
            label={msg`Power draw of each card`}
            value={value.card_W}
            quantity="power"
            optional
            min={1}
            max={MOST_W}
            onCommit={(card_W) => set({ card_W })}
          />
        )}
        <Segments
          label={msg`Number of graphics cards`}
          value={value.count}
          options={[
            { value: '1', label: msg`one card` },
            { value: '2', label: msg`two cards` },
          ]}
          onPick={(count) => set({ count })}
        />
      </div>
      <div className={styles.source}>
        <span className="soft" aria-hidden>
          {msg`Tube`}
        </span>
        <Segments
          label={msg`Tube`}
          value={value.tube}
          options={[
            { value: 'soft', label: msg`soft tube` },
            { value: 'hard', label: msg`hard tube` },
          ]}
          onPick={(tube) => set({ tube })}
        />
      </div>
    </>
  );
}

const optionsOf = (parts: readonly (ProcessorPart | CardPart)[]) => [
  { value: LATER, label: msg`choose later` },
  { value: NONE, label: msg`none` },
  { value: BY_WATTS, label: msg`another one, by its watts` },
  ...parts.map((p) => ({ value: p.id, label: `${p.name}, ${formatWatts(p.draw_W)}` })),
];

/** Power draw of all that was named, W; null while nothing was. */
export function heatOfSources(
  value: Sources,
  offer: readonly (ProcessorPart | CardPart)[],
): number | null {
  const drawOf = (chosen: string, by_W: number | null): number =>
    chosen === BY_WATTS ? (by_W ?? 0) : (offer.find((p) => p.id === chosen)?.draw_W ?? 0);
  const heat =
    drawOf(value.processor, value.processor_W) + drawOf(value.card, value.card_W) * cardsOf(value);
  return heat > 0 ? heat : null;
}

export const cardsOf = ({ card, count }: Sources): number =>
  card === NONE || card === LATER ? 0 : Number(count);
