import 'server-only';
import { setImmediate } from 'node:timers/promises';
import type { MakeActionName } from '@/core/actions/arrangements';
import { sharedSolution } from '@/core/arrangement/care-styles';
import { predictInSlices } from '@/core/arrangement/predict-arrangement';
import type { ArrangementInput } from '@/core/arrangement/types';
import { dayCostsInSteps, type HabitWorth } from '@/core/habits/what-a-day-costs';
import { speciesByKey } from '@/core/species/species';
import { makeArrangement } from '@/data/arrangements';
import { RefusedError } from '@/data/errors';
import { manyRooms } from '@/data/rooms';
import { preparing, type Handlers } from '@/server/handler';
import { overridesFor, shopOverrides } from '@/server/own-figures';
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

/** How an arrangement is made: forecast first, without a lock; then its stems leave their lots. */
export const makeHandlers: Handlers<MakeActionName> = {
  'make/make': preparing({
    prepare: async ({ vesselKind, litres, care, lines }, read) => {
      const { chosen, input } = await read(async ({ trx, me, at }) => {
        const stock = await stockNow(trx, me, at);
        const chosen = lines.map(({ portionId, stems }, i) => {
          const found = stock.find((s) => s.lot.id === portionId);
          if (!found)
            throw new RefusedError(
              'One of those lots is used up. Nothing was taken; the stock beside it is fresh now.',
              `lines[${i}].portionId`,
            );
          return { speciesKey: found.lot.speciesKey, arrival: found.arrival, stems };
        });
        const overrides = overridesFor(
          await shopOverrides(trx),
          chosen.map((c) => c.speciesKey),
        );
        const vessel = { kind: vesselKind, litres };
        return {
          chosen,
          input: arrangementInput(chosen, vessel, me.shop.promiseConfidence, care, overrides),
        };
      });
      const forecast = await predictInSlices(input, { pause });
      if (!forecast) throw new RefusedError('Its forecast was given up. Nothing was made; try again.');
      const result = { ...forecast, habits: await habitsOf(input) };
      const species = chosen.map((c) => speciesByKey(c.speciesKey));
      const solution = vesselKind === 'foam' ? 'plain' : sharedSolution(species);
      return { input, result, solution };
    },
    work: async ({ trx, action }, { name, vesselKind, litres, lines }, { input, result, solution }) => {
      if (new Set(lines.map((l) => l.portionId)).size !== lines.length)
        throw new RefusedError('A lot stands twice in the recipe. Nothing was made.', 'lines');
      const rooms = await manyRooms(trx);
      const room = rooms.find((r) => r.kind === 'floor') ?? rooms.find((r) => r.kind === 'bench') ?? rooms[0];
      if (!room) throw new RefusedError('The shop has no room to stand it in. Nothing was made.');
      const forecast = { modelVersion: result.modelVersion, input, result };
      const made = { name, vesselKind, litres, solution, lines, roomId: room.id, forecast };
      return { arrangementId: await makeArrangement(trx, action, made) };
    },
  }),
};
