import { msg } from '../messages';
import type { Run } from '../tubing';
import { formatMillimetres } from '../units';
import { ANGLE_ERROR_DEG, farEndOf, MARK_ERROR_MM } from './farEnd';
import { putInOf } from './putIn';

/**
 * How a stiff tube comes between its two fittings, and what its errors come to at the far end, in
 * sentences. None for soft tube and for one that is not routed.
 *
 * @param nameOf the name of a component by its id
 */
export function putInWords(run: Run, nameOf: (component: string) => string): readonly string[] {
  const put = putInOf(run);
  if (!put) return [];
  const at = (end: 'from' | 'to'): string => nameOf(run[end].component);
  const far = farEndOf(run);
  const errors =
    far && far.off_mm > 0
      ? [
          msg`Marks off by ${MARK_ERROR_MM} mm and bends by ${ANGLE_ERROR_DEG}° put its far end
            about ${formatMillimetres(far.off_mm)} off (estimated): hold it to its place before
            the last bend.`,
        ]
      : [];
  if (put.how === 'together')
    return [...errors, msg`Both ends go in together: hold it over both fittings and push it home.`];
  if (put.how === 'swing')
    return [
      ...errors,
      msg`First into ${at(put.first)}, then swing the other end in, by about
        ${Math.round(put.swing_deg)}°.`,
    ];
  return [
    ...errors,
    msg`Its ends push against each other by about ${formatMillimetres(put.short_mm)} (estimated,
      the tube taken as stiff): take the fitting at ${at(put.fitting)} off, slide it over the
      tube, and screw it in with the tube in place.`,
  ];
}
