import { readStoredPlan } from './stored-plan';

const PLAN = {
  assignment: [
    {
      lot: 'a',
      hands: 'Wen',
      steps: [{ message: 'step.cut' }, 'as it was written'],
      fromMin: 0,
      toMin: 4.5,
      kettle: false,
      waitMin: 0,
      slackMin: 2,
    },
  ],
  lots: [{ lot: 'a', wetAtMin: null, daysLost: 0.2, lateMin: 0 }],
  order: ['a'],
  pails: [{ lot: 'a', pail: '7', stems: 20 }],
  withoutPail: [],
  rooms: [{ lot: 'a', room: null }],
  objective: { stemDays: 1, cost: 2, finishMin: 4.5 },
  bound: { stemDays: 1, cost: 2 },
  firstComeFirstServed: { stemDays: 3, finishMin: 6 },
  saved: { stemDays: 2, money: null },
  kettleOnMin: null,
};

test('a plan is read back as it was kept', () => {
  expect(readStoredPlan(JSON.parse(JSON.stringify(PLAN)))).toEqual(PLAN);
});

test('one that tells less, or more than a plan ever has, is made anew', () => {
  for (const field of Object.keys(PLAN))
    expect([field, readStoredPlan({ ...PLAN, [field]: undefined })]).toEqual([field, null]);
  expect(readStoredPlan({ ...PLAN, order: Array.from({ length: 601 }, () => 'a') })).toBeNull();
});
