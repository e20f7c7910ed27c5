import { Press } from '@/view/shared';
import type { ComponentPart } from '@/core/components';
import { addBody, bodiesOf, withBodies, withFoot } from '@/core/making';
import type { Vec } from '@/core/geometry';
import { msg, worded } from '@/core/messages';
import { ChoiceField, NumberField, TextField } from './Field';
import styles from './PartShape.module.css';

const ROUND = worded(
  () =>
    [
      { value: 'none', label: msg`box` },
      { value: 'x', label: msg`round about x` },
      { value: 'y', label: msg`round about y` },
      { value: 'z', label: msg`round about z` },
    ] as const,
);
const AXES = ['x', 'y', 'z'] as const;

/** The boxes and cylinders a part is made of, and the holes of its foot. */
export function BodyTable({
  part,
  onChange,
}: {
  readonly part: ComponentPart;
  onChange(part: ComponentPart): void;
}) {
  const bodies = bodiesOf(part);
  const foot = part.foot ?? [];
  type Body = (typeof bodies)[number];
  const set = (i: number, body: Body): void =>
    onChange(
      withBodies(
        part,
        bodies.map((b, k) => (k === i ? body : b)),
      ),
    );
  const end = (body: Body, key: 'min' | 'max', axis: number, v: number): Body => ({
    ...body,
    [key]: body[key].map((x, i) => (i === axis ? v : x)) as unknown as Vec,
  });
  return (
    <>
      <h3>{msg`Bodies`}</h3>
      {bodies.map((b, i) => (
        <div key={i} className={styles.body}>
          <TextField
            label={msg`called`}
            value={b.name}
            onChange={(name) => set(i, { ...b, name })}
          />
          {(['min', 'max'] as const).flatMap((key) =>
            AXES.map((axis, k) => (
              <NumberField
                key={`${key}${axis}`}
                label={`${axis} ${key === 'min' ? 'from' : 'to'}`}
                value={b[key][k] as number}
                onChange={(v) => set(i, end(b, key, k, v))}
              />
            )),
          )}
          <ChoiceField
            label={msg`shape`}
            value={b.round ?? 'none'}
            options={ROUND}
            onChange={(round) => {
              const { round: _was, ...box } = b;
              set(i, round === 'none' ? box : { ...box, round });
            }}
          />
          <Press
            className={styles.quiet}
            disabled={bodies.length < 2}
            aria-label={msg`Take away ${b.name}`}
            onClick={() =>
              onChange(
                withBodies(
                  part,
                  bodies.filter((_, k) => k !== i),
                ),
              )
            }
          >
            {msg`take away`}
          </Press>
        </div>
      ))}
      <Press className={styles.quiet} onClick={() => onChange(addBody(part))}>
        {msg`A box more`}
      </Press>{' '}
      <Press className={styles.quiet} onClick={() => onChange(addBody(part, 'y'))}>
        {msg`A cylinder more`}
      </Press>
      <h3>{msg`Screw holes of its foot`}</h3>
      {foot.map((h, i) => (
        <div key={i} className={styles.wide}>
          <NumberField
            label={msg`apart along x, mm`}
            value={h.x_mm}
            onChange={(x_mm) =>
              onChange(
                withFoot(
                  part,
                  foot.map((f, k) => (k === i ? { ...f, x_mm } : f)),
                ),
              )
            }
          />
          <NumberField
            label={msg`apart along z, mm`}
            value={h.z_mm}
            onChange={(z_mm) =>
              onChange(
                withFoot(
                  part,
                  foot.map((f, k) => (k === i ? { ...f, z_mm } : f)),
                ),
              )
            }
          />
          <Press
            className={styles.quiet}
            onClick={() =>
              onChange(
                withFoot(
                  part,
                  foot.filter((_, k) => k !== i),
                ),
              )
            }
          >
            {msg`take away`}
          </Press>
        </div>
      ))}
      <Press
        className={styles.quiet}
        onClick={() => onChange(withFoot(part, [...foot, { x_mm: 44, z_mm: 44 }]))}
      >
        {msg`Four holes more`}
      </Press>
    </>
  );
}
