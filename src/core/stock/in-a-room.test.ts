import { inARoom } from './in-a-room';

test('at 20 °C a day is a day; ten degrees colder it is one by the species’ own factor', () => {
  expect(inARoom({ q10: 3, chillBelowC: null }, 20)).toEqual({ daysADay: 1, isTooCold: false });
  expect(inARoom({ q10: 3, chillBelowC: null }, 10).daysADay).toBeCloseTo(1 / 3, 10);
  expect(inARoom({ q10: 2, chillBelowC: null }, 30).daysADay).toBeCloseTo(2, 10);
});

test('what comes from warm countries is harmed by a cold room, at its own limit it is not yet', () => {
  const tropical = { q10: 2.5, chillBelowC: 13 };
  expect([4, 12.9, 13, 18].map((tempC) => inARoom(tropical, tempC).isTooCold)).toEqual([
    ...[true, true, false, false],
  ]);
});
