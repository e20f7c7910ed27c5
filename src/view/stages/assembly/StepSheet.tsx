'use client';
import { Press } from '@/view/shared';
import { useState } from 'react';
import { CAUTIONS, type Step } from '@/core/assembly';
import type { Work } from '@/core/design';
import { formatNumber, formatDate } from '@/core/units';
import { msg, sentences } from '@/core/messages';
import { StepPhotos } from './StepPhotos';
import type { Photos } from './usePhotos';
import styles from './AssemblyStage.module.css';

/** One step in full: why here, how, with what, and what can hurt. */
export function StepSheet({
  step,
  work,
  photos,
  onMark,
  onNote,
}: {
  readonly step: Step;
  readonly work: Work;
  readonly photos: Photos;
  onMark(done: boolean): void;
  onNote(note: string | null): void;
}) {
  const done = work.done?.[step.id];
  return (
    <div className={styles.step}>
      <p className={styles.actions}>
        <Press className={styles.act} onClick={() => onMark(!done)}>
          {done ? msg`Not done after all` : msg`Done`}
        </Press>
      </p>
      <p>{step.why}</p>
      {step.trapped !== null && (
        <p className={styles.warn} role="alert">
          {step.trapped}
        </p>
      )}
      {step.cautions.map((c) => (
        <p key={c} className={styles.caution}>
          <strong>{CAUTIONS[c].title}.</strong> {CAUTIONS[c].text}
        </p>
      ))}
      {step.how.length > 0 && (
        <ol className={styles.how}>
          {step.how.map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ol>
      )}
      {(step.parts.length > 0 || step.tools.length > 0) && (
        <p className="soft">
          {step.parts
            .map((p) => (p.quantity === null ? p.name : `${formatNumber(p.quantity)} × ${p.name}`))
            .concat(step.tools)
            .join(' · ')}
        </p>
      )}
      <p className="soft">
        {sentences(
          msg`${formatNumber(step.minutes.beginner)} min the first time,
            ${formatNumber(step.minutes.practised)} with practice (estimated).`,
          step.waits_h > 0 && msg`Then ${formatNumber(step.waits_h, { decimals: 1 })} h to wait.`,
          done && msg`Done ${formatDate(done.on, 'moment')}.`,
        )}
      </p>
      <StepPhotos key={`photos of ${step.id}`} step={step.id} photos={photos} />
      <NoteField key={step.id} value={work.notes?.[step.id] ?? ''} onCommit={onNote} />
    </div>
  );
}

/** What is to be remembered of a step: kept when the field is left. */
function NoteField({
  value,
  onCommit,
}: {
  readonly value: string;
  onCommit(note: string | null): void;
}) {
  const [text, setText] = useState(value);
  return (
    <label className={styles.note}>
      {msg`Note`}
      <textarea
        value={text}
        maxLength={600}
        rows={2}
        onChange={(e) => setText(e.target.value)}
        onBlur={() => {
          const next = text.trim();
          if (next !== value) onCommit(next === '' ? null : next);
        }}
      />
    </label>
  );
}
