import * as fc from 'fast-check';
import { addDays, daysBetween } from './dates';
import { spokenDay } from './spoken-day';

// The 24th of November 2026 is a Tuesday.
const TUESDAY = '2026-11-24';

test.each([
  ['today', 0],
  ['heute', 0],
  ['vandaag', 0],
  ['aujourd’hui', 0],
  ['hoy', 0],
  ['oggi', 0],
  ['dzisiaj', 0],
  ['hoje', 0],
  ['yesterday', -1],
  ['gestern', -1],
  ['gisteren', -1],
  ['hier', -1],
  ['ayer', -1],
  ['ieri', -1],
  ['wczoraj', -1],
  ['ontem', -1],
  ['vorgestern', -2],
  ['eergisteren', -2],
  ['anteayer', -2],
])('“%s” is %d days from the note’s', (words, days) => {
  expect(spokenDay(words, TUESDAY)).toBe(addDays(TUESDAY, days));
});

test.each([
  [
    ['Mon', 'Monday', 'Montag', 'maandag', 'lundi', 'lunes', 'lunedì', 'poniedziałek', 'segunda', 'måndag'],
    '2026-11-23',
  ],
  [
    [
      'Tue',
      'Tuesday',
      'Dienstag',
      'dinsdag',
      'mardi',
      'martes',
      'martedì',
      'wtorek',
      'terça',
      'tisdag',
      'tirsdag',
    ],
    '2026-11-24',
  ],
  [
    ['Wed', 'Mittwoch', 'woensdag', 'mercredi', 'miércoles', 'mercoledì', 'środa', 'quarta', 'onsdag'],
    '2026-11-18',
  ],
  [
    ['Thu', 'Donnerstag', 'donderdag', 'jeudi', 'jueves', 'giovedì', 'czwartek', 'quinta', 'torsdag'],
    '2026-11-19',
  ],
  [
    ['Fri', 'Freitag', 'vrijdag', 'vendredi', 'viernes', 'venerdì', 'piątek', 'sexta', 'fredag'],
    '2026-11-20',
  ],
  [['Sat', 'Samstag', 'zaterdag', 'samedi', 'sábado', 'sabato', 'sobota', 'lördag', 'lørdag'], '2026-11-21'],
  [
    ['Sun', 'Sonntag', 'zondag', 'dimanche', 'domingo', 'domenica', 'niedziela', 'söndag', 'søndag'],
    '2026-11-22',
  ],
])('%j is the last such day, the note’s own included: %s', (words, date) => {
  for (const word of words) expect([word, spokenDay(word, TUESDAY)]).toEqual([word, date]);
});

test.each(['', 'so', 'some day', '12', 'next week', 'Monday 23', 'rose', 'soon', 'no'])(
  '“%s” is no day',
  (words) => {
    expect(spokenDay(words, TUESDAY)).toBeNull();
  },
);

test('without a note’s date there is nothing to count from', () => {
  expect(spokenDay('yesterday', null)).toBeNull();
});

test('whichever day the note is of, a weekday lies within the week before it, and is that weekday', () => {
  const weekdays = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 4000 }), fc.integer({ min: 0, max: 6 }), (days, weekday) => {
      const noteDate = addDays('2020-01-01', days);
      const date = spokenDay(weekdays[weekday] ?? '', noteDate);
      expect(date).not.toBeNull();
      const back = daysBetween(date ?? '', noteDate);
      expect(back).toBeGreaterThanOrEqual(0);
      expect(back).toBeLessThan(7);
      expect(new Date(`${date ?? ''}T12:00:00Z`).getUTCDay()).toBe(weekday);
    }),
  );
});
