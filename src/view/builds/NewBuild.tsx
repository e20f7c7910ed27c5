'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { STANDARD_KIT } from '@/catalogue';
import { DEFAULT_BRIEF, emptyDesign, type Brief } from '@/core/design';
import { PageHead, Pick, QuantityField, useOffer, Press, TextInput } from '@/view/shared';
import { MoneyField } from '@/view/stages/brief/MoneyField';
import { partFigures } from '@/view/catalogue/figures';
import { addBuild } from '@/view/workspace/send';
import styles from './NewBuild.module.css';

interface Form {
  name: string;
  brief: Brief;
  caseId: string;
}

/**
 * The first page of a build: its name, the room, the limits, the case. All of it can be changed
 * later.
 */
export function NewBuild() {
  const router = useRouter();
  const cases = useOffer('case');
  const [trouble, setTrouble] = useState<string | null>(null);
  const { control, register, handleSubmit, formState } = useForm<Form>({
    defaultValues: { name: '', brief: DEFAULT_BRIEF, caseId: '' },
  });
  const caseId = useWatch({ control, name: 'caseId' });
  const chosen = cases.find((c) => c.id === caseId);
  const start = handleSubmit(async (form) => {
    setTrouble(null);
    const design = {
      ...emptyDesign(form.name.trim(), STANDARD_KIT, form.brief),
      case: cases.find((c) => c.id === form.caseId) ?? null,
    };
    const answer = await addBuild(JSON.stringify(design));
    if (answer.ok) router.push(`/builds/${answer.id}/heat`);
    else
      setTrouble(
        `${answer.message} ${answer.troubles.map((t) => `${t.path}: ${t.message}`).join('; ')}`,
      );
  });
  return (
    <div>
      <PageHead at="Builds" />
      <main className={styles.main}>
        <h1>A new build</h1>
        <p className="soft">
          What it must do. Units may be typed, such as 70 F or 1.1 gpm. Everything here can be
          changed later under Requirements.
        </p>
        <form onSubmit={(e) => void start(e)} className={styles.form} noValidate>
          <label className={styles.nameRow}>
            Name{' '}
            <TextInput
              className={styles.name}
              maxLength={80}
              autoFocus
              aria-invalid={formState.errors.name !== undefined}
              {...register('name', {
                validate: (v) => v.trim().length > 0 || 'Give the build a name.',
              })}
            />
          </label>
          {formState.errors.name && (
            <p role="alert" className={styles.trouble}>
              {formState.errors.name.message}
            </p>
          )}
          <Controller
            control={control}
            name="brief"
            render={({ field: { value: b, onChange } }) => {
              const limit = (values: Partial<Brief['limits']>): void =>
                onChange({ ...b, limits: { ...b.limits, ...values } });
              return (
                <div className={styles.grid}>
                  <QuantityField
                    label="Room"
                    value={b.room_C}
                    quantity="temperature"
                    decimals={1}
                    min={-20}
                    max={60}
                    onCommit={(v) => v !== null && onChange({ ...b, room_C: v })}
                  />
                  <QuantityField
                    label="Highest coolant ΔT above room air"
                    value={b.limits.deltaT_K}
                    quantity="difference"
                    decimals={1}
                    min={0.5}
                    max={60}
                    onCommit={(v) => v !== null && limit({ deltaT_K: v })}
                  />
                  <QuantityField
                    label="Noise, at most"
                    value={b.limits.noise_dBA}
                    quantity="sound"
                    min={5}
                    max={90}
                    onCommit={(v) => v !== null && limit({ noise_dBA: v })}
                  />
                  <QuantityField
                    label="Heard from"
                    value={b.listener_m}
                    quantity="distance"
                    decimals={1}
                    min={0.1}
                    max={20}
                    onCommit={(v) => v !== null && onChange({ ...b, listener_m: v })}
                  />
                  <QuantityField
                    label="Flow, at least"
                    value={b.limits.flow_Lmin}
                    quantity="flow"
                    decimals={1}
                    min={0.1}
                    max={30}
                    onCommit={(v) => v !== null && limit({ flow_Lmin: v })}
                  />
                  <QuantityField
                    label="No part hotter than"
                    optional
                    value={b.limits.part_C}
                    quantity="temperature"
                    min={30}
                    max={150}
                    onCommit={(v) => limit({ part_C: v })}
                  />
                  <span className={styles.money}>
                    <span className="soft">Budget for the loop, {b.currency}</span>
                    <MoneyField
                      value={b.limits.budget_minor}
                      onCommit={(v) => limit({ budget_minor: v })}
                    />
                  </span>
                  <label className={styles.money}>
                    <span className="soft">Currency, three letters</span>
                    <TextInput
                      className={styles.currency}
                      value={b.currency}
                      maxLength={3}
                      onChange={(e) =>
                        onChange({
                          ...b,
                          currency: e.target.value.toUpperCase().replace(/[^A-Z]/g, ''),
                        })
                      }
                    />
                  </label>
                </div>
              );
            }}
          />
          <Controller
            control={control}
            name="caseId"
            render={({ field }) => (
              <Pick
                label="Case"
                value={field.value}
                options={[
                  { value: '', label: 'choose later' },
                  ...cases.map((c) => ({ value: c.id, label: c.name })),
                ]}
                onPick={field.onChange}
              />
            )}
          />
          {chosen && <p className="soft">{partFigures(chosen)}</p>}
          {trouble && (
            <p role="alert" className={styles.trouble}>
              {trouble}
            </p>
          )}
          <Press type="submit" className={styles.start} disabled={formState.isSubmitting}>
            Start the build
          </Press>
        </form>
      </main>
    </div>
  );
}
