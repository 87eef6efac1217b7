import { predictArrangement } from '@/core/arrangement/predict-arrangement';
import type { ArrangementForecast, ArrangementInput } from '@/core/arrangement/types';
import { maybeArrangement, maybeCard } from '@/data/arrangements';
import { habitInput } from '@/core/arrangement/at-home';
import { waitedInput } from '@/features/send-off/waiting-forecast';
import { manyStays } from '@/data/stays';
import { act, be, bookOf, later, portionOf, until } from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));
jest.setTimeout(120_000);

let shop: TestShop;
let ownKey = '';
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  await be('Ilse');
  await act('desk/set-figure', {
    kind: 'species',
    subject: 'rose',
    figure: 'lifeDays20C',
    value: 11,
    reason: 'windowsill stems',
  });
  const added = await act('desk/add-species', {
    name: 'Harbour phlox',
    botanical: 'Phlox paniculata',
    like: 'stock',
    reason: 'the garden grower',
  });
  ownKey = added.ok ? (added.value as { key: string }).key : '';
  await be('Wen');
});
afterAll(() => shop.close());

const make = async (
  lines: { portionId: string; stems: number }[],
  vesselKind: 'vase' | 'foam' = 'vase',
): Promise<string> => {
  const made = await act('make/make', { name: 'tray', vesselKind, litres: 1.5, care: 'mixed', lines });
  if (!made.ok) throw new Error(made.message);
  return (made.value as { arrangementId: string }).arrangementId;
};

test('every stored forecast is made again from its stored input alone, a species of the shop’s own included', async () => {
  const rose = await bookOf('rose', 20);
  await until(rose.id, 'look-back');
  const phlox = await portionOf(await shop.bookLot(20));
  await shop.owner('lot').where({ id: phlox.lotId }).update({ species_key: ownKey });
  await make([
    { portionId: rose.id, stems: 3 },
    { portionId: phlox.id, stems: 4 },
  ]);
  await make([{ portionId: rose.id, stems: 2 }], 'foam');
  const stored = await shop
    .owner('forecast')
    .select<{ input: ArrangementInput; result: ArrangementForecast & { habits: unknown; more: unknown } }[]>(
      'input',
      'result',
    );
  expect(stored).toHaveLength(2);
  expect(stored.some((s) => s.input.overrides?.own?.some((o) => o.key === ownKey))).toBe(true);
  // A process that has never heard of this shop: only what is shipped, and what stands in the input.
  await jest.isolateModulesAsync(async () => {
    const { SHIPPED_SPECIES } = await import('@/core/species/registry');
    expect(SHIPPED_SPECIES.find(ownKey)).toBeUndefined();
    const fresh = await import('@/core/arrangement/predict-arrangement');
    const habits = await import('@/core/habits/what-a-day-costs');
    for (const { input, result } of stored) {
      const { habits: kept, more, ...forecast } = result;
      expect(JSON.parse(JSON.stringify(fresh.predictArrangement(input)))).toEqual(forecast);
      const costs = habits.whatADayCosts(habitInput(input));
      expect(JSON.parse(JSON.stringify(costs.habits))).toEqual(kept);
      expect(JSON.parse(JSON.stringify(costs.more))).toEqual(more);
    }
  });
});

test('what has waited is forecast by its own stays here, and its card says so', async () => {
  const rose = await bookOf('rose', 20);
  await until(rose.id, 'look-back');
  const id = await make([{ portionId: rose.id, stems: 5 }]);
  const row = await shop.inside((trx) => maybeArrangement(trx, id));
  if (!row) throw new Error('it was made');
  const daysAfter = async (hours: number): Promise<number> => {
    const at = new Date(row.madeAt.getTime() + hours * 3_600_000);
    const stays = await shop.inside((trx) => manyStays(trx, [id]));
    return predictArrangement(waitedInput(row, stays, at)).stillAGift.p50;
  };
  const [fresh, twoDays] = [await daysAfter(0), await daysAfter(48)];
  // Two days on a shop floor of 18.5 °C age it by less than two on the warmer table it is reckoned for.
  expect(fresh - twoDays).toBeGreaterThan(0.8);
  expect(fresh - twoDays).toBeLessThan(2.2);
  // The same two days in the cold room would have cost it less: it is the place, and not the hours.
  const cold = await shop.owner('room').where({ kind: 'cold' }).first<{ id: string }>('id');
  await shop.owner.raw(
    `update stay set room_id = r.id, temp_c = r.temp_c, humidity_pct = r.humidity_pct, lit_hours = r.lit_hours
     from room r where r.id = ? and stay.arrangement_id = ?`,
    [cold.id, id],
  );
  expect(await daysAfter(48)).toBeGreaterThan(twoDays + 0.5);
  later(60 * 48);
  const issued = await act('send-off/issue', { arrangementId: id });
  const cardId = issued.ok ? (issued.value as { cardId: string }).cardId : '';
  const card = await shop.inside((trx) => maybeCard(trx, cardId));
  expect(card?.card.date).toBe(stage.at.toISOString().slice(0, 10));
});
