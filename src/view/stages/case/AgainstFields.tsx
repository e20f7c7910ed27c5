'use client';
import { carriersOf } from '@/core/checks';
import { UPS, type Component, type Placement, type Up } from '@/core/design';
import { directionIn, type Frame, type Vec } from '@/core/geometry';
import { Pick, QuantityField } from '@/view/shared';
import { useEditorLater } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './CaseStage.module.css';

export type Against = Extract<Placement, { on: 'against' }>;

const OWN: Readonly<Record<Up, Vec>> = {
  '+x': [1, 0, 0],
  '-x': [-1, 0, 0],
  '+y': [0, 1, 0],
  '-y': [0, -1, 0],
  '+z': [0, 0, 1],
  '-z': [0, 0, -1],
};

/** Which way a face looks in the case, as a builder says it. */
function sideWords(frame: Frame | null, face: Up): string {
  const [x, y, z] = frame ? directionIn(frame, OWN[face]) : OWN[face];
  if (Math.abs(y) > 0.5) return y > 0 ? msg`its top` : msg`its underside`;
  if (Math.abs(x) > 0.5) return x > 0 ? msg`its front` : msg`its rear`;
  return z > 0 ? msg`its side to the glass` : msg`its far side`;
}

/** On which part a part stands, on which of its sides, and how far from the middle of it. */
export function AgainstFields({
  component,
  p,
  change,
}: {
  readonly component: Component;
  readonly p: Against;
  change(how: (now: Against) => Placement): void;
}) {
  const design = useEditorLater((s) => s.design);
  const placed = useEditorLater((s) => s.analysis.system.placed);
  const hosts = carriersOf(design, component);
  const frame = placed.get(p.component)?.frame ?? null;
  return (
    <>
      <Pick
        label={msg`Stands on`}
        value={p.component}
        options={hosts.map((h) => ({ value: h.id, label: h.name }))}
        onPick={(host) => change((now) => ({ ...now, component: host }))}
      />
      <Pick
        label={msg`On which side`}
        value={p.face}
        options={UPS.map((face) => ({ value: face, label: sideWords(frame, face) }))}
        onPick={(face) => change((now) => ({ ...now, face }))}
      />
      <div className={styles.slide}>
        {(
          [
            ['along_mm', msg`Along it, from its middle`],
            ['across_mm', msg`Across it, from its middle`],
          ] as const
        ).map(([key, label]) => (
          <QuantityField
            key={key}
            label={label}
            value={p[key]}
            quantity="length"
            min={-1000}
            max={1000}
            onCommit={(v) => v !== null && change((now) => ({ ...now, [key]: v }))}
          />
        ))}
      </div>
    </>
  );
}
