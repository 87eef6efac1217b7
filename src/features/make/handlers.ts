import 'server-only';
import type { MakeActionName } from '@/core/actions/arrangements';
import { sharedSolution } from '@/core/arrangement/care-styles';
import { makeArrangement } from '@/data/arrangements';
import { RefusedError } from '@/data/errors';
import { manyRooms } from '@/data/rooms';
import { preparing, type Handlers } from '@/server/handler';
import { overridesFor } from '@/server/own-figures';
import { inWorker } from '@/server/pool/pool';
import { readStock, stockNow } from '@/server/stock';
import { arrangementInput, habitInput } from '@/core/arrangement/at-home';

/** How an arrangement is made: forecast first, without a lock; then its stems leave their lots. */
export const makeHandlers: Handlers<MakeActionName> = {
  'make/make': preparing({
    prepare: async ({ vesselKind, litres, care, lines }, read, signal) => {
      const { stock, confidence } = await read(async ({ trx, me, at }) => ({
        stock: await readStock(
          trx,
          me,
          at,
          lines.map((l) => l.portionId),
        ),
        confidence: me.shop.promiseConfidence,
      }));
      const here = await stockNow(stock);
      const chosen = lines.map(({ portionId, stems }, i) => {
        const found = here.find((s) => s.lot.id === portionId);
        if (!found)
          throw new RefusedError(
            'One of those lots is used up. Nothing was taken; the stock beside it is fresh now.',
            `lines[${i}].portionId`,
          );
        const { speciesKey, sapOpen } = found.lot;
        return { speciesKey, arrival: found.arrival, stems, sapRuns: sapOpen };
      });
      const overrides = overridesFor(
        stock.overrides,
        chosen.map((c) => c.speciesKey),
      );
      const vessel = { kind: vesselKind, litres };
      const input = arrangementInput(chosen, vessel, confidence, care, overrides);
      const [forecast, costs] = await Promise.all([
        inWorker('arrangement', input, signal),
        inWorker('habits', habitInput(input), signal),
      ]);
      const result = { ...forecast, habits: costs.habits, more: costs.more };
      const solution = sharedSolution(
        chosen.map(({ speciesKey, stems }) => ({ species: stock.species.byKey(speciesKey), stems })),
      );
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
