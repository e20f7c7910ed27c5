'use client';
import type { LoadStep } from '@/core/design';
import { LOAD_CASES, type LoadCaseId, CASE_WORDS } from '@/core/components';
import { formatCelsius, formatNumber } from '@/core/units';
import type { Fault, Transient } from '@/core/transient';
import { Mark, Pick, Segments, Press } from '@/view/shared';
import { downloadRun, useEditor } from '@/view/workspace';
import type { Job } from '@/engine';
import { msg, sentences } from '@/core/messages';
import { Section } from '../../frame/StageFrame';
import { clock } from './clock';
import { ControlEditor } from './ControlEditor';
import { FaultList } from './FaultList';
import { PROFILES } from './profiles';
import { SecondsField } from './SecondsField';
import styles from './TimePanel.module.css';

interface Props {
  readonly run: Job<Transient>;
  readonly profile: readonly LoadStep[];
  readonly start: 'cold' | 'steady';
  onStart(v: 'cold' | 'steady'): void;
  readonly faults: readonly Fault[];
  onFaults(f: readonly Fault[]): void;
  readonly at_s: number | null;
}
const CASES: readonly LoadCaseId[] = [...LOAD_CASES, 'custom'];
const MOST_STEPS = 40;

/**
 * What a run tells, and what goes into it: load over time, faults, and what fans and pump follow.
 */
export function TimePanel({ run, profile, start, onStart, faults, onFaults }: Props) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const set = (steps: readonly LoadStep[], label = msg`change the load over time`): void =>
    commit(label, { do: 'choices.profile', profile: steps });
  const known = PROFILES.find((p) => JSON.stringify(p.steps) === JSON.stringify(profile));
  return (
    <>
      <Results run={run} name={design.name} />
      <Section
        title={msg`Load over time`}
        aside={
          <Pick
            label={msg`Load over time`}
            hideLabel
            value={known?.id ?? 'custom'}
            options={[
              ...PROFILES.map((p) => ({ value: p.id, label: p.name })),
              ...(known ? [] : [{ value: 'custom', label: msg`as set below` }]),
            ]}
            onPick={(id) => {
              const p = PROFILES.find((x) => x.id === id);
              if (p) set(p.steps, p.name);
            }}
          />
        }
      >
        <Segments
          label={msg`Start`}
          value={start}
          options={[
            { value: 'cold', label: msg`start cold` },
            { value: 'steady', label: msg`start settled` },
          ]}
          onPick={onStart}
        />
        <ol className={styles.steps}>
          {profile.slice(0, 6).map((p, i) => (
            <li key={i}>
              <Pick
                label={msg`Load ${i + 1}`}
                hideLabel
                value={p.load}
                options={CASES.map((c) => ({ value: c, label: CASE_WORDS[c] }))}
                onPick={(load) => set(profile.map((x, k) => (k === i ? { ...x, load } : x)))}
              />
              <SecondsField
                label={msg`Time of load ${i + 1}`}
                value={p.seconds}
                min={1}
                max={86400}
                onCommit={(seconds) =>
                  set(profile.map((x, k) => (k === i ? { ...x, seconds } : x)))
                }
              />
              <Press
                className={styles.small}
                disabled={profile.length < 2}
                onClick={() => set(profile.filter((_, k) => k !== i))}
                aria-label={msg`Take load ${i + 1} out`}
              >
                {msg`out`}
              </Press>
            </li>
          ))}
        </ol>
        {profile.length > 6 && (
          <p className="soft">{msg`and ${profile.length - 6} more like these`}</p>
        )}
        <Press
          className={styles.small}
          disabled={profile.length >= MOST_STEPS}
          onClick={() => set([...profile, { load: 'idle', seconds: 600 }])}
        >
          {msg`Add a load`}
        </Press>
      </Section>
      <FaultList faults={faults} onFaults={onFaults} />
      <ControlEditor kind="fan" run={run.result} />
      <ControlEditor kind="pump" run={run.result} />
      {run.result && (
        <p>
          <Press
            className={styles.small}
            onClick={() => run.result && downloadRun(design.name, run.result)}
          >
            {msg`This run as CSV`}
          </Press>
        </p>
      )}
      <p className="soft">
        {msg`Metal is guessed from size, flows are the settled ones, the die's own second is
          left out, and a standing loop is given no rising heat: with a stopped pump the truth
          is a little kinder.`}
      </p>
    </>
  );
}

function Results({ run: { result: t } }: { readonly run: Job<Transient>; readonly name: string }) {
  if (!t) return null;
  const over = [...t.hotSpots]
    .filter((s) => s.reached_s !== null)
    .sort((a, b) => (a.reached_s ?? 0) - (b.reached_s ?? 0));
  return (
    <Section title={msg`What the run shows`}>
      {t.first ? (
        <p>
          <Mark verdict="fails" /> <strong>{t.first.name}</strong>{' '}
          {sentences(
            msg`reaches its ${formatCelsius(t.first.limit_C)} first, after
              ${clock(t.first.reached_s ?? 0)}: it throttles, or shuts down.`,
            over.length > 1 &&
              msg`Then ${over
                .slice(1, 4)
                .map((s) => msg`${s.name} after ${clock(s.reached_s ?? 0)}`)
                .join(', ')}.`,
          )}
        </p>
      ) : (
        <p>
          <Mark verdict="ok" /> {msg`No part reaches its limit.`}
        </p>
      )}
      {t.worked < 0.995 && (
        <p>
          {msg`Throttled, the parts did ${formatNumber(100 * t.worked)} % of full load: each
            throttles above its limit and shuts down 10 K over it.`}
        </p>
      )}
      {t.settling.map((s) => {
        const settleWords = () => {
          if (s.steady_s === null) return msg`still moving at the end, ${formatCelsius(s.to_C, 1)}`;
          if (s.tau_s === null) return msg`at rest at ${formatCelsius(s.to_C, 1)}`;
          return msg`63 % of the change in ${clock(s.tau_s)}, 90 % in ${clock(s.t90_s ?? 0)}, at
            rest after ${clock(s.steady_s)}, ${formatCelsius(s.to_C, 1)}`;
        };
        return (
          <p key={s.loop}>
            {t.settling.length > 1 ? s.name : msg`Coolant`}: {settleWords()}.
          </p>
        );
      })}
      {t.hunting.map((h) => (
        <p key={h.component}>
          <Mark verdict="marginal" /> {h.name}{' '}
          {h.follows
            ? msg`follow the load up and down by ${formatNumber(h.swing_rpm)} rpm every
              ${clock(h.period_s)}: more hysteresis, a slower ramp, or the coolant as sensor
              keeps them still.`
            : msg`hunt: ${formatNumber(h.swing_rpm)} rpm up and down every ${clock(h.period_s)}
              under a steady load. A flatter curve or more hysteresis stops it.`}
        </p>
      ))}
      <p className="soft">{massWords(t.masses)}</p>
      <p className="soft">
        {msg`Energy in, out and stored balance to
          ${formatNumber(100 * t.balance.error, { decimals: 3 })} %.`}
      </p>
    </Section>
  );
}

/** What is warmed, by share, the largest first. */
function massWords(masses: Transient['masses']): string {
  const whole = masses.reduce((sum, m) => sum + m.capacity_JK, 0);
  if (whole <= 0) return '';
  const parts = [...masses]
    .sort((a, b) => b.capacity_JK - a.capacity_JK)
    .filter((m) => m.capacity_JK / whole >= 0.005)
    .map((m) => `${m.of} ${formatNumber((100 * m.capacity_JK) / whole)} %`);
  return msg`Heat capacity of what warms up: ${formatNumber(whole / 1000, { decimals: 1 })}
    kJ/K, estimated: ${parts.join(', ')}. Builders see 15 to 40 minutes until a loop has settled
    (common practice, no source).`;
}
