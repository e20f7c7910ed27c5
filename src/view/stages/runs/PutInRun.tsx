'use client';
import { loopOfRun, type Connection, type Loop } from '@/core/design';
import { putIntoRun } from '@/core/loops';
import { Pick, useOffer } from '@/view/shared';
import { fittingFor } from '@/core/loops';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './RunsStage.module.css';

const NONE = '';

/** A tee, valve, filter, meter or coupling into this run; and a tube of its own for it. */
export function PutInRun({
  loop,
  link: connection,
}: {
  readonly loop: Loop;
  readonly link: Connection;
}) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const pieces = useOffer('inline').filter((p) => p.duty !== 'plate' && p.duty !== 'passthrough');
  const tubes = useOffer('tube'),
    fittings = useOffer('fitting');
  const own = loopOfRun(loop, connection);
  const putIn = (id: string): void => {
    const part = pieces.find((p) => p.id === id);
    const put = part && putIntoRun(design, loop.id, connection.id, part, part.name);
    if (!put) return;
    commit(msg`put ${part.name} into a run`, put.edit);
    pick(put.component);
  };
  const setTube = (id: string): void => {
    const tube = tubes.find((t) => t.id === id) ?? null;
    const isLoops = tube === null || tube.id === loop.tube.id;
    commit(isLoops ? msg`the loop's own tube` : msg`${tube.name} for one run`, {
      do: 'connection.tube',
      loop: loop.id,
      connection: connection.id,
      tube: isLoops ? null : tube,
      fitting: isLoops ? null : (fittingFor(tube, fittings) ?? loop.fitting),
    });
  };
  return (
    <div className={styles.ends}>
      <Pick
        label={msg`Put into it`}
        value={NONE}
        options={[
          { value: NONE, label: msg`nothing` },
          ...pieces.map((p) => ({ value: p.id, label: p.name })),
        ]}
        onPick={putIn}
      />
      <Pick
        label={msg`Made of`}
        value={own.tube.id}
        options={[
          { value: loop.tube.id, label: msg`${loop.tube.name}, as the loop` },
          ...(own.tube.id === loop.tube.id || tubes.some((t) => t.id === own.tube.id)
            ? []
            : [{ value: own.tube.id, label: own.tube.name }]),
          ...tubes
            .filter((t) => t.id !== loop.tube.id)
            .map((t) => ({ value: t.id, label: t.name })),
        ]}
        onPick={setTube}
      />
    </div>
  );
}
