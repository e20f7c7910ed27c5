import { Press } from '@/view/shared';
import { useState } from 'react';
import { isHeated, type ComponentPart, type HotSpot } from '@/core/components';
import { interfaceFrom, type MeasuredPair } from '@/core/making';
import { msg } from '@/core/messages';
import { NumberField } from './Field';
import styles from './PartShape.module.css';

/** Limits of a part's spots and what lies between them and a block; fitted from one measured pair. */
export function SpotTable({
  part,
  onChange,
}: {
  readonly part: ComponentPart;
  onChange(part: ComponentPart): void;
}) {
  if (!isHeated(part)) return null;
  const { hotSpots } = part;
  const set = (i: number, values: Partial<HotSpot>): void =>
    onChange({
      ...part,
      hotSpots: hotSpots.map((s, k) => (k === i ? { ...s, ...values } : s)),
    } as ComponentPart);
  return (
    <>
      <h3>{msg`Spots that must stay cool`}</h3>
      {hotSpots.map((s, i) => (
        <div key={s.id}>
          <div className={styles.wide}>
            <strong>{s.name}</strong>
            <NumberField
              label={msg`limit, °C`}
              value={s.limit_C}
              onChange={(limit_C) => set(i, { limit_C })}
            />
            <NumberField
              label={msg`to the block's face, K/W`}
              value={s.interface_KW}
              onChange={(interface_KW) => set(i, { interface_KW })}
            />
            <NumberField
              label={msg`to air with its own cooler, K/W`}
              value={s.onAir_KW}
              onChange={(onAir_KW) => set(i, { onAir_KW })}
            />
          </div>
          <FromPair
            spot={s.name}
            onFitted={(interface_KW) => set(i, { interface_KW })}
            draw_W={part.draw_W}
          />
        </div>
      ))}
    </>
  );
}

function FromPair({
  spot,
  draw_W,
  onFitted,
}: {
  readonly spot: string;
  readonly draw_W: number;
  onFitted(interface_KW: number): void;
}) {
  const [pair, setPair] = useState<MeasuredPair>({
    chip_C: 75,
    coolant_C: 35,
    heat_W: draw_W,
    block_KW: 0.05,
  });
  const [says, setSays] = useState<string | null>(null);
  const fields = [
    ['chip_C', msg`chip, °C`],
    ['coolant_C', msg`coolant, °C`],
    ['heat_W', 'watts'],
    ['block_KW', msg`block's own, K/W`],
  ] as const;
  return (
    <details>
      <summary>{msg`Fit it from one measured pair of ${spot}`}</summary>
      <div className={styles.wide}>
        {fields.map(([key, label]) => (
          <NumberField
            key={key}
            label={label}
            value={pair[key]}
            onChange={(v) => setPair({ ...pair, [key]: v })}
          />
        ))}
        <Press
          className={styles.quiet}
          onClick={() => {
            try {
              onFitted(interfaceFrom(pair));
              setSays(null);
            } catch (e) {
              setSays(e instanceof Error ? e.message : String(e));
            }
          }}
        >
          {msg`Take it`}
        </Press>
      </div>
      {says && <p role="alert">{says}</p>}
    </details>
  );
}
