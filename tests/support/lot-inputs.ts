import fc from 'fast-check';
import type { ArrangementInput, ArrangementLine } from '@/core/arrangement/types';
import { SPECIES } from '@/core/species/species';
import type { CareEvent, LotInput, Stay } from '@/core/vase-life/types';
import { SOLUTION_KEYS } from '@/core/water/solutions';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const share = number(0, 1);
const night = fc.record({
  fromHour: number(0, 24),
  toHour: number(0, 24),
  tempC: number(-10, 50),
  humidityPct: number(1, 100),
});
const airFields = {
  tempC: number(-10, 50),
  humidityPct: number(1, 100),
  ethylenePpm: number(0, 100),
  litHours: number(0, 24),
  wet: fc.boolean(),
};
const optional = { cutOnReturn: fc.boolean(), night, drinkTempC: number(0, 60) };
const stay = (hours: fc.Arbitrary<number | null>): fc.Arbitrary<Stay> =>
  fc.record(
    { hours, ...airFields, ...optional },
    { requiredKeys: ['hours', 'tempC', 'humidityPct', 'ethylenePpm', 'litHours', 'wet'] },
  );
const atHour = number(0, 400);
const event: fc.Arbitrary<CareEvent> = fc.oneof(
  fc.record({ atHour, type: fc.constant('cut' as const), cm: number(0, 60) }),
  fc.record({ atHour, type: fc.constant('hot-dip' as const) }),
  fc.record({ atHour, type: fc.constant('change' as const) }),
  fc.record({ atHour, type: fc.constant('change' as const), solution: fc.constantFrom(...SOLUTION_KEYS) }),
  fc.record({ atHour, type: fc.constant('strip' as const), leafShare: share }),
);

export const arrival = fc.record({
  agedDays: number(0, 60),
  stage: number(0, 1.5),
  droop: fc.constantFrom('firm', 'soft', 'hanging'),
});
const topUp = fc.record({
  everyHours: fc.option(fc.integer({ min: 1, max: 100 })),
  with: fc.constantFrom('same', 'plain'),
});
export const water = fc.record(
  {
    start: fc.constantFrom('clean', 'rinsed', 'reused'),
    solution: fc.constantFrom(...SOLUTION_KEYS),
    changeEveryDays: fc.option(number(0.05, 30)),
    recutAtChange: fc.boolean(),
    leafBelow: share,
    topUp,
    depthCm: number(1, 40),
  },
  { requiredKeys: ['start', 'solution', 'changeEveryDays', 'recutAtChange', 'leafBelow'] },
);
export const stays: fc.Arbitrary<Stay[]> = fc
  .tuple(fc.array(stay(number(0, 200)), { maxLength: 3 }), stay(fc.constant(null)))
  .map(([some, last]) => [...some, last]);

/** Any input the core's door lets in, with few draws so that many can be tried. */
export const lotInput: fc.Arbitrary<LotInput> = fc.record({
  species: fc.constantFrom(...SPECIES.map((s) => s.key)),
  seed: fc.nat(),
  draws: fc.integer({ min: 1, max: 5 }),
  startHourOfDay: number(0, 23.9),
  leafShare: share,
  arrival,
  stays,
  countFromHour: number(0, 300),
  water,
  events: fc.array(event, { maxLength: 4 }),
});

const line: fc.Arbitrary<ArrangementLine> = fc.record(
  {
    species: fc.constantFrom('tulip', 'daffodil', 'euphorbia', ...SPECIES.map((s) => s.key)),
    stems: fc.integer({ min: 1, max: 4 }),
    arrival,
    leafShare: share,
    events: fc.array(event, { maxLength: 2 }),
    aloneHours: number(0, 24),
    sapSealed: fc.boolean(),
  },
  { requiredKeys: ['species', 'stems', 'arrival', 'leafShare', 'events'] },
);

/** Any arrangement the core's door lets in that is kept by a plan of water, small enough to try many. */
export const arrangementInput: fc.Arbitrary<ArrangementInput> = fc.record({
  seed: fc.nat(),
  draws: fc.integer({ min: 1, max: 3 }),
  startHourOfDay: number(0, 23.9),
  lines: fc.array(line, { minLength: 1, maxLength: 4 }),
  vessel: fc.record({ kind: fc.constantFrom('vase', 'foam'), litres: number(0.05, 3) }),
  stays,
  countFromHour: number(0, 200),
  confidence: number(0.5, 0.999),
  pullsEnded: fc.boolean(),
  water,
});
