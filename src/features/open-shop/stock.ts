import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import { dayBeginsMs, momentIn } from '@/core/calendar/zones';
import { hoursSinceCut, type FirstGuess, type GuessInput } from '@/core/dock/first-guess';
import { conditioned } from '@/core/opening/conditioned';
import type { Opening, RoomKind } from '@/core/opening/opening';
import { cameOn, type StockLine } from '@/core/opening/stock-in-hand';
import { SHIPPED_SPECIES } from '@/core/species/registry';
import type { PailWish } from '@/core/steps/types';
import { litresFor } from '@/core/water/pail-shape';
import type { Trx } from '@/data/connection';
import { bookDelivery } from '@/data/deliveries';
import { newId } from '@/data/ids';
import { onePailForUpdate } from '@/data/pails';
import { manyPortionsOfLot } from '@/data/portions';
import type { Furnished } from '@/data/shops';
import { moveStay } from '@/data/stays';
import { fillAndEnter } from '@/server/fill-pail';
import { inWorkers } from '@/server/pool/pool';

/** Where the record says such stems came from: no van brought them while the shop was here. */
const SUPPLIER = 'Stock in hand';
/** When vans come, hours into the day. */
const VAN_H = 7;

/** What came one day, as it is taken to be now that it stands in the shop's water. */
interface DayOfStock {
  readonly arrivedAt: Date;
  readonly day: string;
  readonly lots: readonly { readonly line: StockLine; readonly guess: FirstGuess }[];
}
export interface StockToBook {
  readonly days: readonly DayOfStock[];
  readonly room: RoomKind;
  readonly currency: string;
}

/** What a shop begins with, worked out before anything is written; what is wrong with it, in words. */
export async function stockToBook(opening: Opening, at: Date): Promise<StockToBook | string> {
  const { inHand, inHandRoom, rooms, timeZone, currency } = opening;
  const today = momentIn(at.getTime(), timeZone).date;
  const asked: { line: StockLine; day: string; arrivedAt: Date; input: GuessInput }[] = [];
  for (const line of inHand) {
    const species = SHIPPED_SPECIES.find(line.speciesKey);
    if (!species) return `“${line.speciesKey}” is no flower of the table.`;
    if (line.cutDate > today) return `A line was cut on ${line.cutDate}, which has not come yet.`;
    const day = cameOn(line, today);
    const arrivedAt = new Date(Math.min(at.getTime(), dayBeginsMs(day, timeZone) + VAN_H * HOUR_MS));
    const hours = Math.max(0, hoursSinceCut(line.cutDate, arrivedAt));
    asked.push({
      ...{ line, day, arrivedAt },
      input: { species, origin: null, packing: '', hoursSinceCut: hours },
    });
  }
  const guesses = await inWorkers(
    'first-guesses',
    asked.map((a) => a.input),
  );
  const lots = asked.flatMap((one, i) => {
    const guess = guesses[i];
    return guess ? [{ ...one, guess: conditioned(guess) }] : [];
  });
  const days = [...new Set(lots.map((l) => l.day))].sort().map((day) => {
    const mine = lots.filter((l) => l.day === day);
    return { day, arrivedAt: mine[0]?.arrivedAt ?? at, lots: mine };
  });
  return { days, room: rooms.includes(inHandRoom) ? inHandRoom : 'bench', currency };
}

interface Opener {
  readonly shopId: string;
  readonly personId: string;
  readonly at: Date;
}

/**
 * Stands a lot in a pail of the shop that nobody has washed: what it stands in there is plain water of an age
 * that nobody knows, and it is entered as that.
 */
async function intoPail(
  trx: Trx,
  { shopId, personId, at }: Opener,
  { lotId, pailId, wish }: { lotId: string; pailId: string; wish: PailWish },
): Promise<void> {
  const [portion] = await manyPortionsOfLot(trx, lotId);
  if (!portion) return;
  const pail = await onePailForUpdate(trx, pailId);
  const litres = Math.min(
    pail.sizeL,
    litresFor({ litres: pail.sizeL, heightCm: pail.heightCm, form: pail.form }, wish.depth),
  );
  const reason = 'It stood in it as the shop opened';
  const filling = { ...wish, solution: 'plain' as const, litres, overrideReason: reason };
  const action = { shopId, personId, at, actionKey: newId() };
  const fillId = await fillAndEnter(trx, action, pail, filling);
  await moveStay(trx, shopId, 'pail_id', pail.id, { roomId: portion.roomId }, at);
  await moveStay(trx, shopId, 'portion_id', portion.id, { wet: true, fillId }, at);
}

/**
 * Books what stands in a shop as it opens: a delivery a day that it came, each lot in a pail of its own while
 * there are any that nobody has washed. Where there are no more, the bench asks which pail it stands in.
 */
export async function bookStock(
  trx: Trx,
  who: Opener,
  { rooms, pails }: Pick<Furnished, 'rooms'> & { readonly pails: readonly string[] },
  { days, room, currency }: StockToBook,
): Promise<void> {
  const free = [...pails];
  for (const { day, arrivedAt, lots } of days) {
    const standing = lots.map(({ line, guess }) => {
      const wish = guess.plan[0]?.pail;
      const pailId = wish ? free.shift() : undefined;
      return { line, guess: pailId ? { ...guess, plan: [] } : guess, wish, pailId };
    });
    const { lotIds } = await bookDelivery(
      trx,
      { ...who, actionKey: newId() },
      {
        supplier: SUPPLIER,
        deliveryRef: day,
        roomId: rooms.get(room) ?? rooms.get('bench') ?? '',
        arrivedAt,
        lots: standing.map(({ line, guess }, i) => ({
          ...{ ...line, ...guess },
          ...{ line: i + 1, headsMin: null, origin: null, packing: '', isWetPacked: true, lookedAt: who.at },
          currency: line.unitPrice === null ? null : currency,
        })),
      },
    );
    for (const [i, { pailId, wish }] of standing.entries())
      if (pailId && wish) await intoPail(trx, who, { lotId: lotIds[i] ?? '', pailId, wish });
  }
}
