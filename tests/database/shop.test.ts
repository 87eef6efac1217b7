import { shopDetails, shopPrinting } from '@/data/shops';
import { maybeCard } from '@/data/arrangements';
import { manyPails } from '@/data/pails';
import { manyStays } from '@/data/stays';
import { act, be, does, later } from '../support/acting';
import { BODIES, type World } from '../support/bodies';
import { freshShop, type TestShop } from '../support/database';
import { unsound } from '../support/sound';
import { stage } from '../support/stage';
import { newWorld } from '../support/world';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
let world: World;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  await be('Ilse');
  world = await newWorld(shop);
});
afterAll(() => shop.close());

const pails = () => shop.inside((trx) => manyPails(trx));
const pailNamed = async (name: string) => (await pails()).find((p) => p.name === name);

test('a card bears how the shop is reached as it was issued, and keeps it', async () => {
  const details = BODIES['shop/details'](world, 0);
  await act('shop/details', { ...details, telephone: 'Skerrow 214' });
  const made = await act('send-off/issue', { arrangementId: world.arrangementId, goesTo: 'home' });
  const { cardId } = (made.ok ? made.value : {}) as { cardId: string };
  await act('shop/details', { ...details, telephone: 'Skerrow 600' });
  const card = await shop.inside((trx) => maybeCard(trx, cardId));
  expect(card?.card.contact).toBe('Quay 4, Skerrow, Skerrow 214, Mon to Sat 8 to 18');
});

test('the shop counts in its own money and says whom it calls; a page of before these were asked leaves them', async () => {
  const details = BODIES['shop/details'](world, 0);
  const money = async () => (await shop.inside((trx) => shopDetails(trx))).currency;
  expect(await money()).toBe('EUR');
  expect(await does('shop/details', { ...details, currency: 'NOK', emergency: '112' })).toBe('done');
  expect(await does('shop/details', details)).toBe('done');
  expect(await money()).toBe('NOK');
  expect((await shop.inside((trx) => shopDetails(trx))).emergency).toBe('112');
  expect(await does('shop/details', { ...details, emergency: '1'.repeat(121) })).not.toBe('done');
  expect(await does('shop/details', { ...details, currency: 'shells' })).not.toBe('done');
});

test('a room that is set anew: what stood in it stood in the old air until now, and stands in the new', async () => {
  later(90);
  const before = await shop.inside((trx) => manyStays(trx, [world.portionId]));
  const last = before.at(-1);
  const room = { roomId: last?.roomId ?? '', humidityPct: 60, litHours: 11 };
  expect(await does('shop/set-room', { ...room, name: 'Bench, new', tempC: 12.5 })).toBe('done');
  const after = await shop.inside((trx) => manyStays(trx, [world.portionId]));
  expect(after.slice(0, -1)).toEqual([...before.slice(0, -1), { ...last, toAt: stage.at }]);
  expect(after.at(-1)).toMatchObject({
    ...{ roomId: last?.roomId, tempC: 12.5, wet: last?.wet, fillId: last?.fillId },
    ...{ fromAt: stage.at, toAt: null },
  });
  expect(await unsound(shop.owner)).toEqual([]);
});

test('new pails go on from the highest number, begin unwashed, and stand somewhere', async () => {
  const highest = Math.max(...(await pails()).map((p) => Number(p.name)).filter((n) => n > 0));
  const added = await act('shop/add-pails', { count: 3, litres: 8, heightCm: 28 });
  expect(added.ok && added.value).toEqual({
    names: [1, 2, 3].map((n) => String(highest + n)),
  });
  expect(await pailNamed(String(highest + 3))).toMatchObject({ state: 'dirty', sizeL: 8, litres: null });
  expect(await unsound(shop.owner)).toEqual([]);
});

test('a pail with water in it is not retired; a retired one is in no list, holds nothing, and keeps its name', async () => {
  const full = (await pails()).find((p) => p.fillId !== null);
  expect(await does('shop/retire-pail', { pailId: full?.id ?? '', isHere: false })).toMatch(
    /tip it out first/,
  );
  const dirty = (await pails()).find((p) => p.state === 'dirty');
  const pailId = dirty?.id ?? '';
  expect(await does('shop/retire-pail', { pailId, isHere: false })).toBe('done');
  expect(await pailNamed(dirty?.name ?? '')).toBeUndefined();
  expect(await does('pails/wash', { pailId, to: 'scrubbed' })).toMatch(/was retired/);
  const other = (await pails()).find((p) => p.state === 'dirty');
  expect(await does('shop/rename-pail', { pailId: other?.id ?? '', name: dirty?.name ?? '' })).toMatch(
    /or did/,
  );
  expect(await does('shop/retire-pail', { pailId, isHere: true })).toBe('done');
  expect(await pailNamed(dirty?.name ?? '')).toMatchObject({ state: 'dirty' });
});

test('what the printers hold is told once and kept whole: a roll has both measures, within what rolls there are', async () => {
  const held = () => shop.inside((trx) => shopPrinting(trx));
  expect(await held()).toEqual({ documents: 'A4', cards: 'A6', labels: null });
  const us = { documents: 'Letter', cards: '4x6', labels: { widthMm: 57, heightMm: 32 } } as const;
  expect(await does('shop/printers', us)).toBe('done');
  expect(await held()).toEqual(us);
  for (const labels of [{ widthMm: 57 }, { widthMm: 5, heightMm: 32 }, { widthMm: 57, heightMm: 900 }])
    expect(await does('shop/printers', { ...us, labels: labels as never })).not.toBe('done');
  expect(await held()).toEqual(us);
});
