import { cardOf } from '@/features/bench/cards';
import { readFloor } from '@/features/bench/floor';
import type { SignedIn } from '@/server/session';
import { act, be, bookOf, cleanPail, portionById, SURE, takeBackLast, until } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  await be('Wen');
});
afterAll(() => shop.close());

/** Standing water that the bench offers a portion for its step. */
async function offered(portionId: string): Promise<Set<string>> {
  const me = { ...stage.me, shop: { id: shop.shopId, timeZone: 'Etc/UTC', demo: true } } as SignedIn;
  const floor = await shop.inside((trx) => readFloor(trx, me, stage.at, portionId));
  const hand = floor.hands[0];
  if (!hand) throw new Error('nobody is at the bench');
  const card = cardOf(floor, hand, portionId, [], me, stage.at);
  return new Set(card?.pails.filter((p) => p.shares).map((p) => p.id));
}

test('the water a card offers is the water that may be poured into, whatever the two lots are', async () => {
  const made: { name: string; portionId: string; stepId: string }[] = [];
  for (const [name, species, droop] of [
    ['roses', 'rose', 'firm'],
    ['more roses', 'rose', 'firm'],
    ['roses that hang', 'rose', 'hanging'],
    ['more that hang', 'rose', 'hanging'],
    ['tulips', 'tulip', 'firm'],
    ['carnations', 'carnation', 'firm'],
    ['daffodils that bleed', 'daffodil', 'firm'],
    ['more that bleed', 'daffodil', 'firm'],
  ] as const) {
    const portion = await bookOf(species, 5);
    if (droop === 'hanging') await act('dock/look', { lotId: portion.lotId, stage: portion.stage, droop });
    const step = await until(portion.id, species === 'daffodil' ? 'sap-soak' : 'drink');
    made.push({ name, portionId: portion.id, stepId: step.id });
  }
  const pour = (stepId: string, pailId: string) =>
    act('bench/tap', { stepId, to: 'running', pailId }, { sure: SURE });
  const together: string[] = [];
  for (const standing of made) {
    const pailId = await cleanPail();
    expect((await pour(standing.stepId, pailId)).ok).toBe(true);
    for (const other of made.filter((m) => m !== standing)) {
      if ((await portionById(other.portionId)).fillId) continue;
      const isOffered = (await offered(other.portionId)).has(pailId);
      const outcome = await pour(other.stepId, pailId);
      expect([standing.name, other.name, outcome.ok]).toEqual([standing.name, other.name, isOffered]);
      if (!outcome.ok) continue;
      together.push(`${other.name} to ${standing.name}`);
      expect(await takeBackLast(SURE)).toBe('done');
    }
    expect(await takeBackLast(SURE)).toBe('done');
  }
  expect(together.sort()).toEqual(
    [
      'carnations to more roses',
      'carnations to roses',
      'more roses to carnations',
      'more roses to roses',
      'more that bleed to daffodils that bleed',
      'more that hang to roses that hang',
      'daffodils that bleed to more that bleed',
      'roses that hang to more that hang',
      'roses to carnations',
      'roses to more roses',
    ].sort(),
  );
});
