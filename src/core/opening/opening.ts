import * as v from 'valibot';
import { UNITS } from '../units/measures';
import { NEEDS, type Need } from '../steps/types';
import { currencySchema, USUAL_CURRENCY } from './currency';
import { nextPailNames } from './pail-names';
import { MOST_STOCK_LINES, stockLineSchema } from './stock-in-hand';
import { login, password, personName, pin, words } from '../people/person-fields';

export const ROOM_KINDS = ['bench', 'cold', 'warm', 'floor'] as const;
export type RoomKind = (typeof ROOM_KINDS)[number];

/** A kind of room as shops usually have it, until somebody says what it really is: estimates. */
export const USUAL_ROOMS: Readonly<
  Record<
    RoomKind,
    { readonly name: string; readonly tempC: number; readonly humidityPct: number; readonly litHours: number }
  >
> = {
  bench: { name: 'Bench', tempC: 18, humidityPct: 60, litHours: 11 },
  cold: { name: 'Cold room', tempC: 4, humidityPct: 85, litHours: 2 },
  warm: { name: 'Warm shelf', tempC: 15, humidityPct: 75, litHours: 10 },
  floor: { name: 'Shop floor', tempC: 19, humidityPct: 55, litHours: 12 },
};

/** Whether the clocks of a time zone are known. */
function isZone(name: string): boolean {
  try {
    return Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone.length > 0;
  } catch {
    return false;
  }
}

const number = (from: number, to: number, what: string) =>
  v.pipe(
    v.number(`${what} is a number.`),
    v.minValue(from, `${what}: from ${from} to ${to}.`),
    v.maxValue(to, `${what}: from ${from} to ${to}.`),
  );

/** What a shop is asked whether it has; what stands in its rooms it says by them. */
export const ASKED_NEEDS = NEEDS.filter((need) => need !== 'cold room' && need !== 'tropical shelf');
/** The room that is what a step cannot be done without. */
const ROOM_NEEDED: Readonly<Partial<Record<Need, RoomKind>>> = {
  'cold room': 'cold',
  'tropical shelf': 'warm',
};

const supplier = v.strictObject({
  name: words(120, 'What are they called?'),
  claimHours: v.pipe(number(1, 720, 'Hours'), v.integer('Whole hours.')),
});

const MOST_PAILS = 500;

const namesOf = (opening: { manager: { name: string }; hands: readonly { name: string }[] }): string[] =>
  [opening.manager.name, ...opening.hands.map((h) => h.name)].map((n) => n.trim().toLowerCase());

/** All that a shop is opened with: what it is called, who works there, where and in what flowers stand. */
export const openingSchema = v.pipe(
  v.strictObject({
    name: words(80, 'What is it called?'),
    /** By its two letters; that there is a catalogue of it only the server knows. */
    language: v.pipe(v.string(), v.regex(/^[a-z]{2}$/, 'No such language.')),
    units: v.picklist(UNITS, 'Metric or US units.'),
    currency: v.optional(currencySchema, USUAL_CURRENCY),
    timeZone: v.pipe(v.string(), v.check(isZone, 'No clocks are known by that name.')),
    manager: v.strictObject({
      name: personName('Who manages it?'),
      login,
      password,
    }),
    hands: v.pipe(
      v.array(
        v.strictObject({
          name: personName('Whose PIN is it?'),
          pin,
        }),
      ),
      v.maxLength(40, 'At most forty pairs of hands to begin with.'),
    ),
    rooms: v.pipe(
      v.array(v.picklist(ROOM_KINDS, 'No such room.')),
      v.maxLength(ROOM_KINDS.length, 'Each room once.'),
    ),
    has: v.optional(v.array(v.picklist(ASKED_NEEDS, 'Nothing of that name is asked for.')), [...ASKED_NEEDS]),
    suppliers: v.optional(v.pipe(v.array(supplier), v.maxLength(40, 'At most forty to begin with.')), []),
    pails: v.pipe(
      v.array(
        v.strictObject({
          count: v.pipe(number(1, 200, 'How many'), v.integer('Whole pails.')),
          litres: number(0.5, 100, 'Litres'),
          heightCm: v.pipe(number(5, 100, 'Height'), v.integer('Whole centimetres.')),
          areClean: v.boolean(),
        }),
      ),
      v.maxLength(12, 'At most twelve sorts of pail.'),
      v.check(
        (sorts) => sorts.reduce((sum, s) => sum + s.count, 0) <= MOST_PAILS,
        `At most ${MOST_PAILS} pails to begin with.`,
      ),
    ),
    /** What stands there already, and in which room. */
    inHand: v.optional(
      v.pipe(
        v.array(stockLineSchema),
        v.maxLength(MOST_STOCK_LINES, `At most ${MOST_STOCK_LINES} lines to begin with.`),
      ),
      [],
    ),
    inHandRoom: v.optional(v.picklist(ROOM_KINDS, 'No such room.'), 'cold'),
  }),
  v.forward(
    v.check(
      ({ suppliers }) => new Set(suppliers.map((s) => s.name.toLowerCase())).size === suppliers.length,
      'Two suppliers have one name.',
    ),
    ['suppliers'],
  ),
  v.forward(
    v.check(
      (opening) => new Set(namesOf(opening)).size === namesOf(opening).length,
      'Two people have one name.',
    ),
    ['hands'],
  ),
);
export type Opening = v.InferOutput<typeof openingSchema>;

/** What the shop is without, by what it said it has and by its rooms. */
export const needsLacking = ({ has, rooms }: Pick<Opening, 'has' | 'rooms'>): Need[] =>
  NEEDS.filter((need) => {
    const room = ROOM_NEEDED[need];
    return room === undefined ? !has.some((one) => one === need) : !rooms.includes(room);
  });

/** The pails of the sorts told, named 1, 2, 3 … in that order. */
export function pailsToMake(
  sorts: Opening['pails'],
): { readonly name: string; readonly sizeL: number; readonly heightCm: number; readonly isClean: boolean }[] {
  const pails = sorts.flatMap((s) => Array.from({ length: s.count }, () => s));
  const names = nextPailNames([], pails.length);
  return pails.map((s, i) => ({
    name: names[i] ?? '',
    sizeL: s.litres,
    heightCm: s.heightCm,
    isClean: s.areClean,
  }));
}

/** The rooms of the kinds told: a bench there is always, and each kind once. */
export const roomsToMake = (kinds: readonly RoomKind[]) =>
  ROOM_KINDS.filter((kind) => kind === 'bench' || kinds.includes(kind)).map((kind) => ({
    kind,
    ...USUAL_ROOMS[kind],
  }));

const LONGEST_SLUG = 36;
/** Letters that are no other letter with a mark on it. */
const FOLDED_LETTERS: Readonly<Record<string, string>> = { æ: 'ae', ø: 'o', ß: 'ss', ł: 'l', đ: 'd' };
/** What a shop's address calls it: its name in small plain letters, with a number where that is taken. */
export function slugFor(name: string, taken: readonly string[]): string {
  const letters = name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[æøßłđ]/g, (letter) => FOLDED_LETTERS[letter] ?? '')
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, LONGEST_SLUG)
    .replace(/^-+|-+$/g, '');
  const plain = letters.length >= 2 ? letters : 'shop';
  if (!taken.includes(plain)) return plain;
  let n = 2;
  while (taken.includes(`${plain}-${n}`)) n++;
  return `${plain}-${n}`;
}
