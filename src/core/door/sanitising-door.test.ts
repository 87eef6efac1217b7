import { BrokenContractError } from '../errors';
import { COMMANDS } from './commands';

/** What a command answers, or the fields it refuses. */
function answer(command: string, input: unknown): unknown {
  try {
    return COMMANDS[command]?.run(input);
  } catch (error) {
    if (error instanceof BrokenContractError) return error.problems.map((p) => p.field);
    throw error;
  }
}

const DOSE = { pailL: 10, targetPpm: 200, percent: 5, bottleMonths: 6, storageC: 20 };
const RELAY = {
  pails: [
    { litres: 10, dirt: 'rinsed' },
    { litres: 7, dirt: 'slimy' },
  ],
  ...{ people: 1, taps: 1, contactMin: 10, handlingMin: 3 },
  ...{ targetPpm: 200, floorPpm: 100, percent: 4.5, mode: 'relay' },
};
const WATER = {
  ...{ tempC: 20, solution: 'plain', start: 'clean', leafBelow: 0, hours: 48 },
  ...{ looks: [{ atHour: 24, kind: 'hazy' }], topUpLitresPerDay: 0, litres: 5 },
};

test('each command answers its least form in the fields that are promised', () => {
  expect(answer('dilution', DOSE)).toEqual({
    stockMl: expect.closeTo(49.94, 2) as number,
    strengthPercentNow: expect.closeTo(4.0046, 3) as number,
  });
  expect(answer('relay-plan', RELAY)).toMatchObject({
    startAtOnce: 1,
    passes: [{ pails: 1, ppmAtStart: 200, boostMl: 0 }, { pails: 1 }],
    litres: 10,
    alternatives: [{ startAtOnce: 1 }, { startAtOnce: 2 }],
  });
  const water = answer('water-forecast', WATER) as { log10ByHour: unknown[]; passesLimitAtHour: unknown };
  expect(water.log10ByHour).toHaveLength(49);
});

test.each([
  ['dilution', { ...DOSE, pailL: 0 }, ['pailL']],
  ['dilution', { ...DOSE, percent: 0.01 }, ['targetPpm']],
  // A bottle that stood ten warm years is as good as water.
  ['dilution', { ...DOSE, bottleMonths: 120, storageC: 30 }, ['targetPpm']],
  ['dilution', { ...DOSE, months: 3 }, ['months']],
  ['relay-plan', { ...RELAY, pails: [] }, ['pails']],
  ['relay-plan', { ...RELAY, pails: [{ litres: 10, dirt: 'filthy' }] }, ['pails[0].dirt']],
  ['relay-plan', { ...RELAY, people: 0 }, ['people']],
  ['relay-plan', { ...RELAY, floorPpm: 300 }, ['floorPpm']],
  ['relay-plan', { ...RELAY, mode: 'later' }, ['mode']],
  ['water-forecast', { ...WATER, looks: [{ atHour: 60, kind: 'hazy' }] }, ['looks']],
  ['water-forecast', { ...WATER, looks: [{ atHour: 4, kind: 'green' }] }, ['looks[0].kind']],
  ['water-forecast', { ...WATER, hours: 30.5 }, ['hours']],
])('%s refuses %j by field', (command, input, fields) => {
  expect(answer(command, input)).toEqual(fields);
});
