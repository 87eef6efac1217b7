import 'server-only';
import type { shopActions } from '@/core/actions/shop';
import { nextPailNames } from '@/core/opening/pail-names';
import { whyNotWithChlorine } from '@/core/sanitising/dangerous-pairs';
import { say } from '@/core/words/say';
import { m } from '@/core/words/message';
import type { Trx } from '@/data/connection';
import { RefusedError } from '@/data/errors';
import { anyPailForUpdate, changePail, insertPails, manyPailNames, onePailForUpdate } from '@/data/pails';
import { manyPortionsInFill } from '@/data/portions';
import { moveStay } from '@/data/stays';
import { writeEntry } from '@/data/record';
import { insertRoom, manyRooms, setRoom, type RoomRow } from '@/data/rooms';
import { setFood } from '@/data/food';
import { setSanitiser } from '@/data/sanitising';
import { setShopDetails, shopDetails } from '@/data/shops';
import type { ActionContext, Handlers } from '@/server/handler';
import { foodsOf } from '@/server/foods';
import { sanitiserOf } from '@/server/sanitiser';
import { equipmentHandlers } from './equipment-handlers';
import { peopleHandlers } from './people-handlers';

async function refuseTakenRoom(trx: Trx, name: string, roomId: string | null): Promise<RoomRow[]> {
  const rooms = await manyRooms(trx);
  if (rooms.some((r) => r.id !== roomId && r.name.toLowerCase() === name.toLowerCase()))
    throw new RefusedError('A room goes by that name already. Nothing was changed.', 'name');
  return rooms;
}

async function enterRoom(
  { trx, action }: ActionContext,
  roomId: string,
  says: ReturnType<typeof m>,
  was: Record<string, string | number> | null,
): Promise<void> {
  await writeEntry(trx, action, {
    kind: 'room',
    subjectKind: 'room',
    subjectId: roomId,
    says,
    detail: { roomId, was },
  });
}

const airOf = ({ name, tempC, humidityPct, litHours }: Omit<RoomRow, 'id' | 'kind'>) => ({
  name,
  tempC,
  humidityPct,
  litHours,
});

/** How the shop itself is kept: what it is, its rooms, its pails, its people. */
export const shopHandlers: Handlers<keyof typeof shopActions> = {
  ...peopleHandlers,
  ...equipmentHandlers,
  'shop/details': {
    work: async ({ trx, action }, { currency, emergency, ...told }) => {
      const was = await shopDetails(trx);
      const details = {
        ...told,
        currency: currency ?? was.currency,
        emergency: emergency ?? was.emergency,
      };
      await setShopDetails(trx, action.shopId, details);
      await writeEntry(trx, action, {
        kind: 'shop',
        subjectKind: 'house',
        subjectId: action.shopId,
        says: m('record.shop', { name: details.name, percent: Math.round(details.promiseConfidence * 100) }),
        detail: { was: { ...was } },
      });
      return null;
    },
  },
  'shop/add-room': {
    work: async (context, room) => {
      const { trx, action } = context;
      await refuseTakenRoom(trx, room.name, null);
      const roomId = await insertRoom(trx, action.shopId, room);
      await enterRoom(context, roomId, m('record.room.added', airOf(room)), null);
      return { roomId };
    },
  },
  'shop/set-room': {
    work: async (context, { roomId, ...figures }) => {
      const { trx, action } = context;
      const was = (await refuseTakenRoom(trx, figures.name, roomId)).find((r) => r.id === roomId);
      if (!was) throw new RefusedError('That room is not in this shop. Nothing was changed.', 'roomId');
      await setRoom(trx, action.shopId, roomId, figures, action.at);
      await enterRoom(context, roomId, m('record.room.set', airOf(figures)), airOf(was));
      return null;
    },
  },
  'shop/add-pails': {
    work: async ({ trx, action }, { count, litres, heightCm, form, colour }) => {
      const bench = (await manyRooms(trx)).find((r) => r.kind === 'bench');
      if (!bench) throw new RefusedError('There is no bench for them to stand at. Nothing was added.');
      const names = nextPailNames(await manyPailNames(trx), count);
      const sort = { sizeL: litres, heightCm, form, colour, isClean: false };
      const pailIds = await insertPails(
        trx,
        action.shopId,
        names.map((name) => ({ name, ...sort })),
        bench.id,
        action.at,
      );
      await writeEntry(trx, action, {
        kind: 'pail',
        subjectKind: 'pail',
        subjectId: pailIds[0] ?? action.shopId,
        says: m('record.pails.added', { n: count, from: names[0] ?? '', to: names.at(-1) ?? '', litres }),
        detail: { pailIds },
      });
      return { names };
    },
  },
  'shop/sanitiser': {
    work: async ({ trx, action, me }, sanitiser) => {
      const why = whyNotWithChlorine({ product: sanitiser.name });
      if (why) throw new RefusedError(`${say(why, me.language)}. Nothing was set.`, 'name');
      const { madeOn, cup, pricePerL, waterPerM3, ...was } = await sanitiserOf(trx);
      await setSanitiser(trx, action.shopId, sanitiser);
      const { name, percent, targetPpm: ppm, contactMin: minutes } = sanitiser;
      await writeEntry(trx, action, {
        kind: 'shop',
        subjectKind: 'house',
        subjectId: action.shopId,
        says: m('record.sanitiser', { name, percent, ppm, minutes }),
        detail: {
          was: {
            ...was,
            madeOn: madeOn ?? '',
            cup: cup === null ? '' : `${cup.name}, ${cup.ml} mL`,
            pricePerL: pricePerL ?? '',
            waterPerM3: waterPerM3 ?? '',
          },
        },
      });
      return null;
    },
  },
  'shop/food': {
    work: async ({ trx, action }, { solution, food }) => {
      const was = (await foodsOf(trx))[solution];
      await setFood(trx, action.shopId, solution, food);
      await writeEntry(trx, action, {
        kind: 'shop',
        subjectKind: 'house',
        subjectId: action.shopId,
        says: food
          ? m('record.food', {
              solution: m(`solution.${solution}`),
              name: food.name,
              n: food.aLitre,
              unit: food.unit,
            })
          : m('record.food.gone', { solution: m(`solution.${solution}`) }),
        detail: { was: { food: was ? `${was.name}, ${was.aLitre} ${was.unit} a litre` : '' } },
      });
      return null;
    },
  },
  'shop/rename-pail': {
    work: async ({ trx, action }, { pailId, name }) => {
      const pail = await onePailForUpdate(trx, pailId);
      if ((await manyPailNames(trx)).some((n) => n.toLowerCase() === name.toLowerCase()))
        throw new RefusedError('A pail goes by that name, or did. Nothing was changed.', 'name');
      await changePail(trx, pail.id, { name });
      await writeEntry(trx, action, {
        kind: 'pail',
        subjectKind: 'pail',
        subjectId: pail.id,
        says: m('record.pail.renamed', { pail: pail.name, name }),
        detail: { pailIds: [pail.id] },
      });
      return null;
    },
  },
  'shop/set-pail': {
    work: async ({ trx, action }, { pailId, form, colour, roomId }) => {
      const pail = await onePailForUpdate(trx, pailId);
      const room = (await manyRooms(trx)).find((r) => r.id === roomId);
      if (!room) throw new RefusedError('That room is not in this shop. Nothing was changed.', 'roomId');
      await changePail(trx, pail.id, { form, colour });
      // What stands in it is carried along.
      const standing = pail.fillId ? await manyPortionsInFill(trx, pail.fillId) : [];
      await moveStay(trx, action.shopId, 'pail_id', pail.id, { roomId }, action.at);
      for (const { id } of standing)
        await moveStay(trx, action.shopId, 'portion_id', id, { roomId }, action.at);
      await writeEntry(trx, action, {
        kind: 'pail',
        subjectKind: 'pail',
        subjectId: pail.id,
        says: m('record.pail.set', {
          ...{ pail: pail.name, room: room.name, form: m(`pail.form.${form}`) },
          colour: colour ? m(`pail.colour.${colour}`) : m('pail.no-colour'),
        }),
        detail: { pailIds: [pail.id] },
      });
      return null;
    },
  },
  'shop/retire-pail': {
    work: async ({ trx, action }, { pailId, isHere }) => {
      const pail = await anyPailForUpdate(trx, pailId);
      if ((pail.retiredAt === null) === isHere)
        throw new RefusedError(
          `Pail ${pail.name} is ${isHere ? 'in use' : 'retired'} already. Nothing was changed.`,
        );
      if (!isHere && (pail.fillId || pail.state === 'contact'))
        throw new RefusedError(`Pail ${pail.name} holds water still. Nothing was changed; tip it out first.`);
      await changePail(trx, pail.id, {
        retired_at: isHere ? null : action.at,
        // Wherever it was meanwhile, it is washed before it is used.
        ...(isHere ? { state: 'dirty' } : {}),
      });
      await writeEntry(trx, action, {
        kind: 'pail',
        subjectKind: 'pail',
        subjectId: pail.id,
        says: m(isHere ? 'record.pail.back' : 'record.pail.retired', { pail: pail.name }),
        detail: { pailIds: [pail.id] },
      });
      return null;
    },
  },
};
