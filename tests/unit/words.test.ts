import { SHIPPED_SPECIES } from '@/core/species/registry';
import { readDeliveryNote } from '@/core/note/read-note';
import { arrivalNow, forecastInputOf, type LotHistory, type StayHere } from '@/core/vase-life/lot-history';
import { predictLot } from '@/core/vase-life/predict-lot';
import { demoNoteCsv } from '@/demo/world';
import { daysInWords } from '@/drawing/life-line';
import { dayWords } from '@/core/calendar/format-date';
import { sentenceDate } from '@/core/care/card-words';
import { clockWords } from '@/shell/clock';

test.each([
  [{ p10: 4.7, p90: 8.4 }, '4 to 8 days'],
  [{ p10: 6.1, p90: 6.4 }, 'about 6 days'],
  [{ p10: 0.2, p90: 1.2 }, '0 to 1 days'],
  [{ p10: 14, p90: 40 }, '14 to more than 40 days'],
])('%j is said as %s', (quantiles, words) => {
  expect(daysInWords(quantiles)).toBe(words);
});

test.each([
  [30_000, '0:30', false],
  [61_500, '1:02', false],
  [3 * 3600_000 + 5 * 60_000, '3 h 05', false],
  [0, 'now', true],
  [-5 * 60_000, '5 min over', true],
  [-3 * 3600_000, '3 h over', true],
])('a clock with %d ms to go shows %s', (ms, words, late) => {
  expect(clockWords(1e12 + ms, 1e12)).toEqual({ words, late });
});

test('days of a card', () => {
  expect(dayWords('2026-11-27')).toBe('Fri 27 Nov');
  expect(sentenceDate('2026-11-24')).toBe('24 November 2026');
});

test('the demo always has a note dated to its day that reads without a doubt', () => {
  for (const day of ['2026-11-24T06:50:00Z', '2027-03-01T00:10:00Z']) {
    const note = readDeliveryNote(demoNoteCsv(new Date(day)));
    const lines = note.lines.filter((l) => l.status !== 'ignored');
    expect(lines.length).toBeGreaterThan(4);
    expect(lines.every((l) => l.status === 'understood')).toBe(true);
    expect(lines.every((l) => (l.cutDate ?? '9') < day)).toBe(true);
  }
});

describe('a lot in the shop', () => {
  const air = { tempC: 18, humidityPct: 60, litHours: 12, ethylenePpm: 0 };
  const cold = { ...air, tempC: 3 };
  const food = { name: 'a', start: 'clean', solution: 'flower-food', tempC: 40 } as const;
  /** Dry on the bench until it went into water, then in its room. */
  const here = (wetFrom: number, room = cold, water: StayHere['water'] = food, until = 48): StayHere[] => [
    { fromHour: 0, toHour: wetFrom, air, water: null },
    { fromHour: wetFrom, toHour: until, air: room, water },
  ];
  const history = (over: Partial<LotHistory> = {}): LotHistory => ({
    species: SHIPPED_SPECIES.byKey('rose'),
    arrival: { agedDays: 1, stage: 0.2, droop: 'firm' },
    hoursHere: 48,
    stays: here(2),
    wasHotDipped: false,
    isBare: false,
    startHourOfDay: 7,
    ...over,
  });
  const days = (over: Partial<LotHistory>): number =>
    predictLot(forecastInputOf(history(over), 1, 150)).daysLeft.p50;

  test('has fewer days the longer it stood dry, and the warmer its room', () => {
    expect(days({ stays: here(12) })).toBeLessThan(days({}));
    expect(days({ stays: here(2, air) })).toBeLessThan(days({}) - 0.5);
    expect(days({ stays: here(48) })).toBeLessThan(days({}));
  });
  test('ages and opens while it stands, and hands that on to what is made of it', () => {
    const early = arrivalNow(forecastInputOf(history({ hoursHere: 3 }), 1, 1));
    const later = arrivalNow(
      forecastInputOf(history({ hoursHere: 72, stays: here(2, air, food, 72) }), 1, 1),
    );
    expect(later.agedDays).toBeGreaterThan(early.agedDays + 1);
    expect(later.stage).toBeGreaterThan(early.stage);
    expect(later.droop).toBe('firm');
  });
  test('turned over into fresh water it is at least as well off as left in its own', () => {
    const plain = { name: 'old', start: 'rinsed', solution: 'plain', tempC: 20 } as const;
    const room = { ...air, tempC: 20 };
    const old = here(2, room, plain, 200);
    const turned: StayHere[] = [
      ...here(2, room, plain, 100),
      { fromHour: 100, toHour: 200, air: room, water: { ...plain, name: 'new', start: 'clean' } },
    ];
    expect(days({ hoursHere: 200, stays: turned })).toBeGreaterThanOrEqual(
      days({ hoursHere: 200, stays: old }),
    );
  });
});
