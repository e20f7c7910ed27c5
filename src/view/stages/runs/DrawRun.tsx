'use client';
import { isWet, type InlinePart } from '@/core/components';
import { type PortRef } from '@/core/design';
import { runAt } from '@/core/loops';
import { Pick, useOfferSoon, Press } from '@/view/shared';
import { useDrawRun, useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './RunsStage.module.css';

const keyOf = ({ component, port }: PortRef): string => `${component}/${port}`;
const NONE = '';

/** A run drawn from any port to any other: clicked in a drawing or the loop, or chosen by name. */
export function DrawRun() {
  const design = useEditor((s) => s.design);
  const { drawing, start, stop, set, draw, teeInto } = useDrawRun();
  const tees = useOfferSoon('inline').filter((p): p is InlinePart => p.tee !== undefined);
  if (!drawing)
    return (
      <p className={styles.draw}>
        <Press className={styles.link} onClick={start}>
          {msg`Draw a run`}
        </Press>{' '}
        <span className="soft">
          {msg`from any port to any other: a bypass, a drain line, a spare end.`}
        </span>
      </p>
    );
  const ports = design.components.flatMap(({ id, name, part }) =>
    isWet(part)
      ? part.ports.map((p) => {
          const ref: PortRef = { component: id, port: p.id };
          const held = runAt(design, ref) !== null;
          return {
            ref,
            value: keyOf(ref),
            name: `${name}, ${p.name}`,
            label: held ? msg`${name}, ${p.name} (has a run)` : `${name}, ${p.name}`,
          };
        })
      : [],
  );
  const refOf = (value: string): PortRef | null =>
    ports.find((p) => p.value === value)?.ref ?? null;
  const { from, to, why } = drawing;
  const taken = [from, to].filter(
    (ref): ref is PortRef => ref !== null && runAt(design, ref) !== null,
  );
  const options = [{ value: NONE, label: msg`choose, or click it` }, ...ports];
  const [tee] = tees;
  return (
    <Section
      title={msg`Draw a run`}
      aside={
        <Press className={styles.quiet} onClick={stop}>
          {msg`Leave it`}
        </Press>
      }
    >
      <p className="soft">
        {from === null
          ? msg`Click the port it starts from in a drawing; a part in the loop diagram means its
            free port.`
          : msg`Now click the port it ends at.`}
      </p>
      <div className={styles.ends}>
        <Pick
          label={msg`It leaves by`}
          value={from ? keyOf(from) : NONE}
          options={options}
          onPick={(v) => set({ from: refOf(v) })}
        />
        <Pick
          label={msg`To`}
          value={to ? keyOf(to) : NONE}
          options={options}
          onPick={(v) => set({ to: refOf(v) })}
        />
      </div>
      {why && (
        <p role="alert" className={styles.trouble}>
          {why}
        </p>
      )}
      {taken.map(
        (ref) =>
          tee && (
            <p key={keyOf(ref)}>
              <Press className={styles.link} onClick={() => teeInto(ref, tee)}>
                {msg`Put a tee into the run at ${ports.find((p) => p.value === keyOf(ref))?.name ?? ''}`}
              </Press>{' '}
              <span className="soft">{msg`and go on from its side.`}</span>
            </p>
          ),
      )}
      <Press
        className={styles.act}
        disabled={!from || !to || taken.length > 0}
        onClick={() => from && to && draw(from, to)}
      >
        {msg`Draw it`}
      </Press>
    </Section>
  );
}
