import 'server-only';
import * as v from 'valibot';
import { speciesKeySchema } from '@/core/door/schemas';
import { COLUMNS } from '@/core/dock/columns';
import { firstGuess, hoursSinceCut } from '@/core/dock/first-guess';
import { plainWords } from '@/core/dock/match-species';
import { OWN_KEY, ownMark } from '@/core/species/species';
import type { Overrides } from '@/core/model/figures';
import { bookDelivery, bookLots, isBooked, type NewLot } from '@/data/deliveries';
import { RefusedError } from '@/data/errors';
import { callOffOrder, placeOrder, settleOrder } from '@/data/expected';
import { insertKeptLines, oneWaitingLine, settleKeptLine } from '@/data/kept-lines';
import { writeEntry } from '@/data/record';
import { manyRooms } from '@/data/rooms';
import { rememberSupplierColumns, rememberSupplierWords } from '@/data/supplier-words';
import { actionKind, type ActionContext } from '@/server/actions';
import { houseOf, waysFor, type House } from '@/server/house';
import { shopOverrides } from '@/server/own-figures';
import { bookLineSchema, count, id, keptLineSchema, someWords, words, type BookLine } from './checks';

const MOST_LINES = 2000;

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

function newLot(line: BookLine, { arrivedAt, overrides, house, guesses, timeZone, mark }: Booking): NewLot {
  if (OWN_KEY.test(line.speciesKey) && !line.speciesKey.startsWith(`own-${mark}-`))
    throw new RefusedError(
      `Line ${line.line} names a species this shop does not have. Nothing was booked in; choose another.`,
    );
  const hours = hoursSinceCut(line.cutDate, arrivedAt);
  if (hours < -24)
    throw new RefusedError(
      `Line ${line.line} was cut on ${line.cutDate}, which has not come yet. Nothing was booked in; correct its date.`,
    );
  if (hours > 60 * 24)
    throw new RefusedError(
      `Line ${line.line} was cut on ${line.cutDate}, over sixty days ago. Nothing was booked in; correct its date.`,
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
  return { ...line, packing, ...guess };
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

const columnsSchema = v.object({
  shape: someWords(400),
  saved: v.object({
    columns: v.record(
      v.picklist(COLUMNS),
      v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(200))),
    ),
    hasHeading: v.boolean(),
  }),
});

const bookIn = actionKind(
  v.object({
    supplier: someWords(120),
    deliveryRef: someWords(60),
    /** Where a person chose what the note's words mean: remembered for this supplier. */
    chosen: v.optional(
      v.pipe(
        v.array(v.object({ product: words(120), speciesKey: speciesKeySchema })),
        v.maxLength(MOST_LINES),
      ),
      [],
    ),
    /** Where a person said which column is what: remembered likewise. */
    columns: v.optional(v.nullable(columnsSchema), null),
    /** The order it is the delivery of. */
    expectedId: v.optional(v.nullable(id), null),
    /** Lines of the note that are not booked now. */
    kept: v.optional(v.pipe(v.array(keptLineSchema), v.maxLength(MOST_LINES)), []),
    lines: v.pipe(
      v.array(bookLineSchema),
      v.minLength(1, 'needs at least one line'),
      v.maxLength(MOST_LINES, `takes at most ${MOST_LINES} lines`),
    ),
  }),
  async (context, note) => {
    const { trx, action } = context;
    if (await isBooked(trx, note.supplier, note.deliveryRef))
      throw new RefusedError(
        `${note.deliveryRef} from ${note.supplier} is booked in already. Nothing was booked twice; its lots are on the dock.`,
      );
    const roomId = await benchOf(context);
    const booking = await bookingOf(context);
    const meant = note.chosen.flatMap(({ product, speciesKey }) => {
      const said = plainWords(product);
      return said === '' ? [] : [{ words: said, speciesKey }];
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
);

/** A line that waited, or a box that belonged to today, is booked in now. */
const bookKept = actionKind(
  v.object({ keptId: id, line: bookLineSchema }),
  async (context, { keptId, line }) => {
    const { trx, action } = context;
    const kept = await oneWaitingLine(trx, keptId);
    const lot = newLot({ ...line, line: kept.line }, await bookingOf(context));
    const [lotId = ''] = await bookLots(trx, action.shopId, kept.deliveryId, {
      lots: [lot],
      arrivedAt: action.at,
      roomId: await benchOf(context),
    });
    await settleKeptLine(trx, keptId, { fate: 'booked', lotId });
    await writeEntry(trx, action, {
      kind: 'line-booked',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Line ${kept.line}, ${kept.product}: booked in after waiting, ${line.stems} stems`,
    });
    return { lotId };
  },
);

/** A waiting line will not be booked. */
const refuseKept = actionKind(
  v.object({ keptId: id, reason: someWords(300) }),
  async ({ trx, action }, asked) => {
    const kept = await oneWaitingLine(trx, asked.keptId);
    await settleKeptLine(trx, kept.id, { fate: 'refused', reason: asked.reason });
    await writeEntry(trx, action, {
      kind: 'line-refused',
      subjectKind: 'delivery',
      subjectId: kept.id,
      words: `Line ${kept.line}, ${kept.product}: refused, ${asked.reason}`,
      detail: { before: kept.reason },
    });
  },
);

/** What was ordered, so that the van can be held against it. */
const order = actionKind(
  v.object({
    supplier: someWords(120),
    orderRef: someWords(60),
    dueOn: v.pipe(v.string(), v.isoDate('is not a date')),
    lines: v.pipe(
      v.array(
        v.object({
          line: v.pipe(v.number(), v.integer(), v.minValue(1)),
          speciesKey: speciesKeySchema,
          variety: v.nullable(words(120)),
          lengthCm: v.nullable(v.pipe(v.number(), v.minValue(1), v.maxValue(300))),
          stems: count(100_000),
        }),
      ),
      v.minLength(1, 'needs at least one line'),
      v.maxLength(MOST_LINES),
    ),
  }),
  ({ trx, action }, placed) => placeOrder(trx, action, placed),
);

const callOff = actionKind(v.object({ expectedId: id }), async ({ trx, action }, { expectedId }) => {
  const what = await callOffOrder(trx, expectedId);
  await writeEntry(trx, action, {
    kind: 'call-off',
    subjectKind: 'delivery',
    subjectId: expectedId,
    words: `Order ${what} called off`,
  });
});

export const bookActions = {
  'book-in': bookIn,
  'book-kept': bookKept,
  'refuse-kept': refuseKept,
  order,
  'call-off': callOff,
};
