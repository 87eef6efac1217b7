import { MEASURES } from '../units/measures';
import { BIN_REASONS } from '../dock/bin-reasons';
import { flawName, SAMPLED_FLAWS } from '../dock/flaws';
import { typedNumber } from '../numbers/read-number';
import { foldedWords } from '../species/folded-words';
import { LANGUAGES } from '../words/catalogues';
import { say } from '../words/say';
import { readCode } from '../labels/codes';
import type { SpeciesRegistry } from '../species/registry';
import type { FoodKey } from '../water/food';
import { findLots, findNamed, findWord, type Found } from './find';
import type { BinReason, Meaning, QuickReading, QuickWorld } from './types';

interface Context {
  readonly world: QuickWorld;
  readonly registry: SpeciesRegistry;
}
type Rule = (words: readonly string[], context: Context) => QuickReading | null;

const NUMBER = /^\d{1,6}$/;
const REASONS = BIN_REASONS.map((value) => ({ value, said: [foldedWords(value)] }));
const NAMES_OF_FLAWS = SAMPLED_FLAWS.map((value) => ({
  value,
  said: [value, ...LANGUAGES.map((language) => say(flawName(value), language))].map(foldedWords),
}));
/** How a part of a lot may have come, which is no flaw that is counted. */
const ANOTHER_STATE = [{ value: 'limp', said: ['limp', 'soft', 'hanging', 'drooping'] }] as const;
/** Words that say nothing by themselves. */
const LITTLE = new Set(['of', 'from', 'the', 'a', 'is', 'are', 'for', 'because', 'to', 'my', 'please']);

const read = (meanings: readonly Meaning[], unread: readonly string[] = []): QuickReading => ({
  meanings,
  unread: unread.filter((w) => !LITTLE.has(w)),
  problem: null,
});
const lacks = (problem: string, unread: readonly string[] = []): QuickReading => ({
  meanings: [],
  unread,
  problem,
});
const withoutLittle = (words: readonly string[]): string[] => {
  const from = words.findIndex((w) => !LITTLE.has(w));
  return from < 0 ? [] : words.slice(from);
};
const rest = <T>(words: readonly string[], { words: n }: Found<T>): string[] => withoutLittle(words.slice(n));

/** "tip out 7", "empty pail 7" */
const tipOut: Rule = (words, { world }) => {
  const n = words[0] === 'empty' ? 1 : words[0] === 'tip' && words[1] === 'out' ? 2 : 0;
  if (n === 0) return null;
  const name = withoutLittle(words.slice(words[n] === 'pail' ? n + 1 : n));
  if (name.length === 0) return lacks('Which pail?');
  const found = findNamed(name, world.pails);
  if (found.what.length === 0) return lacks(`There is no pail ${name.join(' ')}.`, name);
  const unread = rest(name, found);
  // A word that is not understood may be the one that matters: then it is shown, and nothing is offered to be done.
  return read(
    found.what.map((pail) => ({ kind: unread.length > 0 ? 'pail' : 'tip out', pail })),
    unread,
  );
};

/** "bin 4 of 148 broken"; without a reason each is offered */
const bin: Rule = (words, { world, registry }) => {
  if (words[0] !== 'bin') return null;
  const count = Number(words[1]);
  if (!NUMBER.test(words[1] ?? '') || count < 1)
    return lacks('How many stems, of which lot?', words.slice(1));
  const named = withoutLittle(words.slice(2));
  const lots = findLots(named, world, registry);
  if (lots.what.length === 0)
    return lacks(named.length === 0 ? 'Of which lot?' : `Nothing here is called ${named.join(' ')}.`, named);
  const why = rest(named, lots);
  const reason = findWord<BinReason>(why, REASONS);
  const unread = rest(why, reason);
  const enough = lots.what.filter((l) => l.stems >= count);
  const [first] = lots.what;
  if (enough.length === 0 && first)
    return lacks(`Lot ${first.number} has ${first.stems} stems, not ${count}.`);
  if (unread.length > 0)
    return read(
      enough.map((lot) => ({ kind: 'lot', lot })),
      unread,
    );
  const reasons = reason.what.length > 0 ? reason.what : BIN_REASONS;
  return read(enough.flatMap((lot) => reasons.map((r) => ({ kind: 'bin', lot, stems: count, reason: r }))));
};

/** "3 tulip 20 broken", "3 rose 20 limp": of twenty looked at three have it; and as it would be typed at the door, three bunches of twenty */
const counted: Rule = (words, { world, registry }) => {
  const seen = Number(words[0]);
  if (!NUMBER.test(words[0] ?? '') || words.length < 2) return null;
  const lots = findLots(words.slice(1), world, registry);
  const after = words.slice(1 + lots.words);
  if (lots.words === 0 || !NUMBER.test(after[0] ?? '')) return null;
  const sample = Number(after[0]);
  const flaw = findWord(after.slice(1), NAMES_OF_FLAWS);
  const state = findWord(after.slice(1), ANOTHER_STATE);
  const unread = rest(after.slice(1), flaw.words > 0 ? flaw : state);
  const name = words.slice(1, 1 + lots.words).join(' ');
  const line: Meaning = { kind: 'delivery line', text: `${seen}x${sample} ${name}` };
  const flaws =
    seen > 0 && seen < sample && unread.length === 0
      ? lots.what
          .filter((l) => sample <= l.stems)
          .flatMap((lot): Meaning[] => [
            ...flaw.what.map((f): Meaning => ({ kind: 'flaw', lot, flaw: f, seen, sample })),
            ...state.what.map((): Meaning => ({ kind: 'split', lot, stems: seen })),
          ])
      : [];
  return read([...flaws, line, ...lots.what.map((lot): Meaning => ({ kind: 'lot', lot }))], unread);
};

const VERBS: Readonly<Record<string, readonly Meaning['kind'][]>> = {
  where: ['lot'],
  lot: ['lot'],
  pail: ['pail'],
  card: ['card'],
  record: ['record of lot', 'record of pail', 'record of person'],
  who: ['record of lot', 'record of pail', 'record of person'],
};

/** "where tulip", "pail 12", "card opera foyer", "record of 148"; or only what it is about */
const shown: Rule = (words, { world, registry }) => {
  const kinds = VERBS[words[0] ?? ''];
  const said = kinds ? withoutLittle(words.slice(1)) : [...words];
  if (kinds && said.length === 0) return lacks(`${words[0] === 'who' ? 'Who did' : words[0]} what?`);
  const isWanted = (kind: Meaning['kind']): boolean => kinds?.includes(kind) ?? !kind.startsWith('record of');
  const bare = said[0] === 'pail' ? said.slice(1) : said;
  const lots = findLots(said, world, registry);
  const pails = said[0] === 'lot' ? { what: [], words: 0 } : findNamed(bare, world.pails);
  const made = findNamed(said, world.arrangements);
  const people = findNamed(said, world.people);
  const places = kinds ? { what: [], words: 0 } : findNamed(said, world.places);
  const all: { readonly words: number; readonly meanings: readonly Meaning[] }[] = [
    { words: places.words, meanings: places.what.map(({ key }) => ({ kind: 'place', key })) },
    {
      words: lots.words,
      meanings: lots.what.flatMap((lot): Meaning[] => [
        { kind: 'lot', lot },
        { kind: 'record of lot', lot },
      ]),
    },
    {
      words: pails.words + (bare === said ? 0 : 1),
      meanings: pails.what.flatMap((pail): Meaning[] => [
        { kind: 'pail', pail },
        { kind: 'record of pail', pail },
      ]),
    },
    { words: made.words, meanings: made.what.map((arrangement) => ({ kind: 'card', arrangement })) },
    // Whoever is named alone is asked about: what else would be meant by a name.
    { words: people.words, meanings: people.what.map((person) => ({ kind: 'record of person', person })) },
  ];
  const wanted = all
    .map((one) => ({
      ...one,
      meanings: one.meanings.filter((m) => isWanted(m.kind) || (!kinds && m.kind === 'record of person')),
    }))
    .filter((one) => one.meanings.length > 0);
  if (wanted.length === 0) return lacks(`Nothing here is called ${said.join(' ')}.`, said);
  const most = Math.max(...wanted.map((one) => one.words));
  return read(
    wanted.filter((one) => one.words === most).flatMap((one) => one.meanings),
    said.slice(most),
  );
};

/** A code that a scanner typed, or somebody from a label. */
function scanned(text: string, world: QuickWorld): QuickReading | null {
  const code = text.trim().startsWith('%') ? readCode(text) : null;
  if (code?.kind !== 'lot') return null;
  const lot = world.lots.find((l) => l.number === code.number);
  return lot ? read([{ kind: 'lot', lot }]) : lacks(`Lot ${code.number} is not in stock.`);
}

const SANITISER = '(?:bleach|chlorine|sanitiser|sanitizer)';
const QUARTS_A_GALLON = 4;
const WATER = String.raw`(\d{1,4}(?:[.,]\d{1,2})?)\s*(l|litres?|liters?|qts?|quarts?|gals?|gallons?)`;
const into = (product: string): RegExp =>
  new RegExp(`^(?:${product} (?:for )?${WATER}|${WATER}(?: of)? ${product})$`, 'i');
const DOSE = into(SANITISER);
/** What is fed, the plainest last: "food" alone is flower food. */
const FED: readonly (readonly [RegExp, FoodKey])[] = [
  [into('bulb(?: flower)? food'), 'bulb-food'],
  [into('holding(?: solution| food)?'), 'holding'],
  [into('(?:flower )?(?:food|feed)'), 'flower-food'],
];

/** Litres of so many litres, quarts or gallons. */
function litresOf(n: number, unit: string): number {
  if (/^l/i.test(unit)) return n;
  return MEASURES.litres.fromUs(/^g/i.test(unit) ? n * QUARTS_A_GALLON : n);
}

/** "bleach 10 L", "7,5 l bleach", "bleach 2 gal"; "food 3 L", "4 l bulb food" */
function dosed(text: string): QuickReading | null {
  const said = text.trim().replace(/\s+/g, ' ');
  const food = FED.find(([pattern]) => pattern.test(said));
  const found = (food?.[0] ?? DOSE).exec(said);
  if (!found) return null;
  const litres = litresOf(typedNumber(found[1] ?? found[3] ?? ''), found[2] ?? found[4] ?? '');
  if (!(litres > 0)) return lacks('Into how many litres?');
  return read([food ? { kind: 'food', food: food[1], litres } : { kind: 'dose', litres }]);
}

/**
 * What a few words mean: pages, lots, pails, people, or something to do. Nothing is done by reading
 * it; where a word is not understood nothing to do is offered.
 * @param text as typed, pasted or scanned
 */
export function readQuickLine(text: string, world: QuickWorld, registry: SpeciesRegistry): QuickReading {
  const words = foldedWords(text)
    .split(' ')
    .filter((w) => w !== '');
  if (words.length === 0) return read([]);
  const context = { world, registry };
  const known = scanned(text, world) ?? dosed(text);
  if (known) return known;
  for (const rule of [tipOut, bin, counted, shown]) {
    const reading = rule(words, context);
    if (reading) return reading;
  }
  return lacks('Nothing of that is understood.', words);
}
