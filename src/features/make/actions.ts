import 'server-only';
import { setImmediate } from 'node:timers/promises';
import * as v from 'valibot';
import { sharedSolution } from '@/core/arrangement/care-styles';
import { predictInSlices } from '@/core/arrangement/predict-arrangement';
import { dayCostsInSteps, type HabitWorth } from '@/core/habits/what-a-day-costs';
import type { ArrangementInput } from '@/core/arrangement/types';
import { speciesByKey } from '@/core/species/species';
import { makeArrangement } from '@/data/arrangements';
import { RefusedError } from '@/data/errors';
import { actionKind } from '@/server/actions';
import { shopOverrides } from '@/server/own-figures';
import { stockNow } from '@/server/stock';
import { arrangementInput, habitInput } from './forecast-input';

/** Lets other requests be answered between slices of a long reckoning. */
const pause = (): Promise<void> => setImmediate();

/** What each habit is worth to the arrangement, as its card will rank them. */
async function habitsOf(input: ArrangementInput): Promise<readonly HabitWorth[]> {
  const steps = dayCostsInSteps(habitInput(input));
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value.habits;
    await pause();
  }
}

const make = actionKind(
  v.object({
    name: v.pipe(
      v.string(),
      v.trim(),
      v.minLength(1, 'is missing'),
      v.maxLength(80, 'is longer than 80 characters'),
    ),
    vesselKind: v.picklist(['vase', 'foam']),
    litres: v.pipe(
      v.number('must be a number'),
      v.minValue(0.1, 'must be 0.1 L or more'),
      v.maxValue(50, 'must be 50 L or less'),
    ),
    care: v.picklist(['mixed', 'careful', 'usual', 'careless']),
    lines: v.pipe(
      v.array(
        v.object({
          lotId: v.pipe(v.string(), v.uuid()),
          stems: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(300)),
        }),
      ),
      v.minLength(1, 'needs at least one stem'),
      v.maxLength(40),
    ),
  }),
  async ({ trx, action, me }, { name, vesselKind, litres, care, lines }) => {
    if (new Set(lines.map((l) => l.lotId)).size !== lines.length)
      throw new RefusedError('A lot stands twice in the recipe. Nothing was made.');
    const stock = await stockNow(trx, me, action.at);
    const chosen = lines.map(({ lotId, stems }) => {
      const found = stock.find((s) => s.lot.id === lotId);
      if (!found)
        throw new RefusedError(
          'One of those lots is used up. Nothing was taken; the stock beside it is fresh now.',
        );
      return { speciesKey: found.lot.speciesKey, arrival: found.arrival, stems };
    });
    const input = arrangementInput(
      chosen,
      { kind: vesselKind, litres },
      me.shop.promiseConfidence,
      care,
      await shopOverrides(trx),
    );
    const forecast = await predictInSlices(input, { pause });
    if (!forecast) throw new RefusedError('Its forecast was given up. Nothing was made; try again.');
    const result = { ...forecast, habits: await habitsOf(input) };
    const solution =
      vesselKind === 'foam' ? 'plain' : sharedSolution(chosen.map((c) => speciesByKey(c.speciesKey)));
    return {
      arrangementId: await makeArrangement(trx, action, {
        name,
        vesselKind,
        litres,
        solution,
        lines,
        forecast: { modelVersion: result.modelVersion, input, result },
      }),
    };
  },
);

export const makeActions = { make };
