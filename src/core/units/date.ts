import { shownLanguage } from '../messages';
import { isoMinutes } from './time';

const DAY = { day: 'numeric', month: 'short', year: 'numeric' } as const;
const TIME = { hour: '2-digit', minute: '2-digit', hour12: false } as const;
const STYLES = {
  /** "30 Nov 2026" */
  day: DAY,
  /** "30 November" */
  dayOfYear: { day: 'numeric', month: 'long' },
  /** "Mon 30 Nov" */
  weekday: { weekday: 'short', day: 'numeric', month: 'short' },
  /** "30 Nov 2026, 14:05" */
  moment: { ...DAY, ...TIME },
  /** "30 Nov, 14:05" */
  recent: { day: 'numeric', month: 'short', ...TIME },
  /** "Mon 30 Nov, 14:05" */
  appointment: { weekday: 'short', day: 'numeric', month: 'short', ...TIME },
  /** "Monday, 30 November 2026 at 14:05" */
  full: { dateStyle: 'full', timeStyle: 'short' },
  /** "14:05" */
  time: TIME,
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;
export type DateStyle = keyof typeof STYLES;

const FORMATS = new Map<string, Intl.DateTimeFormat>();

function formatOf(style: DateStyle, isUtc: boolean): Intl.DateTimeFormat {
  // The English of the source puts the day before the month.
  const language = shownLanguage() === 'en' ? 'en-GB' : shownLanguage();
  const key = `${language} ${style} ${isUtc}`;
  let format = FORMATS.get(key);
  if (!format) {
    const options: Intl.DateTimeFormatOptions = STYLES[style];
    format = new Intl.DateTimeFormat(language, isUtc ? { ...options, timeZone: 'UTC' } : options);
    FORMATS.set(key, format);
  }
  return format;
}

/**
 * A day or a moment in the language shown: ms since 1970-01-01 UTC, or ISO 8601 text. Moments are
 * told in local time; a day, and a moment without a zone, as they are written. What is no date
 * comes back as it is, no number becomes "–".
 */
export function formatDate(at: number | string, style: DateStyle): string {
  const ms = typeof at === 'number' ? at : isoMinutes(at) * 60_000;
  if (!Number.isFinite(ms)) return typeof at === 'string' ? at : '–';
  const isWall = typeof at === 'string' && !/T.*(Z|[+-]\d\d:?\d\d?)$/.test(at);
  return formatOf(style, isWall).format(ms);
}

/** Days of the week from Sunday, short. */
export const weekdayNames = (): readonly string[] => {
  const format = new Intl.DateTimeFormat(shownLanguage(), { weekday: 'short', timeZone: 'UTC' });
  // The fourth of January 1970 was a Sunday.
  return [3, 4, 5, 6, 7, 8, 9].map((day) => format.format(day * 86_400_000));
};
