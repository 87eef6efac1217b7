import 'server-only';
import type { bookingActions } from '@/core/actions/dock-booking';
import type { BookLine } from '@/core/actions/fields';
import { firstGuess, hoursSinceCut } from '@/core/dock/first-guess';
import { plainWords } from '@/core/dock/match-species';
import type { Overrides } from '@/core/model/figures';
import { findSpecies, OWN_KEY, ownMark } from '@/core/species/species';
import { isWetPacked } from '@/core/vase-life/journey';
import { bookDelivery, bookLots, isBooked, type NewLot } from '@/data/deliveries';
import { RefusedError } from '@/data/errors';
import { callOffOrder, placeOrder, settleOrder } from '@/data/expected';
import { insertKeptLines, oneWaitingLine, settleKeptLine } from '@/data/kept-lines';
import { writeEntry } from '@/data/record';
import { manyRooms } from '@/data/rooms';
import { rememberSupplierColumns, rememberSupplierWords } from '@/data/supplier-words';
import type { ActionContext, Handlers } from '@/server/handler';
import { houseOf, waysFor, type House } from '@/server/house';
import { shopOverrides } from '@/server/own-figures';

/** First guesses of one delivery: lines of one kind and journey are the same lot but for their count. */
type Guesses = Map<string, ReturnType<typeof firstGuess>>;

/** What every line of a delivery is booked by. */
interface Booking {
  readonly arrivedAt: Date;
  readonly overrides: Overrides | null;
  readonly house: House;
  readonly guesses: Guesses;
  readonly timeZone: string;
  /** What this shop's own species bear in their keys. */
  readonly mark: string;
}

/** Refuses a species that the shop does not have: one of another shop's, or of no one's. */
function refuseUnknown(line: BookLine, mark: string): void {
  const isForeign = OWN_KEY.test(line.speciesKey) && !line.speciesKey.startsWith(`own-${mark}-`);
  if (isForeign || !findSpecies(line.speciesKey))
    throw new RefusedError(
      `Line ${line.line} names a species this shop does not have. Nothing was booked in; choose another.`,
      'lines',
    );
}

function newLot(line: BookLine, { arrivedAt, overrides, house, guesses, timeZone, mark }: Booking): NewLot {
  refuseUnknown(line, mark);
  const hours = hoursSinceCut(line.cutDate, arrivedAt);
  if (hours < -24)
    throw new RefusedError(
      `Line ${line.line} was cut on ${line.cutDate}, which has not come yet. Nothing was booked in; correct its date.`,
      'lines',
    );
  if (hours > 60 * 24)
    throw new RefusedError(
      `Line ${line.line} was cut on ${line.cutDate}, over sixty days ago. Nothing was booked in; correct its date.`,
      'lines',
    );
  const packing = line.packing ?? '';
  const key = JSON.stringify([line.speciesKey, line.origin, packing, hours]);
  const guess =
    guesses.get(key) ??
    firstGuess({
      speciesKey: line.speciesKey,
      origin: line.origin,
      packing,
      hoursSinceCut: hours,
      overrides,
      ways: waysFor(
        house,
        { speciesKey: line.speciesKey, purpose: 'usual', eventOn: null },
        arrivedAt,
        timeZone,
      ),
    });
  guesses.set(key, guess);
  return { ...line, packing, isWetPacked: isWetPacked(packing), ...guess };
}

async function bookingOf({ trx, action, me }: ActionContext): Promise<Booking> {
  return {
    arrivedAt: action.at,
    overrides: await shopOverrides(trx),
    house: await houseOf(trx),
    guesses: new Map(),
    timeZone: me.shop.timeZone,
    mark: ownMark(me.shop.id),
  };
}

async function benchOf({ trx }: ActionContext): Promise<string> {
  const bench = (await manyRooms(trx)).find((r) => r.kind === 'bench');
  if (!bench) throw new RefusedError('The shop has no bench set up. Nothing was booked in.');
  return bench.id;
}

/** Notes booked in, their lines that wait, and what was ordered. */
export const dockBookingHandlers: Handlers<keyof typeof bookingActions> = {
  'dock/book-in': {
    work: async (context, note) => {
      const { trx, action } = context;
      if (await isBooked(trx, note.supplier, note.deliveryRef))
        throw new RefusedError(
          `${note.deliveryRef} from ${note.supplier} is booked in already. Nothing was booked twice; its lots are on the dock.`,
          'deliveryRef',
        );
      const roomId = await benchOf(context);
      const booking = await bookingOf(context);
      const meant = note.chosen.flatMap(({ product, speciesKey }) => {
        const said = plainWords(product);
        return said === '' || !findSpecies(speciesKey) ? [] : [{ words: said, speciesKey }];
      });
      await rememberSupplierWords(trx, action.shopId, note.supplier, meant, action.at);
      if (note.columns)
        await rememberSupplierColumns(
          trx,
          action.shopId,
          note.supplier,
          note.columns.shape,
          note.columns.saved,
          action.at,
        );
      const booked = await bookDelivery(trx, action, {
        ...note,
        roomId,
        arrivedAt: action.at,
        lots: note.lines.map((l) => newLot(l, booking)),
      });
      await insertKeptLines(
        trx,
        action.shopId,
        booked.deliveryId,
        note.kept.map((k) => ({ ...k, line: k.said.line })),
      );
      if (note.expectedId) await settleOrder(trx, note.expectedId, booked.deliveryId);
      return booked;
    },
  },
  'dock/book-kept': {
    // A line that waited, or a box that belonged to today, is booked in now.
    work: async (context, { keptId, line }) => {
      const { trx, action } = context;
      const kept = await oneWaitingLine(trx, keptId);
      const lot = newLot({ ...line, line: kept.line }, await bookingOf(context));
      const [lotId = ''] = await bookLots(trx, action.shopId, kept.deliveryId, {
        lots: [lot],
        arrivedAt: action.at,
        roomId: await benchOf(context),
      });
      await settleKeptLine(trx, kept.id, { fate: 'booked', lotId });
      await writeEntry(trx, action, {
        kind: 'line-booked',
        subjectKind: 'lot',
        subjectId: lotId,
        words: `Line ${kept.line}, ${kept.product}: booked in after waiting, ${line.stems} stems`,
        detail: {},
      });
      return { lotId };
    },
  },
  'dock/refuse-kept': {
    work: async ({ trx, action }, asked) => {
      const kept = await oneWaitingLine(trx, asked.keptId);
      await settleKeptLine(trx, kept.id, { fate: 'refused', reason: asked.reason });
      await writeEntry(trx, action, {
        kind: 'line-refused',
        subjectKind: 'delivery',
        subjectId: kept.id,
        words: `Line ${kept.line}, ${kept.product}: refused, ${asked.reason}`,
        detail: { reason: asked.reason },
      });
      return null;
    },
  },
  'dock/order': {
    // What was ordered, so that the van can be held against it.
    work: ({ trx, action }, placed) => placeOrder(trx, action, placed),
  },
  'dock/call-off': {
    work: async ({ trx, action }, { expectedId }) => {
      const what = await callOffOrder(trx, expectedId);
      await writeEntry(trx, action, {
        kind: 'call-off',
        subjectKind: 'delivery',
        subjectId: expectedId,
        words: `Order ${what} called off`,
        detail: {},
      });
      return null;
    },
  },
};
