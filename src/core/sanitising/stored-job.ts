import * as v from 'valibot';
import { DIRT } from './figures';
import { RELAY_MODES } from './relay';
import type { RelayJob } from './relay-job';

const n = v.number();
const optional = v.exactOptional(n);

const pass = v.object({
  pailIds: v.array(v.string()),
  doseMl: n,
  ppmAtStart: n,
  ppmAtEnd: optional,
  readPpm: optional,
  logReduction: n,
  minutes: n,
});
const ways = v.object({
  ...{ people: n, taps: n, contactMin: n, handlingMin: n, targetPpm: n, floorPpm: n, percent: n },
  dirt: v.picklist(DIRT),
  litresOf: v.record(v.string(), n),
  tubs: v.exactOptional(v.object({ count: n, litres: n, holds: n })),
});
const cost = v.exactOptional(v.nullable(n));
const compared = v.object({ minutes: n, litres: n, stockMl: n, cost });
const job = v.object({
  mode: v.picklist(RELAY_MODES),
  product: v.string(),
  passes: v.array(pass),
  minutes: n,
  scrubMinutes: n,
  litres: n,
  stockMl: n,
  cost,
  allAtOnce: compared,
  freshEachPass: v.exactOptional(compared),
  isSanitised: v.boolean(),
  ways: v.exactOptional(ways),
}) satisfies v.GenericSchema<unknown, RelayJob>;

/** A relay as it is kept while it is run. @throws ValiError where what is kept is none */
export const readStoredJob = (stored: unknown): RelayJob => v.parse(job, stored);
