import * as v from 'valibot';
import { HABIT_KEYS } from '../habits/habits';
import { END_CAUSES } from '../vase-life/types';
import type { ArrangementForecast } from './types';

const quantiles = v.object({ p10: v.number(), p50: v.number(), p90: v.number() });
const byDay = v.array(v.number());

const line = v.object({
  species: v.string(),
  daysLeft: quantiles,
  daysLeftError: quantiles,
  presentableShareByDay: byDay,
  endCauses: v.object(v.entriesFromList(END_CAUSES, v.number())),
  stageByDay: v.array(v.nullable(v.number())),
  gainIfReplacedDays: v.number(),
});
const vesselOfDay = v.object({
  bacteriaLog10: v.number(),
  biocide: v.number(),
  levelLitres: v.number(),
  drunkMl: v.number(),
});

const forecast = v.object({
  modelVersion: v.string(),
  horizonDays: v.number(),
  draws: v.number(),
  firstFade: quantiles,
  stillAGift: quantiles,
  lastStand: quantiles,
  errors: v.object({ firstFade: quantiles, stillAGift: quantiles, lastStand: quantiles }),
  promiseDays: v.number(),
  giftDaysAtConfidence: v.number(),
  presentableShareByDay: byDay,
  presentableBandByDay: v.array(v.object({ p10: v.number(), p90: v.number() })),
  firstDay: v.object({ drinksLitres: v.number(), givesLitres: v.number(), isTooSmall: v.boolean() }),
  waterByDay: v.array(v.nullable(vesselOfDay)),
  lines: v.array(line),
  limitingLine: v.number(),
}) satisfies v.GenericSchema<unknown, ArrangementForecast>;

const habit = v.picklist(HABIT_KEYS);
/** What habits buy this very arrangement, where that was reckoned: what its card needs of it. */
const worth = v.object({
  habits: v.optional(v.array(v.object({ habit, medianGainDays: v.number() }))),
  more: v.optional(v.nullable(v.object({ habits: v.tuple([habit, habit]), bothDays: v.number() })), null),
});
export type StoredWorth = v.InferOutput<typeof worth>;

function readOrNull<T>(schema: v.GenericSchema<unknown, T>, stored: unknown): T | null {
  const read = v.safeParse(schema, stored);
  return read.success ? read.output : null;
}

/** A forecast as an arrangement keeps it; null where it was made before it told all that is told now. */
export const readStoredForecast = (stored: unknown): ArrangementForecast | null =>
  readOrNull(forecast, stored);

/** What habits were found to be worth to it; nothing where that was not reckoned, or was told otherwise. */
export const readStoredWorth = (stored: unknown): StoredWorth => readOrNull(worth, stored) ?? { more: null };
