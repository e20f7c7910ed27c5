'use client';
import { FAULTS, type Fault, type FaultKind } from '@/core/transient';
import { Pick, QuantityField, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../../frame/StageFrame';
import { SecondsField } from './SecondsField';
import styles from './TimePanel.module.css';

const USUAL: Record<FaultKind, Partial<Fault>> = {
  'pump stops': {},
  'fan stops': {},
  'flow sags': { amount: 0.5 },
  'room warms': { amount: 8 },
};

/** What goes wrong, and when. */
export function FaultList({
  faults,
  onFaults,
}: {
  readonly faults: readonly Fault[];
  onFaults(f: readonly Fault[]): void;
}) {
  const design = useEditor((s) => s.design);
  const of = (kind: FaultKind) =>
    design.components.filter((i) => i.part.kind === (kind === 'pump stops' ? 'pump' : 'fan'));
  const change = (k: number, next: Fault): void =>
    onFaults(faults.map((f, i) => (i === k ? next : f)));
  return (
    <Section title={msg`Faults`}>
      {faults.length === 0 && (
        <p className="soft">
          {msg`Nothing. Let a pump or fan stop, flow sag or the room warm, and see how long each
            part lasts.`}
        </p>
      )}
      <ul className={styles.steps}>
        {faults.map((f, k) => (
          <li key={k}>
            <Pick
              label={msg`Fault ${k + 1}`}
              hideLabel
              value={f.kind}
              options={FAULTS.map((x) => ({ value: x, label: x }))}
              onPick={(kind) => change(k, { at_s: f.at_s, kind, ...USUAL[kind] })}
            />
            {(f.kind === 'pump stops' || f.kind === 'fan stops') && (
              <Pick
                label={msg`Which, fault ${k + 1}`}
                hideLabel
                value={f.component ?? ''}
                options={[
                  { value: '', label: msg`all` },
                  ...of(f.kind).map((i) => ({ value: i.id, label: i.name })),
                ]}
                onPick={(component) =>
                  change(k, { at_s: f.at_s, kind: f.kind, ...(component ? { component } : {}) })
                }
              />
            )}
            {f.kind === 'flow sags' && (
              <QuantityField
                label={msg`By, fault ${k + 1}`}
                hideLabel
                value={100 * (f.amount ?? 0.5)}
                quantity="share"
                width={32}
                min={0}
                max={95}
                onCommit={(v) => v !== null && change(k, { ...f, amount: v / 100 })}
              />
            )}
            {f.kind === 'room warms' && (
              <QuantityField
                label={msg`By, fault ${k + 1}`}
                hideLabel
                value={f.amount ?? 8}
                quantity="difference"
                decimals={1}
                width={40}
                min={0}
                max={30}
                onCommit={(v) => v !== null && change(k, { ...f, amount: v })}
              />
            )}
            <span className="soft">{msg`at`}</span>{' '}
            <SecondsField
              label={msg`Time of fault ${k + 1}`}
              value={f.at_s}
              min={0}
              max={86400}
              onCommit={(at_s) => change(k, { ...f, at_s })}
            />
            <Press
              className={styles.small}
              onClick={() => onFaults(faults.filter((_, i) => i !== k))}
              aria-label={msg`Take fault ${k + 1} out`}
            >
              {msg`out`}
            </Press>
          </li>
        ))}
      </ul>
      <div className={styles.row}>
        {FAULTS.map((kind) => (
          <Press
            key={kind}
            className={styles.small}
            onClick={() => onFaults([...faults, { at_s: 600, kind, ...USUAL[kind] }])}
          >
            {kind}
          </Press>
        ))}
      </div>
    </Section>
  );
}
