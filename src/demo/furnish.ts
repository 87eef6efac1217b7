import { hash } from '@node-rs/argon2';
import { HOUR_MS } from '../core/calendar/spans';
import { SKILLS, type Skill } from '../core/protocol/types';
import type { Trx } from '../data/connection';
import { recordSkill } from '../data/house';
import { newId } from '../data/ids';
import type { Action } from '../data/record';
import { beginLines } from '../data/stays';
import { DEMO_PEOPLE, DEMO_ROOMS, DEMO_SHOP, type DemoPail } from './world';

/** Who and what is in the shop, by id. */
export interface Furnished {
  readonly people: readonly string[];
  /** By kind. */
  readonly rooms: ReadonlyMap<string, string>;
  /** In the order of the list of pails. */
  readonly pails: readonly string[];
}

/** Makes the shop with its people, rooms and pails. */
export async function furnish(
  trx: Trx,
  shop_id: string,
  at: Date,
  demoPails: readonly DemoPail[],
): Promise<Furnished> {
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
  const pails = demoPails.map((p) => ({
    id: newId(),
    shop_id,
    name: p.name,
    size_l: p.sizeL,
    height_cm: p.heightCm,
    state: 'dirty',
  }));
  await trx('person').insert(people);
  await trx('room').insert(rooms);
  await trx('pail').insert(pails);
  await beginLines(
    trx,
    shop_id,
    'pail_id',
    // Before anything that ever stood in them came.
    new Date(at.getTime() - 60 * 24 * HOUR_MS),
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

/** Wen and Bram are at the bench and were shown everything; Tove is new, and was shown the knife. */
export async function showSkills(trx: Trx, action: Action, people: readonly string[]): Promise<void> {
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
        { ...action, actionKey: newId() },
        { personId: people[at] ?? '', skill, shown: true },
        `${DEMO_PEOPLE[at]?.name ?? ''} was shown: ${skill}`,
      );
}
