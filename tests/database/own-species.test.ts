import { ownMark, SHIPPED_SPECIES } from '@/core/species/registry';
import { manyOwnSpecies } from '@/data/house';
import { be, send } from '../support/acting';
import { noteLine } from '../support/bodies';
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
});
afterAll(() => shop.close());

test('a species of our own is added under our mark, known from then on, and another shop’s is refused', async () => {
  await be('Ilse');
  const added = await send('desk/add-species', {
    name: 'Harbour phlox',
    botanical: 'Phlox paniculata',
    like: 'stock',
    reason: 'the garden grower brings it',
  });
  const key = `own-${ownMark(shop.shopId)}-harbour-phlox`;
  expect(added).toMatchObject({ ok: true, value: { key } });
  const [own] = (await shop.inside((trx) => manyOwnSpecies(trx))).filter((o) => o.speciesKey === key);
  expect(own?.species).toMatchObject({ name: 'Harbour phlox', basis: 'practice' });
  const file = {
    format: 'hush-pail species and protocol',
    version: 1,
    speciesKey: key,
    species: { ...own?.species, dryHours: 6 },
    edits: [],
  };
  expect((await send('desk/set-protocol', { file, reason: 'wilts sooner' })).ok).toBe(true);
  const foreign = key.replace(ownMark(shop.shopId), 'aaaa1111');
  expect(
    await send('desk/set-protocol', {
      file: { ...file, speciesKey: foreign, species: { ...file.species, key: foreign } },
      reason: 'from afar',
    }),
  ).toMatchObject({ ok: false, why: 'refused' });
  // Ours is known in the very next request; the other's is nobody's, whoever names it.
  const named = (speciesKey: string) => ({
    'dock/book-in': {
      supplier: 'Norrholt Growers',
      deliveryRef: `OWN ${speciesKey.slice(0, 12)}`,
      lines: [noteLine(1, speciesKey, 10)],
    },
    'dock/order': {
      supplier: 'Salt Hill',
      orderRef: `OWN ${speciesKey.slice(0, 12)}`,
      dueOn: '2026-12-01',
      lines: [{ line: 1, speciesKey, variety: null, lengthCm: null, stems: 10 }],
    },
    'desk/add-species': { name: `As ${speciesKey}`, botanical: 'Nova', like: speciesKey, reason: 'like it' },
    'desk/set-way': {
      kind: 'school',
      key: 'first-drink',
      subject: speciesKey,
      value: null,
      reason: 'as the rest',
    },
  });
  for (const [name, body] of Object.entries(named(foreign)))
    expect([name, await send(name as 'dock/order', body as never)]).toMatchObject([
      name,
      { ok: false, why: 'refused' },
    ]);
  for (const [name, body] of Object.entries(named(key)).slice(0, 3))
    expect([name, await send(name as 'dock/order', body as never)]).toMatchObject([name, { ok: true }]);
  expect(SHIPPED_SPECIES.find('rose')?.dryHours).toBe(8);
});
