'use client';
import { loopOfRun } from '@/core/design';
import { clipReason } from '@/core/routing';
import type { Run } from '@/core/tubing';
import { formatMillimetres, formatNumber } from '@/core/units';
import { Mark, rich, Why } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, sentences } from '@/core/messages';
import { reasonForLying } from '../reasons/run';

/** Less than this nobody sees: mm, degrees. */
const SEEN_MM = 1,
  STRAIGHT_DEG = 1;

/**
 * How a soft tube lies when only its fittings hold it, beside its route, and whether it may be left
 * so.
 */
export function LeftToItself({ run }: { readonly run: Run }) {
  const loop = useEditor((s) => s.design.loops.find((l) => l.id === run.loop));
  const lies = run.routed?.lies;
  if (!lies || !loop) return null;
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
