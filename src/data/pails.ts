import type { PailColour, PailForm } from '../core/water/pail-shape';
import type { PailWish } from '../core/protocol/types';
import { isLocked, type Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { beginLines } from './stays';

export type PailState = 'dirty' | 'scrubbed' | 'contact' | 'sanitised' | 'filled';

export interface PailRow {
  readonly id: string;
  readonly name: string;
  /** What its label counts it as. */
  readonly labelNo: number;
  /** Where it stands. */
  readonly roomId: string;
  readonly sizeL: number;
  readonly heightCm: number;
  readonly form: PailForm;
  /** As the shop tells its pails apart; null where it does not. */
  readonly colour: PailColour | null;
  readonly state: PailState;
  readonly sanitisedAt: Date | null;
  readonly contactUntil: Date | null;
  readonly fillId: string | null;
  readonly filledAt: Date | null;
  readonly litres: number | null;
  readonly solution: string | null;
  readonly fillTempC: number | null;
  readonly depth: string | null;
  readonly start: 'clean' | 'rinsed' | 'reused' | null;
  readonly alone: boolean | null;
  /** Null while it is in use. */
  readonly retiredAt: Date | null;
  /** The delivery it is kept for while that is expected, and whose it is; nulls where it is free. */
  readonly reservedFor: string | null;
  readonly reservedSupplier: string | null;
}

const COLUMNS = {
  id: 'p.id',
  name: 'p.name',
  form: 'p.form',
  colour: 'p.colour',
  labelNo: 'p.label_no',
  roomId: 's.room_id',
  sizeL: 'p.size_l',
  heightCm: 'p.height_cm',
  state: 'p.state',
  sanitisedAt: 'p.sanitised_at',
  contactUntil: 'p.contact_until',
  fillId: 'f.id',
  filledAt: 'f.filled_at',
  litres: 'f.litres',
  solution: 'f.solution',
  fillTempC: 'f.temp_c',
  depth: 'f.depth',
  start: 'f.start',
  alone: 'f.alone',
  retiredAt: 'p.retired_at',
  reservedFor: 'e.id',
  reservedSupplier: 'e.supplier',
};

function pails(trx: Trx) {
  return trx('pail as p')
    .leftJoin('stay as s', (on) => on.on('s.subject_id', 'p.id').andOnNull('s.to_at'))
    .leftJoin('pail_fill as f', (on) => on.on('f.pail_id', 'p.id').andOnNull('f.emptied_at'))
    .leftJoin('expected_delivery as e', (on) =>
      on.on('e.id', 'p.reserved_for').andOnVal('e.state', 'expected'),
    )
    .select(COLUMNS);
}

/** The pails that are in use. */
export async function manyPails(trx: Trx): Promise<PailRow[]> {
  return pails(trx).whereNull('p.retired_at').orderByRaw('length(p.name), p.name') as Promise<PailRow[]>;
}

/** A pail, in use or retired. */
export async function maybePail(trx: Trx, pailId: string): Promise<PailRow | undefined> {
  return pails(trx).where('p.id', pailId).first() as Promise<PailRow | undefined>;
}

/** Pails that were retired, the last first. */
export async function manyRetiredPails(trx: Trx): Promise<PailRow[]> {
  return pails(trx).whereNotNull('p.retired_at').orderBy('p.retired_at', 'desc') as Promise<PailRow[]>;
}

/** A pail as it is first written down. */
export interface NewPail {
  readonly name: string;
  readonly sizeL: number;
  readonly heightCm: number;
  /** Tapered where it is not told. */
  readonly form?: PailForm;
  readonly colour?: PailColour | null;
  /** Stands clean and upside down as it comes. */
  readonly isClean: boolean;
}

/** Writes pails down, standing in a room. @param from from when they stand in it. @returns their ids, in order */
export async function insertPails(
  trx: Trx,
  shopId: string,
  pails: readonly NewPail[],
  roomId: string,
  at: Date,
  from = at,
): Promise<string[]> {
  const rows = pails.map((p) => ({
    id: newId(),
    shop_id: shopId,
    name: p.name,
    size_l: p.sizeL,
    height_cm: p.heightCm,
    ...(p.form ? { form: p.form } : {}),
    colour: p.colour ?? null,
    state: p.isClean ? 'sanitised' : 'dirty',
    sanitised_at: p.isClean ? at : null,
  }));
  if (rows.length === 0) return [];
  await trx('pail').insert(rows);
  const standing = rows.map((p) => ({ subjectId: p.id, roomId, wet: true, fillId: null }));
  await beginLines(trx, shopId, 'pail_id', from, standing);
  return rows.map((r) => r.id);
}

/** Every name a pail bears or bore: labels hang on for years. */
export const manyPailNames = (trx: Trx): Promise<string[]> => trx('pail').pluck('name');

/**
 * The pail, retired or not, its row locked until the transaction ends.
 * @throws RefusedError when the shop has no such pail
 */
export async function anyPailForUpdate(trx: Trx, id: string): Promise<PailRow> {
  const pail = (await isLocked(trx, 'pail', id))
    ? ((await pails(trx).where('p.id', id).first()) as PailRow | undefined)
    : undefined;
  if (!pail) throw new RefusedError('That pail is not in this shop. Nothing was changed.');
  return pail;
}

/**
 * The same for a pail that is in use.
 * @throws RefusedError when the shop has no such pail, or it was retired
 */
export async function onePailForUpdate(trx: Trx, id: string): Promise<PailRow> {
  const pail = await anyPailForUpdate(trx, id);
  if (pail.retiredAt)
    throw new RefusedError(
      `Pail ${pail.name} was retired. Nothing was changed; bring it back under Rooms and pails.`,
    );
  return pail;
}

export async function changePail(
  trx: Trx,
  id: string,
  changes: Readonly<Record<string, unknown>>,
): Promise<void> {
  await trx('pail')
    .where({ id })
    .update({ ...changes, version: trx.raw('version + 1') });
}

export interface Filling extends Pick<PailWish, 'solution' | 'tempC' | 'depth' | 'alone'> {
  readonly litres: number;
  /** It stood clean so long that it counts as rinsed alone. */
  readonly hasStood?: boolean;
  /** Why a pail that was not sanitised is used all the same. */
  readonly overrideReason: string | null;
}

/** What water in it begins as. */
function startOf({ state }: PailRow, hasStood: boolean): 'clean' | 'rinsed' | 'reused' {
  if (state === 'sanitised') return hasStood ? 'rinsed' : 'clean';
  return state === 'scrubbed' ? 'rinsed' : 'reused';
}

/** Fills a pail; only a sanitised one, or any with a reason. Returns the fill's id. */
export async function fillPail(
  trx: Trx,
  shopId: string,
  pail: PailRow,
  filling: Filling,
  at: Date,
): Promise<string> {
  if (pail.fillId)
    throw new RefusedError(`Pail ${pail.name} is filled already. Nothing was changed; choose another.`);
  if (filling.litres > pail.sizeL)
    throw new RefusedError(
      `Pail ${pail.name} holds ${pail.sizeL} L, not ${filling.litres}. Nothing was changed.`,
    );
  const id = newId();
  const clean = pail.state === 'sanitised';
  if (!clean && !filling.overrideReason)
    throw new RefusedError(
      `Pail ${pail.name} is not sanitised. Nothing was filled; choose one that stands upside down, or give a reason.`,
    );
  await trx('pail_fill').insert({
    id,
    shop_id: shopId,
    pail_id: pail.id,
    filled_at: at,
    litres: filling.litres,
    solution: filling.solution,
    temp_c: filling.tempC,
    depth: filling.depth,
    alone: filling.alone,
    override_reason: filling.overrideReason,
    start: startOf(pail, filling.hasStood === true),
  });
  await changePail(trx, pail.id, { state: 'filled', contact_until: null, reserved_for: null });
  return id;
}

/** What stood in a pail last; null where nothing ever did. */
export async function maybeLastSolution(trx: Trx, pailId: string): Promise<string | null> {
  const last = await trx('pail_fill')
    .where({ pail_id: pailId })
    .orderBy('filled_at', 'desc')
    .first<{ solution: string } | undefined>('solution');
  return last?.solution ?? null;
}

/** Tips a pail out: its water ends, it is dirty. What stands in it is taken out before. */
export async function emptyPail(trx: Trx, pail: PailRow, at: Date): Promise<void> {
  if (!pail.fillId) throw new RefusedError(`Pail ${pail.name} has no water in it. Nothing was changed.`);
  // Filled at the very instant it is tipped out: it still held water.
  await trx('pail_fill')
    .where({ id: pail.fillId })
    .update({ emptied_at: trx.raw('greatest(?::timestamptz, filled_at)', [at]) });
  await changePail(trx, pail.id, { state: 'dirty' });
}

/** Keeps pails for a delivery that is expected; with null lets them go. */
export async function reservePails(
  trx: Trx,
  pailIds: readonly string[],
  expectedId: string | null,
): Promise<void> {
  await trx('pail')
    .whereIn('id', [...pailIds])
    .update({ reserved_for: expectedId });
}
