import { BrokenContractError } from '../errors';
import { COMMANDS } from './commands';

const valid = {
  species: 'rose',
  seed: 1,
  draws: 3,
  leafShare: 1,
  arrival: { agedDays: 0.8, stage: 0.2, droop: 'firm' },
  stays: [{ hours: null, tempC: 21, humidityPct: 60, ethylenePpm: 0, litHours: 14, wet: true }],
  water: { start: 'clean', solution: 'plain', changeEveryDays: 2, recutAtChange: true, leafBelow: 0 },
};

function problemsWith(changes: Record<string, unknown>): string[] {
  try {
    COMMANDS['predict-lot']?.run({ ...valid, ...changes });
  } catch (error) {
    if (error instanceof BrokenContractError) return error.problems.map((p) => p.field);
    throw error;
  }
  return [];
}

test('the least form is enough', () => {
  expect(problemsWith({})).toEqual([]);
});

test.each([
  [{ species: 'rosa' }, ['species']],
  [{ draws: 0, seed: 1.5 }, ['seed', 'draws']],
  [{ arrival: { agedDays: -1, stage: 0.2, droop: 'limp' } }, ['arrival.agedDays', 'arrival.droop']],
  [{ stays: [{ ...valid.stays[0], tempC: NaN }] }, ['stays[0].tempC']],
  [{ stays: [{ ...valid.stays[0], hours: 5 }] }, ['stays[0].hours']],
  [{ stays: [valid.stays[0], valid.stays[0]] }, ['stays[0].hours']],
  [{ stays: [] }, ['stays']],
  [{ water: { ...valid.water, changeEveryDays: 0 } }, ['water.changeEveryDays']],
  [{ events: [{ atHour: 1, type: 'boil' }] }, ['events[0].type']],
  [{ colour: 'red' }, ['colour']],
])('%j is refused by the name of its field', (changes, fields) => {
  expect(problemsWith(changes)).toEqual(fields);
});

test('the species table is printed whole', () => {
  expect(COMMANDS.species?.run(undefined)).toHaveLength(66);
});
