import { m } from '@/core/words/message';
import type { SpeciesRegistry } from '@/core/species/registry';
import 'server-only';
import type { bookingActions } from '@/core/actions/dock-booking';
import type { BookLine } from '@/core/actions/fields';
import { firstGuess, hoursSinceCut, type FirstGuess, type GuessInput } from '@/core/dock/first-guess';
import { foldedWords } from '@/core/species/folded-words';
import type { Overrides } from '@/core/model/figures';
import { isWetPacked } from '@/core/vase-life/journey';
import type { Trx } from '@/data/connection';
import { bookDelivery, bookLots, isBooked, type NewLot } from '@/data/deliveries';
import { RefusedError } from '@/data/errors';
import { callOffOrder, placeOrder, settleOrder } from '@/data/expected';
import { insertKeptLines, oneWaitingLine, settleKeptLine } from '@/data/kept-lines';
import { writeEntry } from '@/data/record';
import { manyRooms } from '@/data/rooms';
import {
  forgetSupplierColumns,
  forgetSupplierWords,
  rememberSupplierColumns,
  rememberSupplierWords,
} from '@/data/supplier-words';
import { preparing, type ActionContext, type Handlers } from '@/server/handler';
import { houseOf, waysFor, type House } from '@/server/house';
import { overridesFor, shopOverrides } from '@/server/own-figures';
import { inWorkers } from '@/server/pool/pool';
import type { SignedIn } from '@/server/session';

/** Older than that, nobody cut it to sell it. */
const LONGEST_AGO_H = 60 * 24;

/** What every line of a delivery is booked by. */
interface Booking {
  readonly arrivedAt: Date;
  readonly overrides: Overrides | null;
  readonly house: House;
  readonly timeZone: string;
  /** The species this shop has. */
  readonly known: SpeciesRegistry;
}

type Line = Pick<BookLine, 'speciesKey' | 'origin' | 'packing' | 'cutDate'>;
/** Lines of one kind and journey are the same lot but for their count: they are guessed once. */
const guessKey = ({ speciesKey, origin, packing, cutDate }: Line): string =>
  JSON.stringify([speciesKey, origin, packing, cutDate]);

/** What a line's lot is guessed from; null where nobody knows its species. */
function guessInputOf(line: Line, booking: Booking): GuessInput | null {
  const { arrivedAt, overrides, house, timeZone, known } = booking;
  const { speciesKey } = line;
  const species = known.find(speciesKey);
  if (!species) return null;
  return {
    species,
    origin: line.origin,
    packing: line.packing ?? '',
    hoursSinceCut: hoursSinceCut(line.cutDate, arrivedAt),
    overrides: overridesFor(overrides, [speciesKey]),
    ways: waysFor(house, { speciesKey, purpose: 'usual', eventOn: null }, arrivedAt, timeZone),
  };
}

/** Refuses a species that the shop does not have: one of another shop's, or of no one's. */
function refuseUnknown(
  line: Pick<BookLine, 'line' | 'speciesKey'>,
  known: SpeciesRegistry,
  nothing = 'Nothing was booked in',
): void {
  if (!known.find(line.speciesKey))
    throw new RefusedError(
      `Line ${line.line} names a species this shop does not have. ${nothing}; choose another.`,
      'lines',
    );
}

/** Refuses a line that no stems can have come by. */
function refuseUnsound(line: BookLine, { arrivedAt, known }: Booking): void {
  refuseUnknown(line, known);
  const hours = hoursSinceCut(line.cutDate, arrivedAt);
  if (hours < -24)
    throw new RefusedError(
      `Line ${line.line} was cut on ${line.cutDate}, which has not come yet. Nothing was booked in; correct its date.`,
      'lines',
    );
  if (hours > LONGEST_AGO_H)
    throw new RefusedError(
      `Line ${line.line} was cut on ${line.cutDate}, over sixty days ago. Nothing was booked in; correct its date.`,
      'lines',
    );
}

type Guesses = ReadonlyMap<string, FirstGuess>;

/** A line as its lot is booked: guessed before where it is one of many, here where it comes alone. */
export function newLot(line: BookLine, booking: Booking, guesses?: Guesses): NewLot {
  refuseUnsound(line, booking);
  const packing = line.packing ?? '';
  const guess = guesses?.get(guessKey(line)) ?? guessOf(line, booking);
  return { ...line, packing, isWetPacked: isWetPacked(packing), ...guess };
}

function guessOf(line: BookLine, booking: Booking): FirstGuess {
  const input = guessInputOf(line, booking);
  if (!input) throw new Error('a line of an unknown species was not refused');
  return firstGuess(input);
}

export async function bookingOf(trx: Trx, me: SignedIn, arrivedAt: Date): Promise<Booking> {
  const [overrides, house] = await Promise.all([shopOverrides(trx), houseOf(trx)]);
  return { arrivedAt, overrides, house, timeZone: me.shop.timeZone, known: me.species };
}

async function benchOf({ trx }: ActionContext): Promise<string> {
  const bench = (await manyRooms(trx)).find((r) => r.kind === 'bench');
  if (!bench) throw new RefusedError('The shop has no bench set up. Nothing was booked in.');
  return bench.id;
}

/** Notes booked in, their lines that wait, and what was ordered. */
export const dockBookingHandlers: Handlers<keyof typeof bookingActions> = {
  'dock/book-in': preparing({
    prepare: async ({ lines }, read, signal): Promise<Guesses> => {
      const inputs = await read(async ({ trx, me, at }) => {
        const booking = await bookingOf(trx, me, at);
        return new Map(lines.map((line) => [guessKey(line), guessInputOf(line, booking)]));
      });
      const known = [...inputs].flatMap(([key, input]) => (input ? [{ key, input }] : []));
      const guesses = await inWorkers(
        'first-guesses',
        known.map(({ input }) => input),
        signal,
      );
      return new Map(known.flatMap(({ key }, at) => (guesses[at] ? [[key, guesses[at]]] : [])));
    },
    work: async (context, note, guesses) => {
      const { trx, action, me } = context;
      if (await isBooked(trx, note.supplier, note.deliveryRef))
        throw new RefusedError(
          `${note.deliveryRef} from ${note.supplier} is booked in already. Nothing was booked twice; its lots are on the dock.`,
          'deliveryRef',
        );
      const roomId = await benchOf(context);
      const booking = await bookingOf(trx, me, action.at);
      const meant = note.chosen.flatMap(({ product, speciesKey }) => {
        const said = foldedWords(product);
        return said === '' || !me.species.find(speciesKey) ? [] : [{ words: said, speciesKey }];
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
        lots: note.lines.map((l) => newLot(l, booking, guesses)),
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
  }),
  'dock/book-kept': {
    // A line that waited, or a box that belonged to today, is booked in now.
    work: async (context, { keptId, line }) => {
      const { trx, action, me } = context;
      const kept = await oneWaitingLine(trx, keptId);
      const lot = newLot({ ...line, line: kept.line }, await bookingOf(trx, me, action.at));
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
        says: m('record.line-booked', { line: kept.line, product: kept.product, n: line.stems }),
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
        says: m('record.line-refused', { line: kept.line, product: kept.product, reason: asked.reason }),
        detail: { reason: asked.reason },
      });
      return null;
    },
  },
  'dock/unlearn': {
    work: async ({ trx, action }, { supplier, shape, product }) => {
      const makes = shape === null ? 0 : await forgetSupplierColumns(trx, supplier, shape);
      const said = product === null ? 0 : await forgetSupplierWords(trx, supplier, foldedWords(product));
      if (makes + said === 0)
        throw new RefusedError('Nothing of that was remembered any more. Nothing was changed.');
      await writeEntry(trx, action, {
        kind: 'unlearnt',
        subjectKind: 'house',
        subjectId: action.shopId,
        says:
          product === null
            ? m('record.unlearnt-make', { supplier })
            : m('record.unlearnt-word', { supplier, product }),
        detail: { supplier, shape, product },
      });
      return null;
    },
  },
  'dock/order': {
    // What was ordered, so that the van can be held against it.
    work: ({ trx, action, me }, placed) => {
      for (const line of placed.lines) refuseUnknown(line, me.species, 'Nothing was ordered');
      return placeOrder(trx, action, placed);
    },
  },
  'dock/call-off': {
    work: async ({ trx, action }, { expectedId }) => {
      const what = await callOffOrder(trx, expectedId);
      await writeEntry(trx, action, {
        kind: 'call-off',
        subjectKind: 'delivery',
        subjectId: expectedId,
        says: m('record.called-off', { order: what }),
        detail: {},
      });
      return null;
    },
  },
};
