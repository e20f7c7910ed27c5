import { Press } from '@/view/shared';
import type { ComponentPart, Port, WetPart } from '@/core/components';
import {
  addPort,
  axesOfFace,
  chamberNames,
  changePort,
  dutyOfPort,
  faceOf,
  FACES,
  freshChamber,
  movePort,
  removePort,
  type Face,
} from '@/core/making';
import type { Vec } from '@/core/geometry';
import { msg, worded } from '@/core/messages';
import { ChoiceField, NumberField, TextField } from './Field';
import styles from './PartShape.module.css';

/** Axes of a part as words: as they are named in its figures. */
const AXIS_WORDS = worded(() => [msg`along x`, msg`along y`, msg`along z`] as const);
const FACE_WORDS: Readonly<Record<Face, string>> = worded(() => ({
  '+x': msg`far end (+x)`,
  '-x': msg`near end (−x)`,
  '+y': msg`top (+y)`,
  '-y': msg`underside (−y)`,
  '+z': msg`right face (+z)`,
  '-z': msg`left face (−z)`,
}));
const FACE_OPTIONS = FACES.map((value) => ({ value, label: FACE_WORDS[value] }));
const ROLES = worded(
  () =>
    [
      { value: 'any', label: msg`in or out` },
      { value: 'in', label: msg`inlet` },
      { value: 'out', label: msg`outlet` },
    ] as const,
);
const DUTIES = worded(
  () =>
    [
      { value: 'none', label: msg`runs only` },
      { value: 'fill', label: msg`to fill by` },
      { value: 'drain', label: msg`to drain by` },
    ] as const,
);

/** Every port: on which face, where on it, what it is for, and into which chamber it leads. */
export function PortTable({
  part,
  picked,
  onPick,
  onChange,
}: {
  readonly part: ComponentPart & WetPart;
  readonly picked: string | null;
  onPick(port: string): void;
  onChange(part: ComponentPart): void;
}) {
  const give = (next: WetPart): void => onChange(next as ComponentPart);
  const fresh = freshChamber(part);
  const chambers = [
    ...chamberNames(part).map((value) => ({ value, label: value })),
    { value: fresh, label: msg`a chamber of its own` },
  ];
  const place = (port: Port, face: Face, at: Vec): void => give(movePort(part, port.id, face, at));
  return (
    <>
      <h3>{msg`Ports, G1/4`}</h3>
      {part.ports.map((p) => {
        const face = faceOf(p) ?? '+y';
        const { across } = axesOfFace(face);
        return (
          <div
            key={p.id}
            className={styles.row}
            data-picked={picked === p.id || undefined}
            onFocus={() => onPick(p.id)}
          >
            <TextField
              label={msg`called`}
              value={p.name}
              onChange={(name) => give(changePort(part, p.id, { name }))}
            />
            <ChoiceField
              label={msg`on`}
              value={face}
              options={FACE_OPTIONS}
              onChange={(to) => place(p, to, p.at)}
            />
            {across.map((axis) => (
              <NumberField
                key={axis}
                label={`${AXIS_WORDS[axis]}, mm`}
                value={p.at[axis]}
                onChange={(v) =>
                  place(p, face, p.at.map((x, i) => (i === axis ? v : x)) as unknown as Vec)
                }
              />
            ))}
            <ChoiceField
              label={msg`leads`}
              value={p.role}
              options={ROLES}
              onChange={(role) => give(changePort(part, p.id, { role }))}
            />
            <ChoiceField
              label={msg`serves`}
              value={p.duty ?? 'none'}
              options={DUTIES}
              onChange={(duty) => give(dutyOfPort(part, p.id, duty === 'none' ? undefined : duty))}
            />
            <ChoiceField
              label={msg`chamber`}
              value={p.chamber}
              options={chambers}
              onChange={(chamber) => give(changePort(part, p.id, { chamber }))}
            />
            <Press
              className={styles.quiet}
              aria-label={msg`Take away ${p.name}`}
              onClick={() => give(removePort(part, p.id))}
            >
              {msg`take away`}
            </Press>
          </div>
        );
      })}
      <Press className={styles.quiet} onClick={() => give(addPort(part, '+y'))}>
        {msg`A port more`}
      </Press>
    </>
  );
}
