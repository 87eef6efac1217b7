import { hash } from '@node-rs/argon2';
import { DAY_MS } from '../core/calendar/spans';
import { SKILLS, type Skill } from '../core/protocol/types';
import type { Trx } from '../data/connection';
import { setFood, type FoodRow } from '../data/food';
import { recordSkill, setHouse } from '../data/house';
import { newId } from '../data/ids';
import type { Action } from '../data/record';
import { insertShop, type Furnished } from '../data/shops';
import { insertTool, type ToolRow } from '../data/tools';
import { DEMO_PEOPLE, DEMO_ROOMS, DEMO_SHOP, type DemoPail } from './world';

export type { Furnished };

/** What the demo shop feeds with: loose by the scoop, and for bulbs in sachets. */
const DEMO_FOODS: readonly FoodRow[] = [
  {
    solution: 'flower-food',
    name: 'Lee Shore food',
    aLitre: 10,
    unit: 'mL',
    sachetL: null,
    cup: { name: 'scoop', ml: 20 },
  },
  { solution: 'bulb-food', name: 'Lee Shore for bulbs', aLitre: 5, unit: 'g', sachetL: 2, cup: null },
];

/** Its clean pails stand covered. */
const CLOTH = {
  ...({ kind: 'limit', subject: '', key: 'readyDays', value: '7' } as const),
  reason: 'They stand under a cloth in the back',
} as const;

/** What it cuts with, and the vases that come back. */
const DEMO_TOOLS: readonly Pick<ToolRow, 'name' | 'kind' | 'everyH'>[] = [
  { name: 'Wen’s knife', kind: 'knife', everyH: 12 },
  { name: 'Bram’s snips', kind: 'snips', everyH: 12 },
  { name: 'Stripper', kind: 'stripper', everyH: 24 },
  { name: 'Vases that came back', kind: 'vases', everyH: 168 },
];

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
  const made = await insertShop(trx, shop, at, new Date(at.getTime() - 60 * DAY_MS));
  for (const { solution, ...food } of DEMO_FOODS) await setFood(trx, shopId, solution, food);
  const owner = {
    shopId,
    personId: made.people[0] ?? '',
    at: new Date(at.getTime() - 60 * DAY_MS),
    actionKey: newId(),
  };
  await setHouse(trx, owner, CLOTH, null);
  for (const tool of DEMO_TOOLS) await insertTool(trx, shopId, { ...tool, addedAt: at });
  return made;
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
