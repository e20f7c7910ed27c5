'use client';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import Button from '@mui/material/Button';
import { PART_KINDS, type ComponentPart } from '@/core/components';
import { freeId } from '@/core/design';
import type { Vec } from '@/core/geometry';
import { makeHeatSource, USUAL_SIZE, type HeatSourceKind } from '@/core/making';
import { slug } from '@/format';
import { checkedBy, nameRule, Pick, QuantityField, TextInput, usePartLists } from '@/view/shared';
import { msg, worded } from '@/core/messages';
import styles from './HeatSourceForm.module.css';

const KINDS: readonly HeatSourceKind[] = ['processor', 'card', 'device'];
const SIDES = worded(() => [msg`Length`, msg`Height`, msg`Width`] as const);
const MOST_W = 3000,
  MOST_MM = 600;

interface Form {
  name: string;
  kind: HeatSourceKind;
  heat_W: number | null;
  /** The usual size of its kind while nobody has said another, mm. */
  size: Vec | null;
}

const CHECKED = checkedBy<Form>((joi) =>
  joi.object({
    name: nameRule(joi, msg`Give the heat source a name.`),
    heat_W: joi
      .number()
      .min(1)
      .max(MOST_W)
      .required()
      .messages({ 'number.base': msg`Say how many watts it makes under full load.` }),
    size: joi.array().length(3).items(joi.number().min(1).max(MOST_MM)).allow(null),
  }),
);

/** A heat source told by name, watts and size, kept among the builder's own parts. */
export function HeatSourceForm({ onDone }: { onDone(part: ComponentPart): void }) {
  const keep = usePartLists((s) => s.keep);
  const own = usePartLists((s) => s.partLists.own);
  const { control, register, handleSubmit, formState } = useForm<Form>({
    resolver: CHECKED,
    defaultValues: { name: '', kind: 'card', heat_W: null, size: null },
  });
  const kindNow = useWatch({ control, name: 'kind' });
  const [refused, setRefused] = useState<string | null>(null);
  const { errors } = formState;
  const trouble = errors.name?.message ?? errors.heat_W?.message ?? errors.size?.message ?? refused;
  const make = handleSubmit(async ({ name, kind, heat_W, size }) => {
    if (heat_W === null) return;
    const id = freeId(
      own.map((p) => p.id),
      `own-${slug(name)}`,
    );
    const part = makeHeatSource(kind, {
      id,
      name: name.trim(),
      heat_W,
      size: size ?? USUAL_SIZE[kind],
    });
    const why = await keep(part);
    setRefused(why);
    if (why === null) onDone(part);
  });
  return (
    <form
      className={styles.form}
      aria-label={msg`Heat source`}
      noValidate
      onSubmit={(e) => void make(e)}
    >
      <p className="soft">
        {msg`A part to reckon with while its data sheet is not at hand. What fits it stays “not
          checked”.`}
      </p>
      <label className={styles.name}>
        {msg`Name`}
        <TextInput
          maxLength={80}
          aria-invalid={errors.name !== undefined}
          {...register('name')}
          onKeyDown={(e) => e.stopPropagation()}
        />
      </label>
      <Controller
        control={control}
        name="kind"
        render={({ field }) => (
          <Pick
            label={msg`Stands for a`}
            value={field.value}
            options={KINDS.map((value) => ({ value, label: PART_KINDS[value].one }))}
            onPick={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="heat_W"
        render={({ field }) => (
          <QuantityField
            label={msg`Power draw`}
            value={field.value}
            quantity="power"
            optional
            min={1}
            max={MOST_W}
            onCommit={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="size"
        render={({ field }) => (
          <SizeFields value={field.value ?? USUAL_SIZE[kindNow]} onChange={field.onChange} />
        )}
      />
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

/** Length, height and width of what stands for a part, mm. */
function SizeFields({ value, onChange }: { readonly value: Vec; onChange(size: Vec): void }) {
  return (
    <div className={styles.size}>
      {SIDES.map((side, i) => (
        <QuantityField
          key={side}
          label={side}
          value={value[i as 0]}
          quantity="length"
          min={1}
          max={MOST_MM}
          onCommit={(v) =>
            v !== null && onChange(value.map((was, k) => (k === i ? v : was)) as never as Vec)
          }
        />
      ))}
    </div>
  );
}
