import { ownMark, SHIPPED_SPECIES } from '@/core/species/registry';
import { manyOwnSpecies } from '@/data/house';
import { speciesOfOwn } from '@/server/own-species';
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

test('one stored before there were traits is read with those its columns tell, and one that cannot be read stops nobody', async () => {
  await be('Ilse');
  const mark = ownMark(shop.shopId);
  const lily = SHIPPED_SPECIES.all.find((s) => s.traits.includes('lily'));
  if (!lily) throw new Error('there is a lily');
  const older = Object.fromEntries(
    Object.entries(lily).filter(([column]) => column !== 'traits' && column !== 'waterMostH'),
  );
  const person = await shop.owner('person').where({ name: 'Ilse' }).first<{ id: string }>('id');
  const store = (key: string, species: object) =>
    shop.owner('own_species').insert({
      id: crypto.randomUUID(),
      shop_id: shop.shopId,
      species_key: key,
      species: JSON.stringify(species),
      edits: '[]',
      reason: 'as an older version stored it',
      set_at: stage.at,
      set_by: person.id,
    });
  const [mine, broken] = [`own-${mark}-quay-lily`, `own-${mark}-no-such-habit`];
  await store(mine, { ...older, key: mine, name: 'Quay lily' });
  await store(broken, { ...older, key: broken, name: 'Nothing', habit: 'walks' });
  const read = await shop.inside((trx) => speciesOfOwn(trx));
  expect(read.find((s) => s.key === mine)?.traits).toEqual(expect.arrayContaining(['lily']));
  expect(read.some((s) => s.key === broken)).toBe(false);
  const orderRef = 'OLD quay lily';
  const lines = [{ line: 1, speciesKey: mine, variety: null, lengthCm: null, stems: 10 }];
  const ordered = await send('dock/order', { supplier: 'Salt Hill', orderRef, dueOn: '2026-12-02', lines });
  expect(ordered).toMatchObject({ ok: true });
});
