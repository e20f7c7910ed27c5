'use client';
import { CASE_NAMES } from '@/core/components';
import type { LoadCaseId } from '@/core/components';
import { Pick } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { StageFrame, Section } from '../frame/StageFrame';
import { exchangeOf, inCurrency, PARTS_CURRENCY } from '@/core/design';
import {
  BriefField,
  LIMIT_FIGURES,
  ROOM_FIGURES,
  type BriefChange,
  type BriefFigure,
} from './BriefField';
import { CurrencyField, RateField } from './CurrencyField';
import { MoneyField } from './MoneyField';
import styles from './BriefStage.module.css';

/** What the loop must do: everything else is judged against it. */
export function BriefStage() {
  // As the hand has it.
  const brief = useEditor((s) => s.latest.brief);
  const currency = brief.currency;
  const commit = useEditor((s) => s.commit);
  const { limits } = brief;
  const limit = (label: string, values: Partial<typeof limits>): void =>
    commit(msg`set ${label}`, { do: 'brief.limit', values });
  const set = (label: string, values: Partial<Omit<typeof brief, 'limits'>>): void =>
    commit(msg`set ${label}`, { do: 'brief.set', values });
  const take = ({ change }: BriefFigure, { values, limits: bounds }: BriefChange): void => {
    if (values) set(change, values);
    if (bounds) limit(change, bounds);
  };
  return (
    <StageFrame
      title={msg`What the loop must do`}
      sentence={msg`Every verdict is judged against these. Units may be typed: 70 F, 1.1 gpm,
        3/8 in.`}
      side={
        <Section title={msg`How they are used`}>
          <p>
            {msg`Coolant ΔT is the mean coolant temperature above room air. Noise is all fans
              and pumps together where you sit, an estimate. Flow is through the pump. A part
              limit, when set, counts if it is lower than the part's own. The budget counts the
              loop's parts, not the machine's hardware.`}
          </p>
        </Section>
      }
    >
      <dl className={styles.sheet}>
        {ROOM_FIGURES.map((f) => (
          <Row key={f.name} name={f.name} note={f.note()}>
            <BriefField hideLabel figure={f} brief={brief} onChange={(change) => take(f, change)} />
          </Row>
        ))}
        <Row name={msg`Judged under`} note={msg`the load case the limits apply to`}>
          <Pick
            label={msg`Load case`}
            hideLabel
            value={brief.loadCase}
            options={(Object.keys(CASE_NAMES) as LoadCaseId[]).map((value) => ({
              value,
              label: CASE_NAMES[value],
            }))}
            onPick={(loadCase) => set(msg`the load case`, { loadCase })}
          />
        </Row>
        {LIMIT_FIGURES.map((f) => (
          <Row key={f.name} name={f.name} note={f.note()}>
            <BriefField hideLabel figure={f} brief={brief} onChange={(change) => take(f, change)} />
          </Row>
        ))}
        <CurrencyRows />
        <Row name={msg`Budget for the loop, ${currency}`} note={msg`empty: none`}>
          <MoneyField
            value={limits.budget_minor}
            onCommit={(v) => limit(msg`the budget`, { budget_minor: v })}
          />
        </Row>
      </dl>
    </StageFrame>
  );
}

/** The currency, and what one of the parts' prices is in it. */
function CurrencyRows() {
  const brief = useEditor((s) => s.latest.brief);
  const commit = useEditor((s) => s.commit);
  const use = (currency: string, rate: number): void => {
    const { limits, exchange, ...rest } = inCurrency(brief, currency, rate);
    commit(msg`use ${currency} at ${rate}`, {
      do: 'batch',
      edits: [
        { do: 'brief.set', values: { ...rest, exchange } },
        { do: 'brief.limit', values: limits },
      ],
    });
  };
  return (
    <>
      <Row
        name={msg`Currency`}
        note={msg`three letters; prices of the catalogue are in ${PARTS_CURRENCY}`}
      >
        <CurrencyField
          value={brief.currency}
          onCommit={(currency) => use(currency, exchangeOf(brief))}
        />
      </Row>
      {brief.currency !== PARTS_CURRENCY && (
        <Row
          name={msg`One ${PARTS_CURRENCY} is, in ${brief.currency}`}
          note={msg`the exchange rate`}
        >
          <RateField value={exchangeOf(brief)} onCommit={(rate) => use(brief.currency, rate)} />
        </Row>
      )}
    </>
  );
}

function Row({
  name,
  note,
  children,
}: {
  readonly name: string;
  readonly note: string;
  readonly children: React.ReactNode;
}) {
  return (
    <div className={styles.row}>
      <dt>
        {name}
        <span className={styles.note}>{note}</span>
      </dt>
      <dd>{children}</dd>
    </div>
  );
}
