'use client';
import { useState } from 'react';
import Button from '@mui/material/Button';
import { PART_KINDS, type ComponentPart } from '@/core/components';
import { freeId } from '@/core/design';
import type { Vec } from '@/core/geometry';
import { makeHeatSource, USUAL_SIZE, type HeatSourceKind } from '@/core/making';
import { slug } from '@/format';
import { Pick, QuantityField, TextInput, usePartLists } from '@/view/shared';
import { msg, worded } from '@/core/messages';
import styles from './HeatSourceForm.module.css';

const KINDS: readonly HeatSourceKind[] = ['processor', 'card', 'device'];
const SIDES = worded(() => [msg`Length`, msg`Height`, msg`Width`] as const);
const MOST_W = 3000,
  MOST_MM = 600;

/** A heat source told by name, watts and size, kept among the builder's own parts. */
export function HeatSourceForm({ onDone }: { onDone(part: ComponentPart): void }) {
  const keep = usePartLists((s) => s.keep);
  const own = usePartLists((s) => s.partLists.own);
  const [name, setName] = useState('');
  const [kind, setKind] = useState<HeatSourceKind>('card');
  const [heat_W, setHeat] = useState<number | null>(null);
  const [size, setSize] = useState<Vec | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const shownSize = size ?? USUAL_SIZE[kind];
  const make = async (): Promise<void> => {
    if (name.trim() === '' || heat_W === null) {
      setTrouble(
        name.trim() === ''
          ? msg`Give the heat source a name.`
          : msg`Say how many watts it makes under full load.`,
      );
      return;
    }
    const id = freeId(
      own.map((p) => p.id),
      `own-${slug(name)}`,
    );
    const part = makeHeatSource(kind, { id, name: name.trim(), heat_W, size: shownSize });
    const refused = await keep(part);
    setTrouble(refused);
    if (refused === null) onDone(part);
  };
  return (
    <form
      className={styles.form}
      aria-label={msg`Heat source`}
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void make();
      }}
    >
      <p className="soft">
        {msg`A part to reckon with while its data sheet is not at hand. What fits it stays “not
          checked”.`}
      </p>
      <label className={styles.name}>
        {msg`Name`}
        <TextInput
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
          onKeyDown={(e) => e.stopPropagation()}
        />
      </label>
      <Pick
        label={msg`Stands for a`}
        value={kind}
        options={KINDS.map((value) => ({ value, label: PART_KINDS[value].one }))}
        onPick={setKind}
      />
      <QuantityField
        label={msg`Power draw`}
        value={heat_W}
        quantity="power"
        optional
        min={1}
        max={MOST_W}
        onCommit={setHeat}
      />
      <div className={styles.size}>
        {SIDES.map((side, i) => (
          <QuantityField
            key={side}
            label={side}
            value={shownSize[i as 0] as number}
            quantity="length"
            min={1}
            max={MOST_MM}
            onCommit={(v) =>
              v !== null && setSize(shownSize.map((was, k) => (k === i ? v : was)) as never as Vec)
            }
          />
        ))}
      </div>
      {trouble && (
        <p role="alert" className={styles.trouble}>
          {trouble}
        </p>
      )}
      <Button type="submit" variant="contained">
        {msg`Add heat source`}
      </Button>
    </form>
  );
}
