import { standsNow, worstOf } from './stands-now';

const [EARLY, LATE] = [new Date('2026-11-24T07:00:00Z'), new Date('2026-11-24T09:00:00Z')];

test.each([
  ['nobody looked back', 'hanging', EARLY, null, null, 'hanging'],
  ['upright since', 'hanging', EARLY, 'upright', LATE, 'firm'],
  ['better, not well', 'hanging', EARLY, 'recovering', LATE, 'soft'],
  ['limp after its drink', 'firm', EARLY, 'hanging', LATE, 'hanging'],
  ['seen at the dock after the bench', 'soft', LATE, 'upright', EARLY, 'soft'],
  ['never looked at when it came', 'firm', null, 'recovering', LATE, 'soft'],
] as const)('%s', (_, droop, lookedAt, outcome, outcomeAt, stands) => {
  expect(standsNow({ droop, lookedAt, outcome, outcomeAt })).toBe(stands);
});

test('a lot in several waters stands as its worst', () => {
  expect(worstOf(['firm', 'hanging', 'soft'])).toBe('hanging');
  expect(worstOf(['firm', 'soft'])).toBe('soft');
  expect(worstOf(['firm'])).toBe('firm');
});
