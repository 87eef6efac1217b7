import { randomUUID } from 'node:crypto';
import { act, later, lastEntry, openStep, portionOf, SURE, until } from './acting';
import { noteLine, TINY_JPEG, type World } from './bodies';
import type { TestShop } from './database';
import { stage } from './stage';

/** A pail of the shop's own that no other test touches. */
export async function newPail(shop: TestShop, state: 'sanitised' | 'dirty'): Promise<string> {
  const id = randomUUID();
  const at = stage.at;
  await shop.owner('pail').insert({
    id,
    shop_id: shop.shopId,
    name: id.slice(0, 13),
    size_l: 12,
    height_cm: 36,
    state,
    sanitised_at: state === 'sanitised' ? at : null,
  });
  await shop.owner.raw(
    `insert into stay (id, shop_id, pail_id, room_id, temp_c, humidity_pct, lit_hours, wet, from_at)
     select gen_random_uuid(), shop_id, ?::uuid, id, temp_c, humidity_pct, lit_hours, true, ? from room where id = ?`,
    [id, new Date(at.getTime() - 3_600_000), shop.benchId],
  );
  return id;
}

async function value<T>(outcome: Promise<{ ok: boolean; value?: unknown; message?: string }>): Promise<T> {
  const got = await outcome;
  if (!got.ok) throw new Error(`the world could not be made: ${got.message ?? ''}`);
  return got.value as T;
}

/** Makes a world afresh: two lots of one delivery, one of them drinking, with all that hangs on it. */
export async function newWorld(shop: TestShop): Promise<World> {
  later(1);
  const [pailId, cleanPailId, dirtyPailId] = [
    await newPail(shop, 'sanitised'),
    await newPail(shop, 'sanitised'),
    await newPail(shop, 'dirty'),
  ];
  const said = { ...noteLine(3, 'rose', 10), speciesKey: null };
  const booked = await value<{ deliveryId: string; lotIds: string[] }>(
    act('dock/book-in', {
      supplier: 'Norrholt Growers',
      deliveryRef: randomUUID().slice(0, 20),
      lines: [noteLine(1, 'gerbera', 30), noteLine(2, 'gerbera', 20)],
      kept: [{ fate: 'waiting', reason: 'which?', product: 'thrill', said }],
    }),
  );
  const [lotId = '', mateLotId = ''] = booked.lotIds;
  const { id: portionId } = await portionOf(lotId);
  const drink = await until(portionId, 'drink');
  await value(act('bench/tap', { stepId: drink.id, to: 'running', pails: [{ pailId }] }, { sure: SURE }));
  const { arrangementId } = await value<{ arrangementId: string }>(
    act('make/make', {
      name: 'tray',
      vesselKind: 'vase',
      litres: 1,
      care: 'usual',
      lines: [{ portionId, stems: 2 }],
    }),
  );
  await value(act('dock/flaw', { lotId, kind: 'broken', seen: 2, sample: 20 }));
  const { claimId } = await value<{ claimId: string }>(act('dock/claim', { lotId, kind: 'broken' }));
  const { photoId } = await value<{ photoId: string }>(act('dock/photo', { lotId, jpeg: TINY_JPEG }));
  const { expectedId } = await value<{ expectedId: string }>(
    act('dock/order', {
      supplier: 'Salt Hill',
      orderRef: randomUUID().slice(0, 20),
      dueOn: '2026-11-30',
      lines: [{ line: 1, speciesKey: 'rose', variety: null, lengthCm: null, stems: 10 }],
    }),
  );
  await value(act('dock/bin', { lotId, stems: 1, reason: 'broken' }));
  const kept = await shop
    .owner('kept_line')
    .where({ delivery_id: booked.deliveryId })
    .first<{ id: string }>('id');
  const steps = await shop
    .owner('protocol_step as s')
    .join('portion as o', (on) => on.on('o.id', 's.portion_id').andOn('o.plan_no', 's.plan_no'))
    .where({ 's.portion_id': portionId, 's.kind': 'look-back' })
    .first<{ id: string }>('s.id');
  const bram = await shop.owner('person').where({ name: 'Bram' }).first<{ id: string }>('id');
  return {
    lotId,
    portionId,
    stepId: (await openStep(portionId)).id,
    lookStepId: steps.id,
    mateLotId,
    deliveryId: booked.deliveryId,
    pailId,
    cleanPailId,
    dirtyPailId,
    arrangementId,
    claimId,
    keptId: kept.id,
    expectedId,
    photoId,
    personId: bram.id,
    roomId: shop.benchId,
    entryId: (await lastEntry()).id,
  };
}
