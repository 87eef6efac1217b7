import { SHIPPED_SPECIES } from '../core/species/registry';
import { HOUR_MS } from '../core/calendar/spans';
import { hash } from '@node-rs/argon2';
import type { Knex } from 'knex';
import { firstGuess, hoursSinceCut } from '../core/dock/first-guess';
import { isWetPacked } from '../core/vase-life/journey';
import { isTropical } from '../core/species/traits';
import { SKILLS, type Skill } from '../core/protocol/types';
import { setAtBench } from '../data/bench';
import { inShop, type Trx } from '../data/connection';
import { bookDelivery } from '../data/deliveries';
import { recordSkill } from '../data/house';
import { newId } from '../data/ids';
import { changeLot } from '../data/lots';
import { fillPail, onePailForUpdate } from '../data/pails';
import { manyPortionsOfLot } from '../data/portions';
import { writeEntry, type Action } from '../data/record';
import { beginLines, moveStay } from '../data/stays';
import { changeStep, type StepRow } from '../data/steps';
import { loadOrders, loadPastVans } from './history';
import {
  DEMO_EARLIER_LINES,
  DEMO_PAILS,
  DEMO_PEOPLE,
  DEMO_ROOMS,
  DEMO_SHOP,
  DEMO_SUPPLIER,
  dayBefore,
} from './world';

async function furnish(
  trx: Trx,
  shop_id: string,
  at: Date,
): Promise<{ people: string[]; rooms: Map<string, string>; pails: string[] }> {
  await trx('shop').insert({
    id: shop_id,
    slug: DEMO_SHOP.slug,
    name: DEMO_SHOP.name,
    time_zone: DEMO_SHOP.timeZone,
    demo: true,
    created_at: at,
  });
  const people = await Promise.all(
    DEMO_PEOPLE.map(async ({ name, role, login, secret }) => ({
      id: newId(),
      shop_id,
      name,
      role,
      login,
      secret_hash: await hash(secret),
    })),
  );
  const rooms = DEMO_ROOMS.map((r) => ({
    id: newId(),
    shop_id,
    name: r.name,
    kind: r.kind,
    temp_c: r.tempC,
    humidity_pct: r.humidityPct,
    lit_hours: r.litHours,
  }));
  const pails = DEMO_PAILS.map((p) => ({
    id: newId(),
    shop_id,
    name: p.name,
    size_l: p.sizeL,
    height_cm: p.heightCm,
    state: p.state,
    sanitised_at: p.state === 'sanitised' ? new Date(at.getTime() - 12 * HOUR_MS) : null,
  }));
  await trx('person').insert(people);
  await trx('room').insert(rooms);
  await trx('pail').insert(pails);
  await beginLines(
    trx,
    shop_id,
    'pail_id',
    new Date(at.getTime() - 72 * HOUR_MS),
    pails.map((p) => ({
      subjectId: p.id,
      roomId: rooms.find((r) => r.kind === 'bench')?.id ?? '',
      wet: true,
      fillId: null,
    })),
  );
  return {
    people: people.map((p) => p.id),
    rooms: new Map(rooms.map((r) => [r.kind, r.id])),
    pails: pails.map((p) => p.id),
  };
}

/** Stands a lot of an earlier day in its pail with its protocol behind it. */
async function processEarlier(
  trx: Trx,
  action: Action,
  lotId: string,
  pailId: string,
  rooms: ReadonlyMap<string, string>,
  speciesKey: string,
  now: Date,
): Promise<void> {
  const species = SHIPPED_SPECIES.find(speciesKey);
  const [portion] = await manyPortionsOfLot(trx, lotId);
  if (!portion) return;
  const steps = await trx('protocol_step')
    .where({ portion_id: portion.id, plan_no: 1 })
    .orderBy('position')
    .select<Pick<StepRow, 'id' | 'kind' | 'step'>[]>('id', 'kind', 'step');
  const wish = steps.find((s) => s.kind === 'drink')?.step.pail;
  if (!wish) return;
  const pail = await onePailForUpdate(trx, pailId);
  const fillId = await fillPail(
    trx,
    action.shopId,
    pail,
    { ...wish, alone: false, litres: 4, overrideReason: null },
    action.at,
  );
  for (const step of steps) {
    const due = new Date(action.at.getTime() + step.step.waitSeconds * 1000);
    // The next change of water runs on; what was due while nobody counted is not held against the demo.
    const runs = step.kind === 'recut' && due > now;
    await changeStep(
      trx,
      step.id,
      runs
        ? { status: 'running', started_at: action.at, due_at: due }
        : { status: 'done', started_at: action.at, ended_at: action.at },
    );
  }
  const kind = species && isTropical(species) ? 'warm' : 'cold';
  const roomId = rooms.get(kind) ?? portion.roomId;
  await moveStay(trx, action.shopId, 'portion_id', portion.id, { roomId, wet: true, fillId }, action.at);
  await moveStay(trx, action.shopId, 'pail_id', pailId, { roomId }, action.at);
  await changeLot(trx, lotId, { looked_at: action.at });
  await writeEntry(
    trx,
    { ...action, actionKey: newId() },
    {
      kind: 'processed',
      subjectKind: 'lot',
      subjectId: lotId,
      says: {
        message: 'record.processed',
        with: { species: { species: speciesKey, name: species?.name ?? speciesKey }, pail: pail.name },
      },
      detail: {},
    },
  );
}

/** Wen and Bram are at the bench and were shown everything; Tove is new, and was shown the knife. */
async function staffTheBench(
  trx: Trx,
  action: (personAt: number, when?: Date) => Action,
  people: readonly string[],
): Promise<void> {
  const shownTo: readonly (readonly [person: number, skills: readonly Skill[]])[] = [
    [0, SKILLS],
    [1, SKILLS],
    [2, SKILLS],
    [3, ['knife']],
  ];
  for (const [at, skills] of shownTo)
    for (const skill of skills)
      await recordSkill(
        trx,
        action(0),
        { personId: people[at] ?? '', skill, shown: true },
        `${DEMO_PEOPLE[at]?.name ?? ''} was shown: ${skill}`,
      );
}

/**
 * Loads the demo world once, dated to `at`; false when it is there already.
 */
export async function loadDemo(db: Knex, at: Date): Promise<boolean> {
  if (await db('shop').where({ slug: DEMO_SHOP.slug }).first('id')) return false;
  const shopId = newId();
  await inShop(db, shopId, async (trx) => {
    const { people, rooms, pails } = await furnish(trx, shopId, at);
    const came = new Date(at.getTime() - 48 * HOUR_MS);
    const action = (personAt: number, when: Date = came): Action => ({
      shopId,
      personId: people[personAt] ?? '',
      actionKey: newId(),
      at: when,
    });
    await staffTheBench(trx, action, people);
    for (const hand of [1, 2])
      await setAtBench(trx, action(hand, new Date(at.getTime() - HOUR_MS / 2)), people[hand] ?? '', true);
    await loadPastVans(trx, (when) => action(1, when), rooms.get('bench') ?? '', at);
    await loadOrders(trx, (when) => action(0, when), at);
    const { lotIds } = await bookDelivery(trx, action(0), {
      supplier: DEMO_SUPPLIER,
      deliveryRef: `QN-${dayBefore(came, 0).slice(5).replace('-', '')}`,
      roomId: rooms.get('bench') ?? '',
      arrivedAt: came,
      lots: DEMO_EARLIER_LINES.map((l, i) => {
        const cutDate = dayBefore(at, l.cutDaysBefore);
        return {
          line: i + 1,
          speciesKey: l.speciesKey,
          variety: l.variety,
          colour: l.colour,
          lengthCm: 60,
          headsMin: null,
          stems: l.bunches * l.stemsPerBunch,
          cutDate,
          origin: l.origin,
          packing: l.packing,
          isWetPacked: isWetPacked(l.packing),
          unitPrice: l.unitPrice,
          currency: 'EUR',
          ...firstGuess({
            species: SHIPPED_SPECIES.byKey(l.speciesKey),
            origin: l.origin,
            packing: l.packing,
            hoursSinceCut: hoursSinceCut(cutDate, came),
          }),
        };
      }),
    });
    const processed = new Date(came.getTime() + HOUR_MS);
    for (const [i, lotId] of lotIds.entries())
      await processEarlier(
        trx,
        { ...action(1 + (i % 3)), at: processed },
        lotId,
        pails[i] ?? '',
        rooms,
        DEMO_EARLIER_LINES[i]?.speciesKey ?? '',
        at,
      );
  });
  return true;
}
