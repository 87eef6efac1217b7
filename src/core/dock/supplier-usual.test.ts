import { SHIPPED_SPECIES } from '../species/registry';
import { againstUsual, usualInWords, type PastLot } from './supplier-usual';
import { inEnglish } from '../words/say';
import { boxTemperature, daysUsedPerDay } from './temperatures';

const past = (speciesKey: string, lifeUsed: number, over: Partial<PastLot> = {}): PastLot => ({
  speciesKey,
  lifeUsed,
  wasLookedAt: true,
  wasFirm: true,
  wasFlawed: false,
  wasShort: false,
  ...over,
});

test('a lot is held against the same flower of its supplier, or against all of theirs while there are few', () => {
  const roses = [0.1, 0.12, 0.14, 0.16].map((u) => past('rose', u));
  const rest = [past('tulip', 0.3, { wasFlawed: true }), past('tulip', 0.4, { wasFirm: false })];
  const usual = againstUsual({ speciesKey: 'rose', lifeUsed: 0.35 }, [...roses, ...rest]);
  expect(usual).toMatchObject({ lots: 4, ofSpecies: true, flawedShare: 0, isOutlying: true });
  expect(usual?.usualLifeUsed).toBeCloseTo(0.13);
  expect(againstUsual({ speciesKey: 'tulip', lifeUsed: 0.3 }, [...roses, ...rest])).toMatchObject({
    lots: 6,
    ofSpecies: false,
    isOutlying: false,
  });
  expect(againstUsual({ speciesKey: 'tulip', lifeUsed: 0.3 }, rest)).toBeNull();
  expect(usual && inEnglish(usualInWords('Norrholt Growers', SHIPPED_SPECIES.byKey('rose'), usual))).toBe(
    'rose of Norrholt Growers usually comes at 13\u00a0%, nine in ten of them at less than this (4 lots).',
  );
});

test('shares of what came limp or flawed are of what somebody looked at', () => {
  const unseen = Array.from({ length: 6 }, () => past('rose', 0.1, { wasLookedAt: false }));
  const seen = [past('rose', 0.1, { wasFirm: false }), past('rose', 0.1, { wasFlawed: true })];
  const usual = againstUsual({ speciesKey: 'rose', lifeUsed: 0.1 }, [...unseen, ...seen]);
  expect(usual).toMatchObject({ lots: 8, looked: 2, firmShare: 0.5, flawedShare: 0.5 });
  expect(
    usual && inEnglish(usualInWords('Norrholt Growers', SHIPPED_SPECIES.byKey('rose'), usual)),
  ).toContain('(8 lots; 2 looked at; 50\u00a0% came limp; 50\u00a0% had something to claim)');
  const none = againstUsual({ speciesKey: 'rose', lifeUsed: 0.1 }, unseen);
  expect(none).toMatchObject({ looked: 0, firmShare: null, flawedShare: null });
});

test('a box is said to be warm, chilled or as it should be, by its species', () => {
  const rose = SHIPPED_SPECIES.byKey('rose');
  expect(boxTemperature(rose, 4).isGrave).toBe(false);
  const warm = boxTemperature(rose, 14);
  expect(warm.isGrave).toBe(true);
  expect(inEnglish(warm.words)).toContain(`ages ${(2.9 ** 1).toFixed(1)} times as fast as at 4 °C`);
  expect(boxTemperature(SHIPPED_SPECIES.byKey('anthurium'), 6)).toMatchObject({ isGrave: true });
  expect(inEnglish(boxTemperature(SHIPPED_SPECIES.byKey('anthurium'), 6).words)).toContain('injured below');
  expect(inEnglish(boxTemperature(rose, -2).words)).toContain('frozen');
  expect(daysUsedPerDay(rose, 20)).toBe(1);
});
