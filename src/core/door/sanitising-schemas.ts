import { VESSEL_STARTS } from '../water/vessel-water';
import * as v from 'valibot';
import { strengthNow } from '../sanitising/dilution';
import { DIRT, PPM_PER_PERCENT } from '../sanitising/figures';
import { RELAY_MODES } from '../sanitising/relay';
import { LOOKS } from '../water/count-filter';
import { SOLUTION_KEYS } from '../water/solutions';
import { between, flag, oneOf, strict, whole } from './shapes';

/** Hours of water that are told at most: sixty days. */
const MOST_WATER_H = 1440;

const STRONGEST_PERCENT = 20;
const percent = between(0.01, STRONGEST_PERCENT);
const ppm = between(1, 10_000);

/** One pail's dose from a bottle of some age. */
export const dilutionSchema = v.pipe(
  strict({
    pailL: between(0.1, 1000),
    targetPpm: ppm,
    percent,
    bottleMonths: v.optional(between(0, 120), 0),
    storageC: v.optional(between(-10, 50), 20),
  }),
  v.forward(
    v.check(
      ({ targetPpm, bottleMonths: months, ...bottle }) =>
        targetPpm <= strengthNow({ ...bottle, months }) * PPM_PER_PERCENT,
      'is stronger than the bottle is now',
    ),
    ['targetPpm'],
  ),
);

/** What a relay is planned from. */
export const relaySchema = v.pipe(
  strict({
    pails: v.pipe(
      v.array(
        strict({
          litres: between(0.1, 200),
          dirt: oneOf(DIRT),
          isScrubbed: v.optional(flag, true),
        }),
        'must be a list of pails',
      ),
      v.minLength(1, 'needs at least one pail'),
      v.maxLength(500, 'takes at most 500 pails'),
    ),
    people: whole(1, 20),
    taps: whole(1, 20),
    contactMin: between(1, 1440),
    handlingMin: between(0, 120),
    targetPpm: ppm,
    floorPpm: between(0, 10_000),
    percent,
    mode: v.optional(oneOf(RELAY_MODES), 'relay'),
    /** What pails are laid in, for the mode `tubs`. */
    tubs: v.exactOptional(strict({ count: whole(1, 20), litres: between(1, 1000), holds: whole(1, 100) })),
    prices: v.exactOptional(strict({ productPerL: between(0, 1000), waterPerL: between(0, 100) })),
    demandMg: v.exactOptional(
      strict({ rinsed: between(0, 5000), scummed: between(0, 5000), slimy: between(0, 5000) }),
    ),
  }),
  v.forward(
    v.check(({ floorPpm, targetPpm }) => floorPpm <= targetPpm, 'must not be over the target'),
    ['floorPpm'],
  ),
  v.forward(
    v.check(({ mode, tubs }) => (mode === 'tubs') === (tubs !== undefined), 'go with the mode of that name'),
    ['tubs'],
  ),
  v.forward(
    v.check(
      ({ targetPpm, percent }) => targetPpm <= percent * PPM_PER_PERCENT,
      'is stronger than the product itself',
    ),
    ['targetPpm'],
  ),
);

/** Water whose count is told by the hour. */
export const waterForecastSchema = v.pipe(
  strict({
    tempC: between(-3, 60),
    solution: oneOf(SOLUTION_KEYS),
    start: oneOf(VESSEL_STARTS),
    leafBelow: v.optional(between(0, 1), 0),
    hours: whole(1, MOST_WATER_H),
    looks: v.optional(
      v.pipe(
        v.array(strict({ atHour: between(0, MOST_WATER_H), kind: oneOf(LOOKS) }), 'must be a list of looks'),
        v.maxLength(200, 'takes at most 200 looks'),
      ),
      [],
    ),
    topUpLitresPerDay: v.optional(between(0, 200), 0),
    litres: v.optional(between(0.1, 1000), 5),
  }),
  v.forward(
    v.check(
      ({ looks, hours }) => looks.every((l) => l.atHour <= hours),
      'lie within the hours that are asked for',
    ),
    ['looks'],
  ),
);
