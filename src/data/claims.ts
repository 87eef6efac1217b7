import type { Knex } from 'knex';
import type { ClaimState } from '../core/dock/claims';
import type { Message } from '../core/words/message';
import { isLocked, type Ids, type Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { writeEntry, type Action } from './record';

export interface FlawRow {
  readonly lotId: string;
  readonly kind: string;
  readonly seen: number;
  readonly sample: number;
}

/** The last count of each flaw of each lot; those withdrawn left out. */
export async function manyFlaws(trx: Trx, lotIds: readonly string[]): Promise<FlawRow[]> {
  return latestFlaws(trx, lotIds);
}

/** The same of all lots that have stems here. */
export async function manyFlawsInStock(trx: Trx): Promise<FlawRow[]> {
  return latestFlaws(trx, trx('portion').whereRaw('stems > 0').select('lot_id'));
}

function latestFlaws(trx: Trx, lotIds: Ids): Knex.QueryBuilder<object, FlawRow[]> {
  const latest = trx('lot_flaw')
    .whereIn('lot_id', lotIds as readonly string[])
    .distinctOn('lot_id', 'kind')
    .orderBy(['lot_id', 'kind', { column: 'seq', order: 'desc' }])
    .as('f');
  return trx
    .from(latest)
    .where('f.withdrawn', false)
    .select({ lotId: 'f.lot_id', kind: 'f.kind', seen: 'f.seen', sample: 'f.sample' });
}

/** Writes down a count of a flaw, or with `withdrawn` that it was none. */
export async function insertFlaw(trx: Trx, action: Action, flaw: FlawRow, withdrawn = false): Promise<void> {
  await trx('lot_flaw').insert({
    id: newId(),
    shop_id: action.shopId,
    lot_id: flaw.lotId,
    kind: flaw.kind,
    seen: flaw.seen,
    sample: flaw.sample,
    withdrawn,
    seen_at: action.at,
    seen_by: action.personId,
  });
}

/** Kinds that a lot is claimed for already. */
export async function manyClaimedKinds(trx: Trx, lotId: string): Promise<string[]> {
  return trx('claim').where({ lot_id: lotId }).whereNot('state', 'withdrawn').distinct().pluck('kind');
}

/** Claims of a lot that stand, but those for what was short unless that is asked: these stems are claimed already. */
export async function manyStandingClaims(
  trx: Trx,
  lotId: string,
  withShort = false,
): Promise<{ readonly number: number; readonly kind: string; readonly stems: number }[]> {
  return trx('claim')
    .where({ lot_id: lotId })
    .whereIn('state', ['open', 'sent', 'credited'])
    .whereNotIn('kind', withShort ? [] : ['short'])
    .orderBy('number')
    .select('number', 'kind', 'stems');
}

export interface NewClaim {
  readonly lotId: string;
  readonly deliveryId: string;
  readonly kind: string;
  readonly says: Message;
  readonly stems: number;
  readonly value: number | null;
  readonly currency: string | null;
  readonly dueAt: Date;
}

/** Opens a claim and tells its number, under the shop's counters. */
export async function openClaim(
  trx: Trx,
  action: Action,
  claim: NewClaim,
): Promise<{ claimId: string; number: number }> {
  const last = (await trx('claim').max<{ max: number | null }[]>('number'))[0]?.max ?? 0;
  const claimId = newId();
  await trx('claim').insert({
    id: claimId,
    shop_id: action.shopId,
    number: last + 1,
    delivery_id: claim.deliveryId,
    lot_id: claim.lotId,
    kind: claim.kind,
    message: JSON.stringify(claim.says),
    stems: claim.stems,
    value: claim.value,
    currency: claim.currency,
    opened_at: action.at,
    opened_by: action.personId,
    due_at: claim.dueAt,
    moved_at: action.at,
  });
  await writeEntry(trx, action, {
    kind: 'claim',
    subjectKind: 'claim',
    subjectId: claimId,
    says: { message: 'record.claim', with: { claim: last + 1, n: claim.stems, says: claim.says } },
    detail: { ...claim, dueAt: claim.dueAt.toISOString() },
  });
  return { claimId, number: last + 1 };
}

/** From which states a claim comes to each. */
const COMES_FROM: Readonly<Record<ClaimState, readonly ClaimState[]>> = {
  open: [],
  sent: ['open'],
  credited: ['open', 'sent'],
  refused: ['open', 'sent'],
  withdrawn: ['open', 'sent'],
};

/**
 * Moves a claim on.
 * @throws RefusedError when it is not there or has been settled
 */
export async function moveClaim(
  trx: Trx,
  action: Action,
  claimId: string,
  state: ClaimState,
  settledValue: number | null,
): Promise<void> {
  const claim = (await isLocked(trx, 'claim', claimId))
    ? await trx('claim')
        .where({ id: claimId })
        .first<{ number: number; state: ClaimState } | undefined>('number', 'state')
    : undefined;
  if (!claim) throw new RefusedError('That claim is not in this shop. Nothing was changed.');
  if (!COMES_FROM[state].includes(claim.state))
    throw new RefusedError(`Claim ${claim.number} is ${claim.state} by now. Nothing was changed.`);
  await trx('claim')
    .where({ id: claimId })
    .update({ state, settled_value: settledValue, moved_at: action.at, version: trx.raw('version + 1') });
  await writeEntry(trx, action, {
    kind: 'claim-moved',
    subjectKind: 'claim',
    subjectId: claimId,
    says: {
      message: settledValue === null ? 'record.claim-moved' : 'record.claim-settled',
      with: {
        claim: claim.number,
        state: { message: `record.claim-state.${state}` },
        ...(settledValue === null ? {} : { value: settledValue.toFixed(2) }),
      },
    },
    detail: { from: claim.state, to: state, settledValue },
  });
}

/** Hours each supplier allows for a claim, where the shop has noted it. */
export async function claimHoursBySupplier(trx: Trx): Promise<Record<string, number>> {
  const rows: { supplier: string; claim_hours: number }[] = await trx('supplier_terms').select(
    'supplier',
    'claim_hours',
  );
  return Object.fromEntries(rows.map((r) => [r.supplier, r.claim_hours]));
}

/** Notes how long a supplier allows; null forgets it. */
export async function setClaimHours(
  trx: Trx,
  shopId: string,
  supplier: string,
  hours: number | null,
): Promise<void> {
  if (hours === null) {
    await trx('supplier_terms').where({ supplier }).delete();
    return;
  }
  await trx('supplier_terms')
    .insert({ shop_id: shopId, supplier, claim_hours: hours })
    .onConflict(['shop_id', 'supplier'])
    .merge(['claim_hours']);
}
