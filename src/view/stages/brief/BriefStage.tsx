'use client';
import { formatFlow, formatMeasure, formatShown } from '@/core/units';
import type { LoadCaseId } from '@/core/components';
import { Pick, QuantityField } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { StageFrame, Section } from '../frame/StageFrame';
import { exchangeOf, inCurrency, PARTS_CURRENCY } from '@/core/design';
import { CurrencyField, RateField } from './CurrencyField';
import { MoneyField } from './MoneyField';
import styles from './BriefStage.module.css';

export const CASE_NAMES: Record<LoadCaseId, string> = {
  idle: 'Idle',
  gaming: 'Gaming',
  render: 'Render',
  stress: 'Stress test',
  custom: 'Custom',
};

/** What the loop must do: everything else is judged against it. */
export function BriefStage() {
  const brief = useEditor((s) => s.design.brief);
  const currency = brief.currency;
  const commit = useEditor((s) => s.commit);
  const { limits } = brief;
  const limit = (label: string, values: Partial<typeof limits>): void =>
    commit(`set ${label}`, { do: 'brief.limit', values });
  const set = (label: string, values: Partial<Omit<typeof brief, 'limits'>>): void =>
    commit(`set ${label}`, { do: 'brief.set', values });
  return (
    <StageFrame
      title="What the loop must do"
      sentence="Every verdict is judged against these. Units may be typed: 70 F, 1.1 gpm, 3/8 in."
      side={
        <Section title="How they are used">
          <p>
            Coolant ΔT is the mean coolant temperature above room air. Noise is all fans and pumps
            together where you sit, an estimate. Flow is through the pump. A part limit, when set,
            counts if it is lower than the part&apos;s own. The budget counts the loop&apos;s parts,
            not the machine&apos;s hardware.
          </p>
        </Section>
      }
    >
      <dl className={styles.sheet}>
        <Row name="Room" note="air around the case on a usual day">
          <QuantityField
            label="Room temperature"
            hideLabel
            value={brief.room_C}
            quantity="temperature"
            decimals={1}
            min={-20}
            max={60}
            onCommit={(v) => v !== null && set('the room temperature', { room_C: v })}
          />
        </Row>
        <Row
          name="Room in summer"
          note="the hottest it gets; shown beside, findings tell what passes its limit then"
        >
          <QuantityField
            label="Hottest room, in summer"
            hideLabel
            value={brief.summer_C ?? null}
            optional
            quantity="temperature"
            decimals={1}
            min={-20}
            max={60}
            onCommit={(v) => set('the summer room', { summer_C: v ?? undefined })}
          />
        </Row>
        <Row name="Height above the sea" note="thin air carries less heat">
          <QuantityField
            label="Altitude"
            hideLabel
            value={brief.altitude_m}
            quantity="distance"
            min={-500}
            max={6000}
            onCommit={(v) => v !== null && set('the altitude', { altitude_m: v })}
          />
        </Row>
        <Row name="Judged under" note="the load case the limits apply to">
          <Pick
            label="Load case"
            hideLabel
            value={brief.loadCase}
            options={(Object.keys(CASE_NAMES) as LoadCaseId[]).map((value) => ({
              value,
              label: CASE_NAMES[value],
            }))}
            onPick={(loadCase) => set('the load case', { loadCase })}
          />
        </Row>
        <Row
          name="Coolant ΔT"
          note={`${formatMeasure(10, 'K')} is cool, ${formatMeasure(15, 'K')} usual, ${formatMeasure(20, 'K')} the most one likes`}
        >
          <QuantityField
            label="Coolant ΔT limit"
            hideLabel
            value={limits.deltaT_K}
            quantity="difference"
            decimals={1}
            min={0.5}
            max={60}
            onCommit={(v) => v !== null && limit('the coolant ΔT', { deltaT_K: v })}
          />
        </Row>
        <Row name="Noise" note="30 dBA is a quiet room at night">
          <QuantityField
            label="Noise limit"
            hideLabel
            value={limits.noise_dBA}
            quantity="sound"
            min={5}
            max={90}
            onCommit={(v) => v !== null && limit('the noise', { noise_dBA: v })}
          />
        </Row>
        <Row name="Heard from" note="from the case to your ear">
          <QuantityField
            label="Listener distance"
            hideLabel
            value={brief.listener_m}
            quantity="distance"
            decimals={1}
            min={0.1}
            max={20}
            onCommit={(v) => v !== null && set('the listener', { listener_m: v })}
          />
        </Row>
        <Row
          name="Flow at least"
          note={`below ${formatFlow(2)} is poor, ${formatShown(3, 'L/min', { decimals: 1 })} to ${formatFlow(4.5)} good (common practice)`}
        >
          <QuantityField
            label="Flow target"
            hideLabel
            value={limits.flow_Lmin}
            quantity="flow"
            decimals={1}
            min={0.1}
            max={30}
            onCommit={(v) => v !== null && limit('the flow', { flow_Lmin: v })}
          />
        </Row>
        <Row name="No part hotter than" note="empty: each part's own limit">
          <QuantityField
            label="Part temperature limit"
            hideLabel
            optional
            value={limits.part_C}
            quantity="temperature"
            min={30}
            max={150}
            onCommit={(v) => limit('the part limit', { part_C: v })}
          />
        </Row>
        <Row name="Gap that counts as clear" note="less is marginal">
          <QuantityField
            label="Clearance"
            hideLabel
            value={limits.clear_mm}
            quantity="length"
            min={0}
            max={50}
            onCommit={(v) => v !== null && limit('the clearance', { clear_mm: v })}
          />
        </Row>
        <CurrencyRows />
        <Row name={`Budget for the loop, ${currency}`} note="empty: none">
          <MoneyField
            value={limits.budget_minor}
            onCommit={(v) => limit('the budget', { budget_minor: v })}
          />
        </Row>
      </dl>
    </StageFrame>
  );
}

/** The currency, and what one of the parts' prices is in it. */
function CurrencyRows() {
  const brief = useEditor((s) => s.design.brief);
  const commit = useEditor((s) => s.commit);
  const use = (currency: string, rate: number): void => {
    const { limits, exchange, ...rest } = inCurrency(brief, currency, rate);
    commit(`use ${currency} at ${rate}`, {
      do: 'batch',
      edits: [
        { do: 'brief.set', values: { ...rest, exchange } },
        { do: 'brief.limit', values: limits },
      ],
    });
  };
  return (
    <>
      <Row name="Currency" note={`three letters; prices of the catalogue are in ${PARTS_CURRENCY}`}>
        <CurrencyField
          value={brief.currency}
          onCommit={(currency) => use(currency, exchangeOf(brief))}
        />
      </Row>
      {brief.currency !== PARTS_CURRENCY && (
        <Row name={`One ${PARTS_CURRENCY} is, in ${brief.currency}`} note="the exchange rate">
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
