import 'server-only';
import * as v from 'valibot';
import { speciesKeySchema } from '@/core/door/schemas';
import { firstGuess, hoursSinceCut } from '@/core/dock/first-guess';
import { plainWords } from '@/core/dock/match-species';
import type { Overrides } from '@/core/model/figures';
import { findSpecies } from '@/core/species/species';
import { bookDelivery, isBooked, type NewLot } from '@/data/deliveries';
import { RefusedError } from '@/data/errors';
import { binStems, changeLot, oneLotForUpdate, splitLot } from '@/data/lots';
import { writeEntry } from '@/data/record';
import { manyRooms } from '@/data/rooms';
import { rememberSupplierWords } from '@/data/supplier-words';
import { insertPlan, manyStepsOfLot } from '@/data/steps';
import { deedKind } from '@/server/deeds';
import { shopOverrides } from '@/server/own-figures';
import { planFor } from '@/server/lot-forecasts';
import { claimDeeds } from './claim-deeds';
import { loggerDeeds } from './logger-deeds';
import { BIN_REASONS } from './words';

const words = (max: number) =>
  v.pipe(v.string(), v.trim(), v.maxLength(max, `is longer than ${max} characters`));
const maybeWords = v.nullable(words(120));
const count = (max: number) =>
  v.pipe(
    v.number('must be a count'),
    v.integer('must be a whole number'),
    v.minValue(1, 'must be 1 or more'),
    v.maxValue(max, `must be ${max} or less`),
  );

const bookLineSchema = v.object({
  line: v.pipe(v.number(), v.integer(), v.minValue(1)),
  speciesKey: speciesKeySchema,
  variety: maybeWords,
  colour: maybeWords,
  lengthCm: v.nullable(v.pipe(v.number(), v.minValue(1), v.maxValue(300))),
  headsMin: v.nullable(count(200)),
  stems: count(100_000),
  cutDate: v.pipe(v.string(), v.isoDate('is not a date')),
  origin: maybeWords,
  packing: v.nullable(words(60)),
  unitPrice: v.nullable(v.pipe(v.number(), v.minValue(0, 'cannot be negative'), v.maxValue(100_000))),
  currency: v.nullable(words(8)),
});
type BookLine = v.InferOutput<typeof bookLineSchema>;

/** First guesses of one delivery: lines of one kind and journey are the same lot but for their count. */
type Guesses = Map<string, ReturnType<typeof firstGuess>>;

function newLot(line: BookLine, arrivedAt: Date, overrides: Overrides | null, guesses: Guesses): NewLot {
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
    });
  guesses.set(key, guess);
  return { ...line, packing, ...guess };
}

const bookIn = deedKind(
  v.object({
    supplier: v.pipe(words(120), v.minLength(1, 'is missing')),
    deliveryRef: v.pipe(words(60), v.minLength(1, 'is missing')),
    /** Where a person chose what the note's words mean: remembered for this supplier. */
    chosen: v.optional(
      v.pipe(v.array(v.object({ product: words(120), speciesKey: speciesKeySchema })), v.maxLength(2000)),
      [],
    ),
    lines: v.pipe(
      v.array(bookLineSchema),
      v.minLength(1, 'needs at least one line'),
      v.maxLength(2000, 'takes at most 2000 lines'),
    ),
  }),
  async ({ trx, deed }, note) => {
    if (await isBooked(trx, note.supplier, note.deliveryRef))
      throw new RefusedError(
        `${note.deliveryRef} from ${note.supplier} is booked in already. Nothing was booked twice; its lots are on the dock.`,
      );
    const bench = (await manyRooms(trx)).find((r) => r.kind === 'bench');
    if (!bench) throw new RefusedError('The shop has no bench set up. Nothing was booked in.');
    const overrides = await shopOverrides(trx);
    const guesses: Guesses = new Map();
    await rememberSupplierWords(
      trx,
      deed.shopId,
      note.supplier,
      note.chosen.flatMap(({ product, speciesKey }) => {
        const said = plainWords(product);
        return said === '' ? [] : [{ words: said, speciesKey }];
      }),
      deed.at,
    );
    return bookDelivery(trx, deed, {
      ...note,
      roomId: bench.id,
      arrivedAt: deed.at,
      lots: note.lines.map((l) => newLot(l, deed.at, overrides, guesses)),
    });
  },
);

const look = deedKind(
  v.object({
    lotId: v.pipe(v.string(), v.uuid()),
    stage: v.pipe(v.number(), v.minValue(0), v.maxValue(1.2)),
    droop: v.picklist(['firm', 'soft', 'hanging']),
  }),
  async ({ trx, deed }, { lotId, stage, droop }) => {
    const lot = await oneLotForUpdate(trx, lotId);
    const before = { stage: lot.stage, droop: lot.droop, looked_at: lot.lookedAt };
    const steps = await manyStepsOfLot(trx, lotId, lot.planNo);
    await insertPlan(trx, deed.shopId, lotId, lot.planNo + 1, planFor({ ...lot, stage, droop }), steps);
    await changeLot(trx, lotId, { stage, droop, looked_at: deed.at, plan_no: lot.planNo + 1 });
    await writeEntry(trx, deed, {
      kind: 'look',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Looked at lot ${lot.number}, ${findSpecies(lot.speciesKey)?.name.toLowerCase() ?? ''}: stage ${stage}, ${droop}`,
      detail: { before, after: { stage, droop } },
    });
  },
);

const bin = deedKind(
  v.object({ lotId: v.pipe(v.string(), v.uuid()), stems: count(100_000), reason: v.picklist(BIN_REASONS) }),
  async ({ trx, deed }, { lotId, stems, reason }) => binStems(trx, deed, lotId, stems, reason),
);

/** Some stems of a lot came in another state: a lot of their own, to be looked at. */
const split = deedKind(
  v.object({ lotId: v.pipe(v.string(), v.uuid()), stems: count(100_000) }),
  async ({ trx, deed }, { lotId, stems }) => {
    const made = await splitLot(trx, deed, lotId, stems);
    const older = await manyStepsOfLot(trx, lotId, made.from.planNo);
    await insertPlan(trx, deed.shopId, made.lotId, 1, planFor(made.from), older);
    await writeEntry(trx, deed, {
      kind: 'split',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Lot ${made.from.number}: ${stems} stems made lot ${made.number}`,
      detail: { splitOffId: made.lotId, stems },
    });
    return { lotId: made.lotId };
  },
);

export const dockDeeds = { 'book-in': bookIn, look, bin, split, ...claimDeeds, ...loggerDeeds };
