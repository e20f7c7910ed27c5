'use client';
import { componentName, loopOfRun, type Connection, type EndPiece, type Loop } from '@/core/design';
import { bridgeOffers, parallelBridge } from '@/core/studies';
import { formatMillimetres, formatMeasure } from '@/core/units';
import type { Run } from '@/core/tubing';
import { Pick, useOffer, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { counted, listAnd, msg, worded, noted } from '@/core/messages';
import { cutWords } from '../runWords';
import { Section } from '../frame/StageFrame';
import { BendStrip } from './BendStrip';
import { LeftToItself } from './LeftToItself';
import { LinkEditor } from './LinkEditor';
import { OtherRoutes } from './OtherRoutes';
import { PutInRun } from './PutInRun';
import { ShortAdvice } from './ShortAdvice';
import type { Preview } from './usePreview';
import { WayEditor } from './WayEditor';
import styles from './RunsStage.module.css';

const ENDS: readonly { readonly value: EndPiece; readonly label: string }[] = worded(() => [
  { value: 'auto', label: msg`as the port asks` },
  { value: 'straight', label: msg`straight` },
  { value: 'rotary45', label: msg`45° rotary` },
  { value: 'rotary90', label: msg`90° rotary` },
  { value: 'extender', label: msg`extender` },
  { value: 'extendedRotary90', label: msg`extender and 90° rotary` },
  { value: 'doubleRotary45', label: msg`two 45° rotaries` },
]);

/**
 * The picked run: its strip with marks, its ends, its way by hand, and what saves it when it comes
 * out too short.
 */
export function RunPanel({
  run,
  loop,
  link: connection,
  preview,
}: {
  readonly run: Run;
  readonly loop: Loop;
  readonly link: Connection;
  readonly preview?: Preview;
}) {
  const design = useEditor((s) => s.design);
  const system = useEditor((s) => s.analysis.system);
  const runs = useEditor((s) => s.analysis.reports.runs);
  const routed = useEditor((s) => s.analysis.routed);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const nameOf = (id: string): string => componentName(design, id);
  const end = (side: 'from' | 'to') => (
    <Pick
      label={msg`At ${nameOf(run[side].component)}`}
      value={connection.ends[side]}
      options={ENDS}
      onPick={(piece) =>
        commit(msg`change an end fitting`, {
          do: 'connection.ends',
          loop: run.loop,
          connection: run.id,
          ends: { ...connection.ends, [side]: piece },
        })
      }
    />
  );
  const offer = useOffer('fitting'),
    bridges = bridgeOffers(system, loop.id, connection.id, offer),
    parallel = parallelBridge(system, loop.id, connection.id, offer);
  const { crosses, before } = run.routed?.visibility ?? { crosses: [], before: [] };
  const seen = listAnd(
    [
      crosses.length > 0 &&
        msg`crosses ${crosses.map((id) => runs.find((r) => r.id === id)?.name ?? id).join(', ')}`,
      before.length > 0 && msg`passes before ${before.map(nameOf).join(', ')}`,
    ].filter((words) => words !== false),
  );
  return (
    <Section
      title={run.name}
      aside={
        <Press className={styles.link} onClick={() => pick(null)}>
          {msg`Done`}
        </Press>
      }
    >
      {run.by === 'direct' ? (
        <p>
          {run.bridge
            ? msg`Bridged by ${run.bridge.name}, from port to port: no tube.`
            : msg`Screwed together with a male-to-male fitting: the ports face each other.`}
        </p>
      ) : (
        <>
          <p>
            {msg`Cut ${cutWords(run)};
              ${run.bends === 0 ? msg`no bend` : msg`${counted(run.bends, '# bend', '# bends')}`};
              ${formatMeasure(run.volume_mL, 'mL')} inside.`}
          </p>
          {seen && <p className="soft">{msg`Seen through the glass it ${seen}.`}</p>}
          <LeftToItself run={run} />
          <BendStrip run={run} loop={loop} />
          <div className={styles.ends}>
            {end('from')}
            {end('to')}
          </div>
          {bridges.length > 0 && (
            <p>
              {msg`The parts face each other:`}{' '}
              {bridges.slice(0, 2).map((o) => (
                <Press
                  key={`${o.from.port}-${o.to.port}`}
                  className={styles.link}
                  onClick={() => commit(msg`bridge ${run.name}`, o.edit)}
                >
                  {noted(
                    msg`bridge them over ${formatMillimetres(o.along_mm)} with ${o.bridge.name}`,
                    o.turned && msg`${nameOf(o.to.component)} flow reversed`,
                  )}
                </Press>
              ))}
            </p>
          )}
          {parallel && (
            <p>
              <Press
                className={styles.link}
                onClick={() => commit(msg`bridge ${run.name} in parallel`, parallel.edit)}
              >
                {msg`Connect them in parallel with two terminal bridges`}
              </Press>{' '}
              <span className="soft">{msg`inlet to inlet, outlet to outlet.`}</span>
            </p>
          )}
          {preview && <OtherRoutes run={run} preview={preview} />}
          <PutInRun loop={loop} link={connection} />
          <WayEditor
            run={run}
            loop={loopOfRun(loop, connection)}
            link={connection}
            route={routed.routes.find((r) => r.connection === run.id)}
          />
          {run.routed && <ShortAdvice run={run} />}
        </>
      )}
      <LinkEditor loop={loop} link={connection} />
    </Section>
  );
}
