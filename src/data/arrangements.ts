import type { CareCard } from '../core/care/compose-card';
import type { Trx } from './connection';
import { newId } from './ids';
import { takeStems } from './lots';
import { writeEntry, type Action } from './record';

export interface NewArrangement {
  readonly name: string;
  readonly vesselKind: 'vase' | 'foam';
  readonly litres: number;
  readonly solution: string;
  readonly lines: readonly { readonly lotId: string; readonly stems: number }[];
  readonly forecast: { readonly modelVersion: string; readonly input: unknown; readonly result: unknown };
}

/** Makes an arrangement: stems leave their lots, the forecast is kept with its inputs, all or nothing. */
export async function makeArrangement(trx: Trx, action: Action, made: NewArrangement): Promise<string> {
  const id = newId();
  const forecastId = newId();
  const { shopId: shop_id } = action;
  // In the order of their ids, so that two makers after the same lots cannot block each other for good.
  const lines = [...made.lines].sort((a, b) => (a.lotId < b.lotId ? -1 : 1));
  for (const line of lines) await takeStems(trx, line.lotId, line.stems);
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
    lines.map((l) => ({ shop_id, arrangement_id: id, lot_id: l.lotId, stems: l.stems })),
  );
  const stems = lines.reduce((n, l) => n + l.stems, 0);
  await writeEntry(trx, action, {
    kind: 'make',
    subjectKind: 'arrangement',
    subjectId: id,
    words: `Made "${made.name}" of ${stems} stems`,
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
  readonly result: unknown;
  readonly cardId: string | null;
  readonly stems: number;
  readonly takenApartAt: Date | null;
}

function arrangements(trx: Trx) {
  return trx('arrangement as a')
    .join('forecast as f', 'f.id', 'a.forecast_id')
    .join('person as p', 'p.id', 'a.made_by')
    .select({
      id: 'a.id',
      name: 'a.name',
      vesselKind: 'a.vessel_kind',
      litres: 'a.litres',
      solution: 'a.solution',
      madeAt: 'a.made_at',
      madeBy: 'p.name',
      result: 'f.result',
      takenApartAt: 'a.taken_apart_at',
    })
    .select(
      trx.raw(
        '(select c.id from care_card c where c.arrangement_id = a.id order by c.issued_at desc limit 1) as "cardId"',
      ),
    )
    .select(
      trx.raw('(select sum(l.stems)::int from arrangement_line l where l.arrangement_id = a.id) as stems'),
    );
}

export async function manyArrangements(trx: Trx, limit: number): Promise<ArrangementRow[]> {
  return arrangements(trx).whereNull('a.taken_apart_at').orderBy('a.made_at', 'desc').limit(limit) as Promise<
    ArrangementRow[]
  >;
}

export async function maybeArrangement(trx: Trx, id: string): Promise<ArrangementRow | undefined> {
  return arrangements(trx).where('a.id', id).first() as Promise<ArrangementRow | undefined>;
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

/** A card as it was issued; it is never changed, only issued anew. */
export interface IssuedCard {
  readonly arrangementName: string;
  readonly shopName: string;
  readonly vessel: { readonly kind: 'vase' | 'foam'; readonly litres: number };
  readonly date: string;
  readonly contents: readonly string[];
  readonly card: CareCard;
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
    words: `Issued the card for "${card.arrangementName}"`,
    detail: { arrangementId },
  });
  return id;
}

export async function maybeCard(
  trx: Trx,
  id: string,
): Promise<{ id: string; issuedAt: Date; card: IssuedCard } | undefined> {
  return trx('care_card').where({ id }).first({ id: 'id', issuedAt: 'issued_at', card: 'card' });
}

export async function manyNewestCards(
  trx: Trx,
  limit: number,
): Promise<{ id: string; issuedAt: Date; card: IssuedCard }[]> {
  return trx('care_card')
    .orderBy('issued_at', 'desc')
    .limit(limit)
    .select({ id: 'id', issuedAt: 'issued_at', card: 'card' });
}
