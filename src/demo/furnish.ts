import { hash } from '@node-rs/argon2';
import { DAY_MS } from '../core/calendar/spans';
import { SKILLS, type Skill } from '../core/protocol/types';
import type { Trx } from '../data/connection';
import { recordSkill } from '../data/house';
import { newId } from '../data/ids';
import type { Action } from '../data/record';
import { insertShop, type Furnished } from '../data/shops';
import { DEMO_PEOPLE, DEMO_ROOMS, DEMO_SHOP, type DemoPail } from './world';

export type { Furnished };

/** Makes the demo shop with its people, rooms and pails; how its pails become clean is told in its record. */
export async function furnish(
  trx: Trx,
  shopId: string,
  at: Date,
  demoPails: readonly DemoPail[],
): Promise<Furnished> {
  const people = await Promise.all(
    DEMO_PEOPLE.map(async ({ secret, ...p }) => ({ ...p, secretHash: await hash(secret) })),
  );
  const pails = demoPails.map((p) => ({ ...p, isClean: false }));
  const shop = { id: shopId, ...DEMO_SHOP, demo: true, people, rooms: DEMO_ROOMS, pails };
  // Before anything that ever stood in them came.
  return insertShop(trx, shop, at, new Date(at.getTime() - 60 * DAY_MS));
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
