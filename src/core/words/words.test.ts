import fc from 'fast-check';
import * as v from 'valibot';
import { comparedWithOrdinary } from '../protocol/compare';
import { QUESTIONS } from '../protocol/questions';
import { DEFAULT_WAYS, PURPOSES, type Ways } from '../protocol/ways';
import { afterLook, LOOK_OUTCOMES } from '../protocol/aftercare';
import { FLAW_KINDS } from '../dock/flaws';
import { arrivalHazards } from '../dock/hazards';
import { SPECIES } from '../species/species';
import english from './en.json';
import spanish from './es.json';
import { LANGUAGES } from './catalogues';
import { isMessage, low, m, type MessageKey } from './message';
import { inEnglish, keysOf, NOT_YET, patternOf, say, spoken } from './say';
import { speciesName } from './species-name';
import { wordsSchema } from './words-schema';

const KEYS = Object.keys(english) as MessageKey[];
const placesOf = (text: string): string[] =>
  [...new Set([...text.matchAll(/\{(\w+)[,}]/g)].map((found) => found[1] ?? ''))].sort();

test('Spanish lacks what the desk alone reads, and nothing else; it has nothing that English has not', () => {
  const lacking = KEYS.filter((key) => !Object.hasOwn(spanish, key));
  expect(lacking.filter((key) => !key.startsWith('question.'))).toEqual([]);
  expect(lacking).toHaveLength(2 * QUESTIONS.length);
  const own = Object.keys(spanish).filter((key) => !key.startsWith('species.'));
  expect(own.filter((key) => !Object.hasOwn(english, key))).toEqual([]);
});

test('every species of the table has a name in every language, a shop’s own the one it was given', () => {
  const named = SPECIES.map((s) => `species.${s.key}`);
  expect(Object.keys(spanish).filter((key) => key.startsWith('species.'))).toEqual([...named].sort());
  expect(speciesName({ key: 'tulip', name: 'Tulip' }, 'es')).toBe('Tulipán');
  expect(speciesName({ key: 'own-1234-tulip', name: 'Our tulip' }, 'es')).toBe('Our tulip');
});

test('a sentence is told with the same things in every language; those of a page are filled in by the page', () => {
  const spoken: Readonly<Record<string, string>> = spanish;
  for (const key of KEYS) {
    const other = spoken[key];
    // A wrapping has its own word in a Spanish sentence.
    if (other === undefined || key === 'step.wrap-upright') continue;
    expect([key, placesOf(other)]).toEqual([key, placesOf(english[key])]);
  }
  for (const key of [...keysOf('bench.'), ...keysOf('food.')])
    for (const language of LANGUAGES) expect(patternOf(key, language)).not.toMatch(/\{\w+[^\w}]|\{\}/);
});

const waysArb: fc.Arbitrary<Ways> = fc.record({
  schools: fc
    .record(
      Object.fromEntries(QUESTIONS.map((q) => [q.key, fc.constantFrom(...q.schools.map((s) => s.key))])),
    )
    .map((house) => ({ house, exceptions: {} })),
  has: fc.constantFrom([], DEFAULT_WAYS.has),
  purpose: fc.constantFrom(...PURPOSES),
  eventInDays: fc.integer({ min: 0, max: 12 }),
  limits: fc.constant(DEFAULT_WAYS.limits),
  edits: fc.constant([]),
});
const lotArb = fc.record({
  species: fc.constantFrom(...SPECIES),
  stage: fc.double({ min: 0, max: 1, noNaN: true }),
  droop: fc.constantFrom('firm' as const, 'soft' as const, 'hanging' as const),
  packing: fc.constantFrom('', 'mesh sleeve', 'capped crate'),
  hoursDry: fc.integer({ min: 0, max: 90 }),
  flaws: fc.subarray([...FLAW_KINDS], { maxLength: 3 }),
});
const textsIn = (value: unknown): string[] => {
  if (typeof value === 'string') return [value];
  if (Array.isArray(value)) return value.flatMap(textsIn);
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(textsIn) : [];
};
const noMessageIn = (value: unknown): boolean =>
  !isMessage(value) &&
  (typeof value !== 'object' || value === null || Object.values(value).every(noMessageIn));

test('whatever comes in, all that is said of it is said in Spanish, whole, and in English as well', () => {
  fc.assert(
    fc.property(lotArb, waysArb, (lot, ways) => {
      const told = [
        comparedWithOrdinary(lot, ways),
        arrivalHazards(lot.species, 'highland farms by air'),
        LOOK_OUTCOMES.map((outcome) =>
          [0, 1, 2].map((round) => afterLook(outcome, round, lot.species, ways)),
        ),
      ];
      for (const language of LANGUAGES) {
        const said = spoken<unknown>(told, language);
        expect(noMessageIn(said)).toBe(true);
        for (const text of textsIn(said)) {
          expect(text.startsWith(NOT_YET)).toBe(false);
          expect(text).not.toMatch(/[{}]|undefined|\bNaN\b|\[object/);
        }
      }
    }),
    { numRuns: 250 },
  );
});

test('numbers, lists and the middle of a sentence are written as each language writes them', () => {
  const cut = m('step.cut-slanted', { cm: 2.5 });
  expect([inEnglish(cut), say(cut, 'es')]).toEqual(['Cut 2.5 cm, slanted', 'Corte 2,5 cm, en bisel']);
  const off = m('step.off', { things: [m('wrapping.paper'), m('wrapping.sleeve'), m('wrapping.bands')] });
  expect(inEnglish(off)).toBe('Paper, sleeve and bands off');
  expect(say(off, 'es')).toBe('Quite el papel, la funda y las gomas');
  expect(inEnglish(m('time.days', { n: 1 }))).toBe('1 day');
  expect(inEnglish(low(m('school.first-drink.warm.name')))).toBe('warm, 38 to 43 °C');
});

test('what the language has not is said in English and marked; what is broken stops nobody', () => {
  expect(say(m('question.acid.asks'), 'es')).toBe(`${NOT_YET}Acid`);
  expect(inEnglish({ message: 'no.such' as MessageKey })).toBe('no.such');
  expect(inEnglish(m('step.cut-slanted'))).toContain('cm, slanted');
  expect(inEnglish('Our own words {cm}')).toBe('Our own words {cm}');
});

test('words from outside are ours or a few written ones, and nested no deeper than ours', () => {
  const deep = (n: number): unknown =>
    n === 0 ? 'x' : { message: 'step.off', with: { things: deep(n - 1) } };
  expect(v.safeParse(wordsSchema, deep(2)).success).toBe(true);
  expect(v.safeParse(wordsSchema, deep(9)).success).toBe(false);
  for (const bad of [1, null, {}, { message: '<b>' }, { message: 'step.off', more: 1 }, 'x'.repeat(201)])
    expect(v.safeParse(wordsSchema, bad).success).toBe(false);
  fc.assert(
    fc.property(lotArb, (lot) => {
      for (const { title } of comparedWithOrdinary(lot, DEFAULT_WAYS).steps)
        expect(v.safeParse(wordsSchema, title).success).toBe(true);
    }),
    { numRuns: 60 },
  );
});
