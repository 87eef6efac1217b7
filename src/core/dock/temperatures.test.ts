import * as fc from 'fast-check';
import { SHIPPED_SPECIES } from '../species/registry';
import { SPECIES } from '../species/species';
import { isTropical } from '../species/traits';
import { LANGUAGES, tagOf } from '../words/catalogues';
import { inEnglish, say } from '../words/say';
import { boxTemperature, daysUsedPerDay, packWaterTemperature } from './temperatures';

const rose = SHIPPED_SPECIES.byKey('rose');
const anyOf = fc.constantFrom(...SPECIES);
const warmth = fc.integer({ min: -50, max: 400 }).map((tenths) => tenths / 10);

test('every species is as it should be at its store, and spends a day of life a day at 20 °C', () => {
  for (const species of SPECIES) {
    const at = Math.max(species.storeMinC, species.chillBelowC ?? -0.5);
    expect(inEnglish(boxTemperature(species, at).words)).toMatch(/as it should be/);
    expect(daysUsedPerDay(species, 20)).toBe(1);
  }
});

test('a tropical flower is injured in a box that a rose is well in', () => {
  for (const species of SPECIES.filter(isTropical)) {
    expect(boxTemperature(species, 4)).toMatchObject({ isGrave: true });
    expect(inEnglish(boxTemperature(species, 4).words)).toMatch(/injured below/);
  }
  expect(boxTemperature(rose, 4).isGrave).toBe(false);
});

test('warmer never uses less life, and once a box is grave for being warm it stays so', () => {
  fc.assert(
    fc.property(anyOf, warmth, fc.integer({ min: 1, max: 100 }), (species, tempC, more) => {
      const warmer = tempC + more / 10;
      expect(daysUsedPerDay(species, warmer)).toBeGreaterThanOrEqual(daysUsedPerDay(species, tempC));
      if (tempC > species.storeMaxC && boxTemperature(species, tempC).isGrave)
        expect(boxTemperature(species, warmer).isGrave).toBe(true);
    }),
  );
});

test('what is said of a box is one of four things, in each language and unit, with its own degrees in it', () => {
  const said = /(injured|frozen|as it should be|times as fast)/;
  fc.assert(
    fc.property(anyOf, fc.integer({ min: -5, max: 40 }), (species, tempC) => {
      const { words } = boxTemperature(species, tempC);
      expect(inEnglish(words)).toMatch(said);
      expect(inEnglish(words)).toContain(`${tempC} °C`);
      for (const language of LANGUAGES) {
        const inFahrenheit = say(words, tagOf(language, 'us'));
        expect(inFahrenheit).toContain(`${Math.round(tempC * 1.8 + 32)} °F`);
        expect(inFahrenheit).not.toMatch(/°C|\{/);
      }
    }),
  );
});

test('how much faster it ages is told to a tenth: q10 of the species over the degrees above its store', () => {
  // A rose keeps at 4 °C at most; by its Q10, ten degrees above it ages so much faster.
  const times = (rose.q10 ** ((14 - rose.storeMaxC) / 10)).toFixed(1);
  expect(inEnglish(boxTemperature(rose, 14).words)).toContain(`${times} times as fast`);
});

test('water of a pack over 15 °C is old water, which is no claim by itself', () => {
  expect(packWaterTemperature(15)).toMatchObject({ isGrave: false });
  expect(inEnglish(packWaterTemperature(15).words)).toMatch(/fresh enough/);
  expect(inEnglish(packWaterTemperature(15.5).words)).toMatch(/warm water is old water/);
});
