'use client';
import { clipsFor } from '@/core/bom';
import { loopOfRun, type Loop } from '@/core/design';
import { clipReason } from '@/core/routing';
import { CLIP_EVERY_MM, type Run } from '@/core/tubing';
import { formatMillimetres, formatNumber } from '@/core/units';
import { Check, Mark, rich, Why } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { counted, msg, sentences } from '@/core/messages';
import { reasonForLying } from '../reasons/run';

/** Less than this nobody sees: mm, degrees. */
const SEEN_MM = 1,
  STRAIGHT_DEG = 1;

/** Of a soft tube: whether its two fittings hold it alone, and how it lies then. */
export function LeftToItself({ run }: { readonly run: Run }) {
  const loop = useEditor((s) => s.design.loops.find((l) => l.id === run.loop));
  const clips = useEditor((s) => clipsFor(s.design, run));
  const commit = useEditor((s) => s.commit);
  if (run.tube.hard || !run.routed || !loop) return null;
  return (
    <>
      <label>
        <Check
          checked={clips > 0}
          onChange={({ target }) =>
            commit(msg`clips on ${run.name}`, {
              do: 'connection.clips',
              loop: loop.id,
              connection: run.id,
              clipped: target.checked,
            })
          }
        />{' '}
        {msg`Held to its route by clips`}
      </label>
      {clips > 0 ? (
        <p className="soft">
          {msg`It takes ${counted(clips, 'one clip', '# clips')}: one for every
            ${formatMillimetres(CLIP_EVERY_MM)} or so (common practice, no source).`}
        </p>
      ) : (
        <Lying run={run} loop={loop} />
      )}
    </>
  );
}

/** How it lies when only its fittings hold it, beside its route, and whether it may be left so. */
function Lying({ run, loop }: { readonly run: Run; readonly loop: Loop }) {
  const lies = run.routed?.lies;
  if (!lies) return null;
  const { turning_deg, leastRadius_mm, beside_mm, sag_mm } = lies;
  const why = clipReason(run, loopOfRun(loop, run.id).tube.minBend_mm)?.why;
  return (
    <p className="soft">
      <Mark verdict={why ? 'marginal' : 'ok'} />{' '}
      {turning_deg < STRAIGHT_DEG
        ? msg`Left to itself it lies straight, as its route does.`
        : rich`Left to itself it lies up to ${(
            <Why reason={reasonForLying(run, lies)}>{formatMillimetres(beside_mm, 1)}</Why>
          )} beside this route, turns by ${formatNumber(turning_deg)}° in all and bends no tighter than ${formatMillimetres(leastRadius_mm)}.`}{' '}
      {sentences(
        sag_mm < SEEN_MM
          ? msg`It does not sag (under ${formatMillimetres(SEEN_MM)}, estimated).`
          : msg`It sags by ${formatMillimetres(sag_mm, 1)} (estimated).`,
        why === undefined && msg`It meets nothing there.`,
        why === 'meets' && msg`There it would meet something: hold it with a clip.`,
        why === 'tight' && msg`That is tighter than it stands: hold it with a clip.`,
      )}
    </p>
  );
}
