import fc from 'fast-check';
import { BrokenContractError } from '../errors';
import { isKeyOf, ownMark, registryWith, SHIPPED_SPECIES } from './registry';
import { SPECIES, type Species } from './species';

const shopArb = fc.uuid();
const ownArb = fc
  .record({ shop: shopArb, like: fc.constantFrom(...SPECIES), lifeDays20C: fc.integer({ min: 2, max: 30 }) })
  .map(({ shop, like, lifeDays20C }) => ({
    shop,
    species: { ...like, key: `own-${ownMark(shop)}-of-our-own`, name: 'Of our own', lifeDays20C },
  }));

test('a shop’s own are known where they are handed in, and nowhere else', () => {
  fc.assert(
    fc.property(ownArb, ownArb, (ours, theirs) => {
      fc.pre(ownMark(ours.shop) !== ownMark(theirs.shop));
      const known = registryWith([ours.species]);
      expect(known.byKey(ours.species.key)).toBe(ours.species);
      expect(known.all).toHaveLength(SPECIES.length + 1);
      expect(known.find(theirs.species.key)).toBeUndefined();
      expect(SHIPPED_SPECIES.find(ours.species.key)).toBeUndefined();
      expect(isKeyOf(ours.species.key, ownMark(ours.shop))).toBe(true);
      expect(isKeyOf(ours.species.key, ownMark(theirs.shop))).toBe(false);
    }),
  );
});

test('nobody’s own stands in the place of one of the table’s, and of two of one key the last holds', () => {
  const rose = SHIPPED_SPECIES.byKey('rose');
  expect(registryWith([{ ...rose, lifeDays20C: 99 }])).toBe(SHIPPED_SPECIES);
  const [older, newer] = [8, 9].map((lifeDays20C) => ({ ...rose, key: 'own-abcd1234-quay', lifeDays20C }));
  const known = registryWith([older, newer] as Species[]);
  expect(known.byKey('own-abcd1234-quay').lifeDays20C).toBe(9);
  expect(known.own).toHaveLength(1);
  expect(known.byKey('rose')).toBe(rose);
});

test('what nobody knows is named by its field', () => {
  expect(() => SHIPPED_SPECIES.byKey('own-abcd1234-quay', 'lots[0].species')).toThrow(BrokenContractError);
  expect(SHIPPED_SPECIES.find('constructor')).toBeUndefined();
});
