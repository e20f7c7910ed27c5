'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { STANDARD_KIT } from '@/catalogue';
import { casesForHeat, WATTS_A_SECTION, type CaseRoom } from '@/core/studies';
import { formatNumber } from '@/core/units';
import {
  DEFAULT_BRIEF,
  emptyDesign,
  exchangeOf,
  inCurrency,
  PARTS_CURRENCY,
  type Brief,
} from '@/core/design';
import { CurrencyField, RateField } from '@/view/stages/brief/CurrencyField';
import {
  checkedBy,
  nameRule,
  PageHead,
  Pick,
  QuantityField,
  useOffer,
  usePartLists,
  Press,
  TextInput,
} from '@/view/shared';
import { BriefField, FIRST_FIGURES } from '@/view/stages/brief/BriefField';
import { MoneyField } from '@/view/stages/brief/MoneyField';
import { addBuild } from '@/view/workspace/send';
import {
  heatOfSources,
  LATER,
  NONE,
  NOTHING_SAID,
  SourceFields,
  type Sources,
} from '@/view/stages/heat/SourceFields';
import { addressWith, askedFrom } from '@/view/stages/heat/firstAsked';
import { msg } from '@/core/messages';
import styles from './NewBuild.module.css';

interface Form {
  name: string;
  brief: Brief;
  caseId: string;
  sources: Sources;
  /** About what all parts make, W; null while nobody has said. */
  heat_W: number | null;
}

const CHECKED = checkedBy<Form>((joi) =>
  joi.object({
    name: nameRule(joi, msg`Give the build a name.`),
    heat_W: joi.number().min(0).max(5000).allow(null),
  }),
);

/**
 * The first page of a build: its name, the room, the limits, the case. All of it can be changed
 * later.
 */
export function NewBuild() {
  const router = useRouter();
  const cases = useOffer('case');
  const [trouble, setTrouble] = useState<string | null>(null);
  const { control, register, handleSubmit, setValue, formState } = useForm<Form>({
    resolver: CHECKED,
    defaultValues: {
      name: '',
      brief: DEFAULT_BRIEF,
      caseId: '',
      sources: NOTHING_SAID,
      heat_W: null,
    },
  });
  const [caseId, typed_W, sources] = useWatch({ control, name: ['caseId', 'heat_W', 'sources'] });
  const processors = useOffer('processor'),
    cards = useOffer('card');
  const keep = usePartLists((s) => s.keep);
  const own = usePartLists((s) => s.partLists.own);
  const heat_W = heatOfSources(sources, [...processors, ...cards]) ?? typed_W;
  const isNamed = [sources.processor, sources.card].some((s) => s !== LATER && s !== NONE);
  const rooms = casesForHeat(cases, heat_W ?? 0);
  const chosen = rooms.find((r) => r.box.id === caseId);
  const start = handleSubmit(async (form) => {
    setTrouble(null);
    const first = await askedFrom(form.sources, own, keep);
    if (first && !first.ok) {
      setTrouble(first.why);
      return;
    }
    const design = {
      ...emptyDesign(form.name.trim(), STANDARD_KIT, form.brief),
      case: cases.find((c) => c.id === form.caseId) ?? null,
    };
    const answer = await addBuild(JSON.stringify(design));
    if (answer.ok) router.push(addressWith(answer.id, first?.asked ?? null));
    else
      setTrouble(
        `${answer.message} ${answer.troubles.map((t) => `${t.path}: ${t.message}`).join('; ')}`,
      );
  });
  return (
    <div>
      <PageHead at="/" />
      <main className={styles.main}>
        <h1>{msg`A new build`}</h1>
        <p className="soft">
          {msg`What it must do. Units may be typed, such as 70 F or 1.1 gpm. Everything here can
            be changed later under Requirements.`}
        </p>
        <form onSubmit={(e) => void start(e)} className={styles.form} noValidate>
          <label className={styles.nameRow}>
            {msg`Name`}{' '}
            <TextInput
              className={styles.name}
              maxLength={80}
              autoFocus
              aria-invalid={formState.errors.name !== undefined}
              {...register('name')}
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
                  {FIRST_FIGURES.map((f) => (
                    <BriefField
                      key={f.name}
                      figure={f}
                      brief={b}
                      onChange={({ values, limits }) =>
                        onChange({ ...b, ...values, limits: { ...b.limits, ...limits } })
                      }
                    />
                  ))}
                  <span className={styles.money}>
                    <span className="soft">{msg`Budget for the loop, ${b.currency}`}</span>
                    <MoneyField
                      value={b.limits.budget_minor}
                      onCommit={(v) => limit({ budget_minor: v })}
                    />
                  </span>
                  <span className={styles.money}>
                    <span className="soft">{msg`Currency, three letters`}</span>
                    <CurrencyField
                      value={b.currency}
                      onCommit={(currency) => onChange(inCurrency(b, currency, exchangeOf(b)))}
                    />
                  </span>
                  {b.currency !== PARTS_CURRENCY && (
                    <span className={styles.money}>
                      <span className="soft">
                        {msg`One ${PARTS_CURRENCY} is, in ${b.currency}`}
                      </span>
                      <RateField
                        value={exchangeOf(b)}
                        onCommit={(rate) => onChange(inCurrency(b, b.currency, rate))}
                      />
                    </span>
                  )}
                </div>
              );
            }}
          />
          <Controller
            control={control}
            name="sources"
            render={({ field }) => (
              <div className={styles.sources}>
                <SourceFields value={field.value} onChange={field.onChange} />
              </div>
            )}
          />
          {heatOfSources(sources, [...processors, ...cards]) === null && (
            <Controller
              control={control}
              name="heat_W"
              render={({ field }) => (
                <QuantityField
                  label={msg`Heat of all parts, about`}
                  optional
                  value={field.value}
                  quantity="power"
                  min={0}
                  max={5000}
                  onCommit={field.onChange}
                />
              )}
            />
          )}
          <Controller
            control={control}
            name="caseId"
            render={({ field }) => (
              <Pick
                label={msg`Case`}
                value={field.value}
                options={[
                  { value: '', label: msg`choose later` },
                  ...rooms.map((r) => ({ value: r.box.id, label: caseLabel(r) })),
                ]}
                onPick={field.onChange}
              />
            )}
          />
          <p className="soft">
            <CaseAdvice
              rooms={rooms}
              heat_W={heat_W}
              chosen={chosen}
              onTake={(id) => setValue('caseId', id)}
            />
          </p>
          {trouble && (
            <p role="alert" className={styles.trouble}>
              {trouble}
            </p>
          )}
          <p className="soft">
            {isNamed && chosen
              ? msg`Blocks, radiators with fans, pump, reservoir and the loop follow from what
                is named, at the quietest setting that meets the limits. All of it can be
                changed after, and one undo takes it back.`
              : msg`Name a heat source and a case, and a first build is made from them; or start
                with nothing in it.`}
          </p>
          <Press type="submit" className={styles.start} disabled={formState.isSubmitting}>
            {msg`Start the build`}
          </Press>
        </form>
      </main>
    </div>
  );
}

/** Litres and the largest radiator of each mount. */
const caseLabel = ({ box, largest }: CaseRoom): string =>
  [
    `${box.name}, ${formatNumber(box.volume_L)} L`,
    ...largest.map((r) => `${r.mount.toLowerCase()} ${r.count} × ${r.size_mm}`),
  ].join(', ');

/** Whether the case holds radiators enough, and which is the smallest that does. */
function CaseAdvice({
  rooms,
  heat_W,
  chosen,
  onTake,
}: {
  readonly rooms: ReturnType<typeof casesForHeat>;
  readonly heat_W: number | null;
  readonly chosen: ReturnType<typeof casesForHeat>[number] | undefined;
  onTake(id: string): void;
}) {
  const [best] = rooms;
  if (heat_W === null || !best)
    return (
      <>
        {msg`Name the heat sources, or say about how many watts they make together, and cases
          that hold radiators enough come first.`}
      </>
    );
  const watts = `${formatNumber(heat_W)} W`;
  if (chosen?.isEnough)
    return (
      <>
        {msg`${chosen.box.name} holds radiators enough for ${watts} to stay quiet, by
          ${WATTS_A_SECTION} W a section of 120 mm (common practice).`}
      </>
    );
  const instead =
    best.isEnough && best.box.id !== chosen?.box.id ? (
      <>
        {msg`The smallest that does is ${best.box.name}, ${formatNumber(best.box.volume_L)} L.`}{' '}
        <Press className={styles.take} onClick={() => onTake(best.box.id)}>
          {msg`Take ${best.box.name}`}
        </Press>
      </>
    ) : (
      <>{msg`No case of the catalogue does; ${best.box.name} comes nearest.`}</>
    );
  return (
    <>
      {chosen
        ? msg`${chosen.box.name} holds about ${formatNumber(Math.floor(chosen.sections))}
          sections of 120 mm; ${watts} want ${formatNumber(Math.ceil(heat_W / WATTS_A_SECTION))}
          to stay quiet (common practice).`
        : msg`For ${watts} to stay quiet a case must hold about
          ${formatNumber(Math.ceil(heat_W / WATTS_A_SECTION))} sections of 120 mm (common
          practice).`}{' '}
      {instead}
    </>
  );
}
