import { Press } from '@/view/shared';
import { componentName, type Design } from '@/core/design';
import { measuredFrom, type Offer } from '@/core/log';
import { formatNumber, formatDate } from '@/core/units';
import { useEditor, useMeasuredElsewhere } from '@/view/workspace';
import { counted, msg } from '@/core/messages';
import styles from './StageFrame.module.css';

/** Says that figures were corrected by readings of this machine or of its parts elsewhere, or could be. */
export function MeasuredNote() {
  const measured = useEditor((s) => s.design.choices.work?.measured);
  const commit = useEditor((s) => s.commit);
  if (!measured) return <MeasuredElsewhere />;
  return (
    <p className={styles.estimated}>
      {measured.elsewhere === undefined
        ? msg`Measured here: corrected by
          ${counted(measured.readings, '# reading', '# readings')} of this machine, taken up to
          ${formatDate(measured.on, 'day')}.`
        : msg`Measured elsewhere: corrected by what the same parts did in ${measured.elsewhere},
          read up to ${formatDate(measured.on, 'day')}.`}
      {measured.elsewhere !== undefined && (
        <>
          {' '}
          <Press
            className={styles.link}
            onClick={() =>
              commit(msg`go by what is printed`, { do: 'work.measured', measured: null })
            }
          >
            {msg`Back to what is printed`}
          </Press>
        </>
      )}
    </p>
  );
}

/** Parts of this build that were measured in another: one click to go by that. */
function MeasuredElsewhere() {
  const offers = useMeasuredElsewhere();
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  if (offers.length === 0) return null;
  const builds = [...new Set(offers.flatMap((o) => o.builds))].join(', ');
  return (
    <p className={styles.estimated}>
      {msg`Measured in ${builds}: ${offers.map((o) => offerText(design, o)).join('; ')} (± holds
        in 95 of 100).`}{' '}
      <Press
        className={styles.link}
        onClick={() =>
          commit(msg`go by what was measured elsewhere`, {
            do: 'work.measured',
            measured: measuredFrom(offers),
          })
        }
      >
        {msg`Go by that here`}
      </Press>
    </p>
  );
}

/** "Fern 360 passes 0.93 ± 0.05 of its heat". */
function offerText(design: Design, { kind, component, name, factor, spread }: Offer): string {
  const times = `${formatNumber(factor, { decimals: 2 })} ± ${formatNumber(1.96 * spread, { decimals: 2 })}`;
  if (kind === 'radiators') return msg`radiators pass ${times} of their heat (${name})`;
  if (kind === 'leakage') return msg`${name} leaks ${times} of its usual air`;
  return msg`${component === null ? name : componentName(design, component)} resists ${times} of
    what is printed`;
}
