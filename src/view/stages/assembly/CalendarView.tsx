'use client';
import { DayField, HourField } from '@/view/shared/dates';
import { useMemo, useState } from 'react';
import {
  deliveriesOf,
  planWork,
  returnWindows,
  type Planned,
  type ReturnWindow,
  type Step,
} from '@/core/assembly';
import type { Work, WorkPlan } from '@/core/design';
import { workToIcs } from '@/format';

import { Mark, Segments, Check, Press, rich } from '@/view/shared';
import { downloadCalendar, useEditor } from '@/view/workspace';
import { counted, msg, worded } from '@/core/messages';
import { weekdayNames, formatDate } from '@/core/units';
import styles from './AssemblyStage.module.css';

const DAY_NAMES = worded(() => [...weekdayNames()]);
const PACES: readonly { readonly value: WorkPlan['pace']; readonly label: string }[] = worded(
  () => [
    { value: 'beginner', label: msg`the first time` },
    { value: 'practised', label: msg`with practice` },
  ],
);

/** A weekend from the next Saturday on. */
function usualPlan(): WorkPlan {
  const day = new Date();
  day.setDate(day.getDate() + ((6 - day.getDay() + 7) % 7));
  return { start: isoDay(day), days: [0, 6], from_h: 10, to_h: 18, pace: 'beginner' };
}

/** The local day as YYYY-MM-DD. */
const isoDay = (d: Date): string =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;

/** The first minute of a day, and back to a time of this machine's calendar. */
const wallOf = (day: string): number => Date.parse(`${day.slice(0, 10)}T00:00Z`) / 60_000;
const localOf = (wall: number): Date => {
  const at = new Date(wall * 60_000);
  return new Date(
    at.getUTCFullYear(),
    at.getUTCMonth(),
    at.getUTCDate(),
    at.getUTCHours(),
    at.getUTCMinutes(),
  );
};

/** Steps on the days the builder works: bars for hands, hatched for waits, the critical ones marked. */
export function CalendarView({
  steps,
  work,
  onOpen,
}: {
  readonly steps: readonly Step[];
  readonly work: Work;
  onOpen(step: string): void;
}) {
  const name = useEditor((s) => s.design.name);
  const commit = useEditor((s) => s.commit);
  const orders = useEditor((s) => s.design.choices.orders);
  const { lines } = useEditor((s) => s.analysis.reports.bom);
  const [usual] = useState(usualPlan);
  const plan = useEditor((s) => s.latest.choices.work?.plan) ?? usual;
  const set = (values: Partial<WorkPlan>): void =>
    commit(msg`plan of the work`, { do: 'work.plan', plan: { ...plan, ...values } });
  const { done } = work;
  const planned = useMemo(
    () =>
      planWork(
        steps.filter((s) => !(s.id in (done ?? {}))),
        wallOf(plan.start),
        plan,
        plan.pace,
        deliveriesOf(steps, lines, orders),
      ),
    [steps, done, plan, lines, orders],
  );
  const windows = useMemo(
    () => returnWindows(steps, planned, lines, orders),
    [steps, planned, lines, orders],
  );
  const last = planned.reduce<number | null>((a, p) => Math.max(a ?? 0, p.ready), null);
  return (
    <div className={styles.test}>
      <div className={styles.inline}>
        <DayField
          label={msg`From`}
          value={plan.start.slice(0, 10)}
          onCommit={(start) => start !== null && set({ start })}
        />
        <HourField
          label={msg`between`}
          value_h={plan.from_h}
          onCommit={(from_h) => from_h < plan.to_h && set({ from_h })}
        />
        <HourField
          label={msg`and`}
          value_h={plan.to_h}
          onCommit={(to_h) => to_h > plan.from_h && set({ to_h })}
        />
        <fieldset className={styles.days}>
          <legend>{msg`on`}</legend>
          {DAY_NAMES.map((day, i) => (
            <label key={day}>
              <Check
                checked={plan.days.includes(i)}
                onChange={({ target: { checked } }) => {
                  const days = checked
                    ? [...plan.days, i].sort()
                    : plan.days.filter((d) => d !== i);
                  if (days.length > 0) set({ days });
                }}
              />
              {day}
            </label>
          ))}
        </fieldset>
        <Segments
          label={msg`Pace`}
          value={plan.pace}
          options={PACES}
          onPick={(pace) => set({ pace })}
        />
      </div>
      {last !== null ? (
        <p>
          {rich`Done on ${(
            <strong>{formatDate(localOf(last).getTime(), 'full')}</strong>
          )}, if nothing goes wrong. Times are estimates.`}{' '}
          <Press
            className={styles.link}
            onClick={() => downloadCalendar(name, workToIcs(name, steps, planned, windows))}
          >
            {msg`Calendar as ICS`}
          </Press>
        </p>
      ) : (
        <p>{msg`Every step is done.`}</p>
      )}
      <ReturnWindows windows={windows} steps={steps} onOpen={onOpen} />
      <ol className={styles.bars}>
        {planned.map((p) => (
          <Bar
            key={p.step}
            planned={p}
            all={planned}
            step={steps.find((s) => s.id === p.step)}
            onOpen={onOpen}
          />
        ))}
      </ol>
      <p className="soft">
        {msg`In copper: steps that move the end when they are late. Hatched: waiting, at night
          too.`}
      </p>
    </div>
  );
}

const dayOf = (wall: number): string => formatDate(localOf(wall).getTime(), 'weekday');

/** Until when what was bought goes back, and whether it is tested by then. */
function ReturnWindows({
  windows,
  steps,
  onOpen,
}: {
  readonly windows: readonly ReturnWindow[];
  readonly steps: readonly Step[];
  onOpen(step: string): void;
}) {
  if (windows.length === 0) return null;
  const late = windows.filter((w) => w.late),
    [first] = windows;
  return (
    <details className={styles.returns} open={late.length > 0}>
      <summary>
        <Mark verdict={late.length > 0 ? 'marginal' : 'ok'} />{' '}
        {late.length > 0
          ? msg`${counted(late.length, '# part', '# parts')} can no longer go back once tested
            as planned`
          : msg`Everything bought is tested while it can go back; the first window closes on
            ${dayOf((first?.until ?? 0) - 1)}`}
      </summary>
      <ul>
        {(late.length > 0 ? late : windows).slice(0, MOST_WINDOWS).map((w) => (
          <li key={w.part}>
            {rich`${w.name}${w.shop && <span className="soft"> {msg`from ${w.shop}`}</span>}:
              until ${dayOf(w.until - 1)}.`}{' '}
            {w.tested === null || w.step === null
              ? msg`It has been tested.`
              : rich`It is tested on ${dayOf(w.tested)} with ${(
                  <Press className={styles.link} onClick={() => w.step && onOpen(w.step)}>
                    {steps.find((s) => s.id === w.step)?.title}
                  </Press>
                )}.`}
          </li>
        ))}
      </ul>
      {late.length > 0 && (
        <p className="soft">
          {msg`Begin earlier, ask the shop for longer, or test those first. What was opened or
            wet may not go back at all: ask before.`}
        </p>
      )}
    </details>
  );
}
const MOST_WINDOWS = 12;

const heldWords = ({ kind, name }: NonNullable<Planned['heldBy']>): string =>
  kind === 'wait' ? msg`after the wait of ${name}` : msg`waits for ${name} to come`;

function Bar({
  planned,
  all,
  step,
  onOpen,
}: {
  readonly planned: Planned;
  readonly all: readonly Planned[];
  readonly step: Step | undefined;
  onOpen(step: string): void;
}) {
  if (!step) return null;
  const first = Math.min(...all.map((p) => p.begin)),
    last = Math.max(...all.map((p) => p.ready));
  const share = (at: number): string => `${(100 * (at - first)) / Math.max(1, last - first)}%`;
  const wide = (from: number, to: number): string =>
    `max(2px, ${(100 * (to - from)) / Math.max(1, last - first)}%)`;
  const { heldBy } = planned;
  return (
    <li className={styles.bar}>
      <Press className={styles.name} onClick={() => onOpen(step.id)}>
        {step.title}
      </Press>
      <span className={styles.when}>
        {formatDate(localOf(planned.begin).getTime(), 'appointment')}
        {heldBy && heldBy.kind !== 'hands' && <span className="soft"> {heldWords(heldBy)}</span>}
      </span>
      <span className={styles.track} aria-hidden="true">
        <span
          className={styles.hands}
          data-critical={planned.critical || undefined}
          style={{ left: share(planned.begin), width: wide(planned.begin, planned.end) }}
        />
        {planned.ready > planned.end && (
          <span
            className={styles.wait}
            style={{ left: share(planned.end), width: wide(planned.end, planned.ready) }}
          />
        )}
      </span>
    </li>
  );
}
