import { Press } from '@/view/shared';
import type { ComponentPart, WetPart } from '@/core/components';
import { addPassage, chamberNames, changePassage, removePassage } from '@/core/making';
import { counted, msg, worded } from '@/core/messages';
import { ChoiceField, NumberField } from './Field';
import styles from './PartShape.module.css';

const WAYS = worded(
  () =>
    [
      { value: 'both', label: msg`either way` },
      { value: 'one', label: msg`this way only` },
    ] as const,
);

/** What joins the chambers of a part, and what each passage drops at one flow. */
export function PassageTable({
  part,
  onChange,
}: {
  readonly part: ComponentPart & WetPart;
  onChange(part: ComponentPart): void;
}) {
  const give = (next: WetPart): void => onChange(next as ComponentPart);
  const names = chamberNames(part);
  const chambers = names.map((value) => ({ value, label: value }));
  return (
    <>
      <h3>{msg`Passages between chambers`}</h3>
      {part.passages.length === 0 && (
        <p className="soft">
          {msg`Ports of one chamber meet in it. ${names.length}
            ${counted(names.length, 'chamber', 'chambers')}, and nothing passes between chambers
            that no passage joins.`}
        </p>
      )}
      {part.passages.map((x, i) => {
        const [flow_Lmin, drop_kPa] = x.points[0] ?? [4, 0];
        const isCurve = x.points.length > 1;
        const measured = (points: readonly [number, number]): void =>
          give(changePassage(part, i, { points: [points], source: 'typed' }));
        return (
          <div key={i} className={styles.row}>
            <ChoiceField
              label={msg`from`}
              value={x.from}
              options={chambers}
              onChange={(from) => give(changePassage(part, i, { from }))}
            />
            <ChoiceField
              label={msg`to`}
              value={x.to}
              options={chambers}
              onChange={(to) => give(changePassage(part, i, { to }))}
            />
            {isCurve ? (
              <span className="soft">{msg`${x.points.length} points, below`}</span>
            ) : (
              <>
                <NumberField
                  label={msg`drops, kPa`}
                  value={drop_kPa}
                  onChange={(v) => measured([flow_Lmin, v])}
                />
                <NumberField
                  label={msg`at L/min`}
                  value={flow_Lmin}
                  onChange={(v) => measured([v, drop_kPa])}
                />
              </>
            )}
            <ChoiceField
              label={msg`lets pass`}
              value={x.oneWay ? 'one' : 'both'}
              options={WAYS}
              onChange={(w) => give(changePassage(part, i, { oneWay: w === 'one' }))}
            />
            <Press
              className={styles.quiet}
              aria-label={msg`Close the passage from ${x.from} to ${x.to}`}
              onClick={() => give(removePassage(part, i))}
            >
              {msg`close`}
            </Press>
          </div>
        );
      })}
      <Press
        className={styles.quiet}
        disabled={names.length < 2}
        onClick={() => give(addPassage(part))}
      >
        {msg`A passage more`}
      </Press>
    </>
  );
}
