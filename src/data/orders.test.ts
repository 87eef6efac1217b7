import { freshShop, type TestShop } from '../../tests/support/database';
import { callOffOrder, manyExpected, placeOrder, settleOrder, type ExpectedDelivery } from './expected';
import { manyPortionsOfLot } from './portions';
import { insertRoom, manyRooms, setRoom } from './rooms';
import { manyStays } from './stays';

let shop: TestShop;
beforeAll(async () => {
  shop = await freshShop();
  await shop.owner('expected_delivery').where({ state: 'expected' }).update({ state: 'called-off' });
});
afterAll(() => shop.close());

const TODAY = '2026-11-24';
const line = (n: number, stems: number) => ({
  line: n,
  speciesKey: 'rose',
  variety: null,
  lengthCm: 60,
  stems,
});
const place = (orderRef: string, dueOn: string, supplier = 'Norrholt Growers'): Promise<string> =>
  shop.inside(async (trx) => {
    const order = { supplier, orderRef, dueOn, lines: [line(1, 40), line(2, 10)] };
    return (await placeOrder(trx, shop.action(), order)).expectedId;
  });
const expected = (today = TODAY): Promise<ExpectedDelivery[]> =>
  shop.inside((trx) => manyExpected(trx, today));
const refs = async (today?: string): Promise<string[]> => (await expected(today)).map((e) => e.orderRef);

describe('orders', () => {
  test('today’s stand first, then what is late, then what comes after', async () => {
    await place('LATER', '2026-11-27');
    await place('TODAY', TODAY);
    await place('LATE', '2026-11-20');
    expect(await refs()).toEqual(['TODAY', 'LATE', 'LATER']);
    const [today] = await expected();
    expect(today?.lines).toEqual([line(1, 40), line(2, 10)]);
  });

  test('one that never came lapses after a fortnight; it is in no list, and nothing is lost', async () => {
    await place('NEVER', '2026-11-09');
    expect(await refs()).not.toContain('NEVER');
    expect(await refs('2026-11-20')).toContain('NEVER');
  });

  test('a supplier’s order is noted once; another’s may bear the same number', async () => {
    await expect(place('TODAY', TODAY)).rejects.toThrow('TODAY from Norrholt Growers is noted already');
    await place('TODAY', TODAY, 'Salt Hill');
    expect((await refs()).filter((r) => r === 'TODAY')).toHaveLength(2);
  });

  test('called off it is expected no more; expected again after all it is', async () => {
    const id = await place('OFF', TODAY);
    expect(await shop.inside((trx) => callOffOrder(trx, id))).toBe('OFF to Norrholt Growers');
    expect(await refs()).not.toContain('OFF');
    await expect(shop.inside((trx) => callOffOrder(trx, id))).rejects.toThrow('called off meanwhile');
    await shop.inside((trx) => callOffOrder(trx, id, true));
    expect(await refs()).toContain('OFF');
  });

  test('come, it is no longer expected, and cannot be called off', async () => {
    const id = await place('CAME', TODAY);
    await shop.bookLot(10, 'CAME-NOTE');
    const delivery = await shop
      .owner('delivery')
      .where({ delivery_ref: 'CAME-NOTE' })
      .first<{ id: string }>('id');
    await shop.inside((trx) => settleOrder(trx, id, delivery.id));
    expect(await refs()).not.toContain('CAME');
    await expect(shop.inside((trx) => callOffOrder(trx, id))).rejects.toThrow('has come');
    // Another delivery does not take it over.
    await shop.inside((trx) => settleOrder(trx, id, delivery.id));
    const row = await shop
      .owner('expected_delivery')
      .where({ id })
      .first<{ delivery_id: string }>('delivery_id');
    expect(row.delivery_id).toBe(delivery.id);
  });
});

describe('rooms', () => {
  const AT = new Date('2026-11-24T09:00:00Z');

  test('a room is put in with its air, and stands in the list by name', async () => {
    await shop.inside((trx) =>
      insertRoom(trx, shop.shopId, {
        name: 'Archway',
        kind: 'cold',
        tempC: 4,
        humidityPct: 90,
        litHours: 0,
      }),
    );
    const rooms = await shop.inside((trx) => manyRooms(trx));
    expect(rooms.map((r) => r.name)).toEqual(rooms.map((r) => r.name).sort());
    expect(rooms.find((r) => r.name === 'Archway')).toMatchObject({ kind: 'cold', tempC: 4, litHours: 0 });
  });

  test('what stands in a room whose air is set anew stood in the old until then', async () => {
    const lotId = await shop.bookLot(12);
    const [portion] = await shop.inside((trx) => manyPortionsOfLot(trx, lotId));
    const id = portion?.id ?? '';
    const bench = (await shop.inside((trx) => manyRooms(trx))).find((r) => r.id === shop.benchId);
    if (!bench) throw new Error('there is a bench');
    await shop.inside((trx) =>
      setRoom(trx, shop.shopId, shop.benchId, { ...bench, tempC: bench.tempC + 5 }, AT),
    );
    const stays = await shop.inside((trx) => manyStays(trx, [id]));
    expect(stays.map((s) => [s.tempC, s.toAt?.toISOString() ?? null])).toEqual([
      [bench.tempC, AT.toISOString()],
      [bench.tempC + 5, null],
    ]);
  });

  test('what came and went before has its line as it was', async () => {
    const { rows } = await shop.owner.raw<{ rows: { n: number }[] }>(
      `select count(*)::int as n from stay where to_at is null and temp_c not in (select temp_c from room where room.id = stay.room_id)`,
    );
    expect(rows[0]?.n).toBe(0);
  });

  test('no room is colder or damper than any room there is, by the database’s own rules', async () => {
    for (const [column, value] of [
      ['temp_c', 80],
      ['humidity_pct', 140],
      ['lit_hours', 25],
    ] as const)
      await expect(
        shop
          .owner('room')
          .where({ id: shop.benchId })
          .update({ [column]: value }),
      ).rejects.toThrow(/check constraint/);
  });
});
