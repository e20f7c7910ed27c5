'use client';
import type { Run } from '@/core/tubing';
import { formatMillimetres, formatNumber } from '@/core/units';
import { Mark, rich, Why } from '@/view/shared';
import { msg, sentences } from '@/core/messages';
import { reasonForLying } from '../reasons';
import { lyingOf } from './lying';

/** Less than this nobody sees: mm, degrees. */
const SEEN_MM = 1,
  STRAIGHT_DEG = 1;

/**
 * How a soft tube lies when only its fittings hold it, beside its route: told where that is so much
 * that it would touch what is nearest.
 */
export function LeftToItself({ run }: { readonly run: Run }) {
  const lies = lyingOf(run);
  if (!lies) return null;
  const { curve, beside_mm, sag_mm } = lies;
  const gap_mm = run.routed?.nearest?.gap_mm ?? Infinity,
    isClipped = beside_mm + sag_mm > gap_mm;
  return (
    <p className="soft">
      <Mark verdict={isClipped ? 'marginal' : 'ok'} />{' '}
      {curve.turning_deg < STRAIGHT_DEG
        ? msg`Left to itself it lies straight, as its route does.`
        : rich`Left to itself it lies up to ${(
            <Why reason={reasonForLying(run, lies)}>{formatMillimetres(beside_mm, 1)}</Why>
          )} beside this route, turns by ${formatNumber(curve.turning_deg)}° in all and bends no tighter than ${formatMillimetres(curve.leastRadius_mm)}.`}{' '}
      {sentences(
        sag_mm < SEEN_MM
          ? msg`It does not sag (under ${formatMillimetres(SEEN_MM)}, estimated).`
          : msg`It sags by ${formatMillimetres(sag_mm, 1)} (estimated).`,
        isClipped && msg`That is more than the gap beside it: hold it with a clip there.`,
      )}
    </p>
  );
}
