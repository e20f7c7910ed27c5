'use client';
import { useEffect, useState } from 'react';
import { CAUTIONS, WATER_TEST_H } from '@/core/assembly';
import type { Loop } from '@/core/design';
import { jointsOf } from '@/core/leakTest';
import { formatNumber, formatDate } from '@/core/units';
import { Mark, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './AssemblyStage.module.css';

const MINUTE_MS = 60_000;
/** When the paper is looked at, minutes after the pump was switched on (common practice, no source). */
const LOOKS_MIN = [10, 30, 60, 120, 240, 480, WATER_TEST_H * 60];
const START = 'start';

/** The test with coolant in it, the pump alone running: looks by the clock, paper under every joint. */
export function WaterTestView() {
  const { loops } = useEditor((s) => s.design);
  const own = loops.filter((l) => l.connections.length > 0);
  if (own.length === 0) return <p>{msg`No loop is connected yet: there is nothing to test.`}</p>;
  return (
    <div className={styles.test}>
      <p>
        {msg`Dry paper under every joint, nothing powered but the pump. Then look by the clock:
          most leaks show in the first hour, some only in the morning.`}
      </p>
      {(['leaks', 'mains'] as const).map((c) => (
        <p key={c} className={styles.caution}>
          <strong>{CAUTIONS[c].title}.</strong> {CAUTIONS[c].text}
        </p>
      ))}
      {own.map((loop) => (
        <LoopWatch key={loop.id} loop={loop} />
      ))}
    </div>
  );
}

const keyOf = (loop: string, what: number | typeof START): string =>
  msg`water look ${loop} ${what}`;

/** The looks of one loop, due by the clock. Marks are kept like those of steps. */
function LoopWatch({ loop }: { readonly loop: Loop }) {
  const commit = useEditor((s) => s.commit);
  const done = useEditor((s) => s.design.choices.work?.done);
  const { system, reports } = useEditor((s) => s.analysis);
  const now = useNow();
  const began = done?.[keyOf(loop.id, START)]?.on;
  const mark = (what: number | typeof START, on: string | null): void =>
    commit(on === null ? msg`a look taken back` : msg`a look at the paper`, {
      do: 'work.mark',
      step: keyOf(loop.id, what),
      mark: on === null ? null : { on },
    });
  const minutes = began === undefined ? null : Math.max(0, (now - Date.parse(began)) / MINUTE_MS);
  const next = LOOKS_MIN.find((m) => done?.[keyOf(loop.id, m)] === undefined);
  return (
    <section>
      <h2>{loop.name}</h2>
      {minutes === null ? (
        <Press className={styles.act} onClick={() => mark(START, new Date().toISOString())}>
          {msg`The pump runs now`}
        </Press>
      ) : (
        <>
          <p role="status">
            {next === undefined
              ? msg`Every look was dry: the loop is sealed. Tighten again by hand, cold; and
                once more after the first hot run.`
              : dueText(next - minutes)}{' '}
            <Press className={styles.link} onClick={() => mark(START, null)}>
              {msg`Restart the clock`}
            </Press>
          </p>
          <ul className={styles.list}>
            {LOOKS_MIN.map((m) => {
              const looked = done?.[keyOf(loop.id, m)];
              return (
                <li key={m}>
                  <Mark verdict={looked ? 'ok' : 'unchecked'} /> {msg`after ${timeText(m)}`}{' '}
                  {looked ? (
                    <Press className={styles.link} onClick={() => mark(m, null)}>
                      {msg`dry at
                        ${formatDate(looked.on, 'time')}; take
                        back`}
                    </Press>
                  ) : (
                    <Press
                      className={styles.link}
                      disabled={m !== next || minutes < m}
                      onClick={() => mark(m, new Date().toISOString())}
                    >
                      {msg`all dry`}
                    </Press>
                  )}
                </li>
              );
            })}
          </ul>
        </>
      )}
      <h3>{msg`Paper under these, likeliest first`}</h3>
      <ol className={styles.how}>
        {jointsOf(system, loop, reports.runs).map((j) => (
          <li key={j.id}>
            {j.name} <span className="soft">({j.why})</span>
          </li>
        ))}
      </ol>
      <p className="soft">
        {msg`A drop: pump off, plug out, dry it, tighten, and restart the clock. A soft tube
          that turns while one end is tightened unwinds the other: hold it.`}
      </p>
    </section>
  );
}

/** The time, told anew every ten seconds. */
function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 10_000);
    return () => clearInterval(timer);
  }, []);
  return now;
}

const timeText = (minutes: number): string =>
  minutes < 90
    ? msg`${formatNumber(minutes)} min`
    : `${formatNumber(minutes / 60, { decimals: 0 })} h`;
const dueText = (left_min: number): string =>
  left_min > 0 ? msg`Look again in ${timeText(Math.max(1, Math.ceil(left_min)))}.` : msg`Look now.`;
