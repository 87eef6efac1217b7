import { addDays } from './dates';

/** A day as it is spoken of on the day of the note, in the languages notes come in: days from then. */
const FROM_TODAY: readonly (readonly [RegExp, number])[] = [
  [/^(today|this morning|heute|vandaag|aujourd.?hui|hoy|oggi|dzi[sś](iaj)?|hoje|i ?dag)$/, 0],
  [/^(yesterday|gestern|gisteren|hier|ayer|ieri|wczoraj|ontem|i ?g[aå]r)$/, -1],
  [/^(day before yesterday|vorgestern|eergisteren|avant-?hier|anteayer|przedwczoraj|anteontem)$/, -2],
];

/** Weekdays from Monday, by how their names begin, three letters at least. */
const WEEKDAYS: readonly RegExp[] = [
  /^(mon|montag|maa|lun|pon|seg(unda)?|m[aå]nd|mandag)/,
  /^(tue|die|din|mar|wto|ter[cç]a|tis|tirs)/,
  /^(wed|mit|woe|mer|mi[eé]|[sś]rod|quarta|ons)/,
  /^(thu|don|jeu|jue|gio|czw|quinta|tors)/,
  /^(fri|fre|vri|ven|vie|pi[aą]|sexta)/,
  /^(sat|sam|zat|s[aá]b|sob|l[oö]rd|l[oø]rd)/,
  /^(sun|son|zon|dim|dom|nie|s[oö]nd|s[oø]nd)/,
];
const DAYS_A_WEEK = 7;

/** Days since Monday of a calendar day. */
const weekdayOf = (date: string): number =>
  (new Date(`${date}T00:00:00Z`).getUTCDay() + DAYS_A_WEEK - 1) % DAYS_A_WEEK;

/**
 * The day that is meant by "yesterday", "Mon" or "lundi" in a note: a weekday is the last such one, the
 * note's own day included. Null where the words are no day, or the note bears no date.
 * @param noteDate ISO date
 */
export function spokenDay(text: string, noteDate: string | null): string | null {
  const words = text.trim().toLowerCase().replace(/\.$/, '');
  if (noteDate === null || words.length < 3) return null;
  const days = FROM_TODAY.find(([says]) => says.test(words))?.[1];
  if (days !== undefined) return addDays(noteDate, days);
  if (!/^\p{L}+(-feira)?$/u.test(words)) return null;
  const weekday = WEEKDAYS.findIndex((says) => says.test(words));
  if (weekday < 0) return null;
  return addDays(noteDate, -((weekdayOf(noteDate) - weekday + DAYS_A_WEEK) % DAYS_A_WEEK));
}
