/**
 * Moments as minutes and days since 1970-01-01 UTC, from ISO 8601 text and back: the core has no
 * clock and no calendar of the machine it runs on. Civil days by Hinnant's algorithms (public
 * domain, from memory).
 */
const ISO =
  /^(\d{4})-(\d\d)-(\d\d)(?:[T ](\d\d):?(\d\d)(?::?(\d\d)(?:[.,]\d+)?)?(?:Z|([+-])(\d\d):?(\d\d)?)?)?$/;
export const DAY_MIN = 1440;

/** Minutes since 1970-01-01 UTC; NaN for what is no date. */
export function isoMinutes(text: string): number {
  const found = ISO.exec(text);
  if (!found) return NaN;
  const part = (i: number): number => Number(found[i] ?? 0);
  const offset = (found[7] === '-' ? -1 : 1) * (part(8) * 60 + part(9));
  return (
    daysFromCivil(part(1), part(2), part(3)) * DAY_MIN +
    part(4) * 60 +
    part(5) +
    part(6) / 60 -
    offset
  );
}

/** YYYY-MM-DD of a moment, UTC. */
export function isoDay(minutes: number): string {
  const z = Math.floor(minutes / DAY_MIN) + 719_468;
  const era = Math.floor(z / 146_097),
    dayOfEra = z - era * 146_097;
  const yearOfEra = Math.floor(
    (dayOfEra -
      Math.floor(dayOfEra / 1460) +
      Math.floor(dayOfEra / 36_524) -
      Math.floor(dayOfEra / 146_096)) /
      365,
  );
  const dayOfYear =
    dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const shifted = Math.floor((5 * dayOfYear + 2) / 153);
  const day = dayOfYear - Math.floor((153 * shifted + 2) / 5) + 1,
    month = shifted < 10 ? shifted + 3 : shifted - 9,
    year = yearOfEra + era * 400 + (month <= 2 ? 1 : 0);
  const two = (v: number): string => String(v).padStart(2, '0');
  return `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}`;
}

function daysFromCivil(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400),
    yearOfEra = y - era * 400;
  const dayOfYear = Math.floor((153 * (month > 2 ? month - 3 : month + 9) + 2) / 5) + day - 1;
  const dayOfEra =
    yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return era * 146_097 + dayOfEra - 719_468;
}
