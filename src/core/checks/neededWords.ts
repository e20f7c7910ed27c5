import { msg } from '../messages';
import { formatNumber } from '../units';

/** How many sections are needed, as a sentence; also for a number that no area reaches. */
export function neededWords(n: number | null): string {
  if (n === null) return msg`It is unknown how many sections you need at this fan speed.`;
  return Number.isFinite(n)
    ? msg`At this fan speed you need ${formatNumber(n, { decimals: 1 })} sections.`
    : msg`At this fan speed no number of sections would do.`;
}
