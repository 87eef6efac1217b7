import fc from 'fast-check';
import { arrangementOf } from '../../../tests/support/bench-inputs';
import { arrangementInput, lotInput } from '../../../tests/support/lot-inputs';
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

const NONSENSE = fc.constantFrom<unknown>('many', -1e9, 1e12, NaN, null, [], {}, true, 'x'.repeat(5000));

/** Every path to a value of an input, and to the objects that hold one. */
function pathsOf(value: unknown, path: readonly string[] = []): string[][] {
  const own = path.length > 0 ? [[...path]] : [];
  if (typeof value !== 'object' || value === null) return own;
  return [...own, ...Object.entries(value).flatMap(([key, inner]) => pathsOf(inner, [...path, key]))];
}

/** A copy with the value at that path replaced, or taken away when it is `undefined`. */
function spoilt(input: unknown, path: readonly string[], nonsense: unknown): unknown {
  const copy: unknown = JSON.parse(JSON.stringify(input));
  const holder = path
    .slice(0, -1)
    .reduce<unknown>((at, key) => Reflect.get(at as object, key), copy) as object;
  const last = path[path.length - 1] ?? '';
  if (nonsense === undefined) Reflect.deleteProperty(holder, last);
  else Reflect.set(holder, last, nonsense);
  return copy;
}

test('spoil any field of any input: it is answered, or refused by that field’s name, and never otherwise', () => {
  fc.assert(
    fc.property(
      fc.oneof(lotInput, arrangementInput),
      fc.nat(),
      fc.option(NONSENSE, { nil: undefined }),
      (input, at, nonsense) => {
        const paths = pathsOf(JSON.parse(JSON.stringify(input)));
        const path = paths[at % paths.length] ?? [];
        const command = 'lines' in input ? 'predict-arrangement' : 'predict-lot';
        try {
          COMMANDS[command]?.run(spoilt({ ...input, draws: 1 }, path, nonsense));
        } catch (error) {
          if (!(error instanceof BrokenContractError)) throw error;
          const [root = ''] = path;
          expect(error.problems.some((p) => p.field.startsWith(root) || p.field === 'input')).toBe(true);
        }
      },
    ),
    { numRuns: 250 },
  );
});

test('an arrangement is kept by a plan or by a customer, and is not too large to be worked out', () => {
  const problems = (change: object): string => {
    try {
      // As it comes in: what is undefined is not there.
      COMMANDS['predict-arrangement']?.run(
        JSON.parse(JSON.stringify({ ...arrangementOf(5), ...change })) as unknown,
      );
    } catch (error) {
      return String(error);
    }
    return 'answered';
  };
  expect(problems({})).toBe('answered');
  expect(problems({ care: 'usual' })).toContain('water: give either water or care');
  expect(problems({ water: undefined })).toContain('water: give either water or care');
  const [line] = arrangementOf(1).lines;
  const lines = (count: number, stems: number) => Array.from({ length: count }, () => ({ ...line, stems }));
  expect(problems({ draws: 5000, lines: lines(20, 12) })).toContain('draws: draws times stems');
  expect(problems({ lines: lines(1, 5000) })).toBe('answered');
  expect(problems({ lines: lines(1, 5001) })).toContain('lines[0].stems');
  expect(problems({ lines: lines(2, 2501) })).toContain('lines: an arrangement takes at most 5000 stems');
});

test('what a day costs takes either input, a logger its file, the constants nothing', () => {
  expect(COMMANDS['what-a-day-costs']?.run(valid)).toHaveProperty('habits');
  expect(COMMANDS['what-a-day-costs']?.run(arrangementOf(2))).toHaveProperty('interaction');
  expect(() => COMMANDS['what-a-day-costs']?.run({ ...valid, species: 'rosa' })).toThrow('species');
  expect(COMMANDS['read-logger']?.run('time,temp\n2026-11-18T14:00:00Z,4')).toMatchObject({ unit: 'C' });
  expect(COMMANDS.constants?.run(undefined)).toHaveProperty('constants.thirstGain.unit', '×');
});
