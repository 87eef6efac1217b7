import type { IssuedCard } from '../core/care/card-for';
import { readStoredCard } from '../core/care/stored-card';
import type { Trx } from './connection';
import { newId } from './ids';
import { takeStems } from './portions';
import { beginLines } from './stays';
import { writeEntry, type Action } from './record';

export interface NewArrangement {
  readonly name: string;
  readonly vesselKind: 'vase' | 'foam';
  readonly litres: number;
  readonly solution: string;
  readonly lines: readonly { readonly portionId: string; readonly stems: number }[];
  /** Where it waits. */
  readonly roomId: string;
  readonly forecast: { readonly modelVersion: string; readonly input: unknown; readonly result: unknown };
}

/** Makes an arrangement: stems leave their lots, the forecast is kept with its inputs, all or nothing. */
export async function makeArrangement(trx: Trx, action: Action, made: NewArrangement): Promise<string> {
  const id = newId();
  const forecastId = newId();
  const { shopId: shop_id } = action;
  const lines: { lotId: string; portionId: string; stems: number }[] = [];
  for (const line of made.lines) {
    const { lotId } = await takeStems(trx, line.portionId, line.stems, action.at);
    lines.push({ lotId, ...line });
  }
  await trx('forecast').insert({
    id: forecastId,
    shop_id,
    issued_at: action.at,
    model_version: made.forecast.modelVersion,
    input: JSON.stringify(made.forecast.input),
    result: JSON.stringify(made.forecast.result),
  });
  await trx('arrangement').insert({
    id,
    shop_id,
    name: made.name,
    vessel_kind: made.vesselKind,
    litres: made.litres,
    solution: made.solution,
    made_at: action.at,
    made_by: action.personId,
    forecast_id: forecastId,
  });
  await trx('arrangement_line').insert(
    lines.map((l) => ({
      shop_id,
      arrangement_id: id,
      lot_id: l.lotId,
      portion_id: l.portionId,
      stems: l.stems,
    })),
  );
  await beginLines(trx, shop_id, 'arrangement_id', action.at, [
    { subjectId: id, roomId: made.roomId, wet: true, fillId: null },
  ]);
  const stems = lines.reduce((n, l) => n + l.stems, 0);
  await writeEntry(trx, action, {
    kind: 'make',
    subjectKind: 'arrangement',
    subjectId: id,
    says: { message: 'record.made', with: { name: made.name, n: stems } },
    detail: { lines },
  });
  return id;
}

export interface ArrangementRow {
  readonly id: string;
  readonly name: string;
  readonly vesselKind: 'vase' | 'foam';
  readonly litres: number;
  readonly solution: string;
  readonly madeAt: Date;
  readonly madeBy: string;
  readonly cardId: string | null;
  readonly stems: number;
  readonly takenApartAt: Date | null;
}

/** One arrangement with what its forecast was made from, and what came of it. */
export interface WholeArrangement extends ArrangementRow {
  readonly input: unknown;
  readonly result: unknown;
}

/** Of `care_card as c`: not withdrawn, or given again since. */
const STANDS = `not coalesce((select w.withdrawn from card_withdrawal w where w.card_id = c.id order by w.seq desc limit 1), false)`;

function arrangements(trx: Trx) {
  return trx('arrangement as a')
    .join('person as p', 'p.id', 'a.made_by')
    .select({
      id: 'a.id',
      name: 'a.name',
      vesselKind: 'a.vessel_kind',
      litres: 'a.litres',
      solution: 'a.solution',
      madeAt: 'a.made_at',
      madeBy: 'p.name',
      takenApartAt: 'a.taken_apart_at',
    })
    .select(
      trx.raw(
        `(select c.id from care_card c where c.arrangement_id = a.id and ${STANDS} order by c.issued_at desc limit 1) as "cardId"`,
      ),
    )
    .select(
      trx.raw('(select sum(l.stems)::int from arrangement_line l where l.arrangement_id = a.id) as stems'),
    );
}

const NEWEST = [
  { column: 'a.made_at', order: 'desc' },
  { column: 'a.id', order: 'desc' },
] as const;

/** Arrangements whose card is still to be written, the newest first. */
export async function manyWithoutCard(trx: Trx, limit: number): Promise<ArrangementRow[]> {
  return arrangements(trx)
    .whereRaw('a.card_due')
    .orderBy([...NEWEST])
    .limit(limit) as Promise<ArrangementRow[]>;
}

/** How many wait for their card, counted to `most`. */
export async function countWithoutCard(trx: Trx, most: number): Promise<number> {
  const { rows } = await trx.raw<{ rows: { due: number }[] }>(
    'select count(*)::int as due from (select 1 from arrangement where card_due limit ?) d',
    [most],
  );
  return rows[0]?.due ?? 0;
}

/** Where a page of arrangements ended. */
export interface ArrangementsBefore {
  readonly madeAt: Date;
  readonly id: string;
}

/** Arrangements whose card is written, the newest made first; those after `before`. */
export async function manyWithCard(
  trx: Trx,
  limit: number,
  before: ArrangementsBefore | null = null,
): Promise<ArrangementRow[]> {
  return arrangements(trx)
    .whereRaw('a.taken_apart_at is null and not a.card_due')
    .where((older) => {
      if (before) void older.whereRaw('(a.made_at, a.id) < (?, ?)', [before.madeAt, before.id]);
    })
    .orderBy([...NEWEST])
    .limit(limit) as Promise<ArrangementRow[]>;
}

export async function maybeArrangement(trx: Trx, id: string): Promise<WholeArrangement | undefined> {
  return arrangements(trx)
    .join('forecast as f', 'f.id', 'a.forecast_id')
    .where('a.id', id)
    .first({ input: 'f.input', result: 'f.result' }) as Promise<WholeArrangement | undefined>;
}

export interface ArrangementLineRow {
  readonly lotId: string;
  readonly lotNumber: number;
  readonly speciesKey: string;
  readonly variety: string | null;
  readonly stems: number;
}

export async function manyArrangementLines(trx: Trx, arrangementId: string): Promise<ArrangementLineRow[]> {
  return trx('arrangement_line as al')
    .join('lot as l', 'l.id', 'al.lot_id')
    .where('al.arrangement_id', arrangementId)
    .orderBy('l.number')
    .select({
      lotId: 'l.id',
      lotNumber: 'l.number',
      speciesKey: 'l.species_key',
      variety: 'l.variety',
      stems: 'al.stems',
    });
}

export async function issueCard(
  trx: Trx,
  action: Action,
  arrangementId: string,
  card: IssuedCard,
): Promise<string> {
  const id = newId();
  await trx('care_card').insert({
    id,
    shop_id: action.shopId,
    arrangement_id: arrangementId,
    issued_at: action.at,
    issued_by: action.personId,
    card: JSON.stringify(card),
  });
  await writeEntry(trx, action, {
    kind: 'card',
    subjectKind: 'card',
    subjectId: id,
    says: { message: 'record.card', with: { name: card.arrangementName } },
    detail: { arrangementId },
  });
  return id;
}

export async function maybeCard(
  trx: Trx,
  id: string,
): Promise<{ id: string; issuedAt: Date; card: IssuedCard; isWithdrawn: boolean } | undefined> {
  const found: { id: string; issuedAt: Date; card: unknown; isWithdrawn: boolean } | undefined = await trx(
    'care_card as c',
  )
    .where({ id })
    .first({ id: 'c.id', issuedAt: 'c.issued_at', card: 'c.card', isWithdrawn: trx.raw(`not (${STANDS})`) });
  return found && { ...found, card: readStoredCard(found.card) };
}

/** Withdraws a card that was issued: it is kept as it was, and counts no more. */
export async function withdrawCard(trx: Trx, action: Action, cardId: string): Promise<void> {
  await trx('card_withdrawal').insert({
    shop_id: action.shopId,
    card_id: cardId,
    withdrawn: true,
    at: action.at,
    by_id: action.personId,
  });
}
