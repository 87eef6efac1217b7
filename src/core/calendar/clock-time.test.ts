import * as fc from 'fast-check';
import { beginBy, clockTold, typedClock } from './clock-time';

test.each([
  ['06:40', '06:40'],
  ['6:40', '06:40'],
  ['6.40', '06:40'],
  ['6h40', '06:40'],
  ['0640', '06:40'],
  ['640', '06:40'],
  ['7', '07:00'],
  ['17', '17:00'],
  ['6:40 am', '06:40'],
  ['6:40 pm', '18:40'],
  ['12 am', '00:00'],
  ['12 pm', '12:00'],
  [' 23:59 ', '23:59'],
  ['0:00', '00:00'],
])('“%s” is %s', (text, told) => {
  const time = typedClock(text);
  expect(time && clockTold(time)).toBe(told);
});

test.each(['', 'noon', '24:00', '6:60', '13 pm', '0 am', '6:4', '12345', '-1', '6:40:00'])(
  '“%s” is no time',
  (text) => {
    expect(typedClock(text)).toBeNull();
  },
);

test('every minute of the day is read back as it is told', () => {
  for (let minutes = 0; minutes < 1440; minutes++)
    expect(typedClock(clockTold({ minutes }))).toEqual({ minutes });
});

test('what takes an hour and a half to be ready by 06:40 begins by 05:10; by 01:00, the evening before', () => {
  const by = (told: string, takes: number) => {
    const { at, daysBefore } = beginBy(typedClock(told) ?? { minutes: NaN }, takes);
    return [clockTold(at), daysBefore];
  };
  expect(by('06:40', 90)).toEqual(['05:10', 0]);
  expect(by('01:00', 90)).toEqual(['23:30', 1]);
  // Half a minute is a whole one: rather too early than too late.
  expect(by('06:40', 29.5)).toEqual(['06:10', 0]);
  expect(by('06:40', 0)).toEqual(['06:40', 0]);
  expect(by('00:10', 1440)).toEqual(['00:10', 1]);
});

test('begun then, it is ready by then: never later, and less than a minute sooner', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 1439 }),
      fc.double({ min: 0, max: 5000, noNaN: true }),
      (minutes, takes) => {
        const { at, daysBefore } = beginBy({ minutes }, takes);
        expect(at.minutes).toBeGreaterThanOrEqual(0);
        expect(at.minutes).toBeLessThan(1440);
        const spare = minutes + daysBefore * 1440 - (at.minutes + takes);
        expect(spare).toBeGreaterThanOrEqual(-1e-9);
        expect(spare).toBeLessThanOrEqual(1);
      },
    ),
  );
});
