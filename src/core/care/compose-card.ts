import { addDays } from '../calendar/dates';
import type { Species } from '../species/species';
import { hasTrait, isTropical, takesColdNights, type Trait } from '../species/traits';
import type { Vessel } from '../arrangement/types';
import type { SolutionKey } from '../water/solutions';
import { m, shortName, low, type Message } from '../words/message';
import { HORIZON_DAYS } from '../model/constants';
import { MORE_TO_DO, type HabitKey } from '../habits/habits';
import type { Interaction } from '../habits/what-a-day-costs';
import { cardLead, dayAfter, type CardLead, type LocalMoment } from './card-dates';
import type { Spoken } from '../words/say';
import type { GoesTo } from './goes-to';
import { cardCautions } from './card-cautions';

/** A line of the card: what to do, and the day it falls on where it has one (ISO date). */
export interface CareLine {
  readonly key:
    | 'water'
    | 'food'
    | 'change'
    | 'top-up'
    | 'place'
    | 'nights'
    | 'pull'
    | 'anthers'
    | 'mist'
    | 'no-recut'
    | 'length';
  readonly text: Message;
  readonly date: string | null;
  /** The promise takes it for granted: it is owed. What is not buys more. */
  readonly isOwed: boolean;
  /** Median days it buys this arrangement; null where that was not reckoned. */
  readonly gainDays: number | null;
}

/** Days that habits buy this very arrangement, by habit. */
export type HabitGains = Readonly<Partial<Record<HabitKey, number>>>;

export interface CareCardInput {
  readonly vessel: Vessel;
  readonly species: readonly Species[];
  readonly solution: SolutionKey;
  readonly changeEveryDays: number;
  /** When it leaves the shop, in the shop's zone. */
  readonly from: LocalMoment;
  readonly goesTo: GoesTo;
  /** Days still a gift at the shop's confidence, unrounded. */
  readonly promisedDays: number;
  /** Name of the kind that is forecast to end first. */
  readonly firstToFade: Pick<Species, 'key' | 'name'>;
  /** What each habit buys; lines go by it, largest first. Without it they keep a fixed order. */
  readonly gains?: HabitGains;
  /** What the two things beyond the promise that buy most are worth together. */
  readonly more?: Pick<Interaction, 'habits' | 'bothDays'> | null;
  /** The house's schools where they bear on the card: cold nights at home, and stem length. */
  readonly nights?: string;
  readonly stemLength?: string;
  /** Days to each, in the middle. */
  readonly daysTo: { readonly firstFade: number; readonly stillAGift: number; readonly lastStand: number };
}

export interface CareCard {
  /** Absent from cards of before it was said so. */
  readonly lead?: CardLead;
  /** What is owed by its dates, then what buys more by its days. */
  readonly lines: readonly CareLine[];
  /** The two of them that buy most, in one sum; null where no two do. */
  readonly together?: Message | null;
  readonly dates: { readonly firstFade: string; readonly stillAGift: string; readonly lastStand: string };
  readonly promise: Message;
  readonly rescue: Message | null;
  readonly cautions: readonly Message[];
  readonly skip: Message;
}

type Draft = Omit<CareLine, 'gainDays' | 'isOwed'>;

function waterLines(input: CareCardInput, hasMucilage: boolean): Draft[] {
  const isPlain = input.solution === 'plain';
  if (input.vessel.kind === 'foam')
    return [{ key: 'top-up', text: m(isPlain ? 'card.top-up.foam' : 'card.top-up.foam-fed'), date: null }];
  const litres = Number(input.vessel.litres.toFixed(1));
  return [
    {
      key: 'food',
      text: isPlain
        ? m('card.food.plain')
        : m('card.food', { food: m(`solution.${input.solution}`), litres }),
      date: null,
    },
    {
      key: 'change',
      text: m(hasMucilage ? 'card.change.sap' : 'card.change', { litres, days: input.changeEveryDays }),
      date: addDays(input.from.date, input.changeEveryDays),
    },
    { key: 'water', text: m('card.water'), date: null },
  ];
}

/** Nights at home by the house's school. */
const NIGHTS: Readonly<Record<string, Message>> = {
  'cool-place': m('card.nights.cool-place'),
  fridge: m('card.nights.fridge'),
  'never-fridge': m('card.nights.never-fridge'),
};

function lengthLine({ species, stemLength, vessel }: CareCardInput): Draft[] {
  if (stemLength !== 'short' || vessel.kind === 'foam') return [];
  const big = species.filter((s) => hasTrait(s, 'lasts short')).map(shortName);
  return big.length === 0 ? [] : [{ key: 'length', text: m('card.length', { names: big }), date: null }];
}

function placeLines({ species, goesTo, nights = 'cool-place' }: CareCardInput): Draft[] {
  const chilly = species.some((s) => isTropical(s));
  const gassed = species.some((s) => s.ethylene >= 2);
  const fruit = m(gassed ? 'card.fruit.well-away' : 'card.fruit.away');
  if (chilly) return [{ key: 'place', text: m('card.place.warm', { fruit }), date: null }];
  // Nobody carries a foyer's flowers to a porch at night, nor cools the room for them.
  const isPublic = goesTo === 'public';
  const place: Draft = {
    key: 'place',
    text: m(isPublic ? 'card.place.public' : 'card.place.home', { fruit }),
    date: null,
  };
  if (isPublic || !species.every(takesColdNights)) return [place];
  return [{ key: 'nights', text: NIGHTS[nights] ?? m('card.nights.cool-place'), date: null }, place];
}

function pullLine(input: CareCardInput): Draft {
  return {
    key: 'pull',
    text: m('card.pull', { first: shortName(input.firstToFade) }),
    date: dayAfter(input.from, input.daysTo.firstFade),
  };
}

/** What to do when a head hangs; null where nothing helps. Never just-boiled water in the vase. */
function rescueFor({ vessel, species }: CareCardInput): Message | null {
  if (vessel.kind === 'foam') return m('card.rescue.foam');
  const of = (trait: Trait): readonly Species[] => species.filter((s) => hasTrait(s, trait));
  const [lost, cold, recut] = [of('neck is lost'), of('lifts in cold'), of('lifts by a recut')];
  if (lost.length === species.length) return null;
  const isHelped = lost.length + cold.length + recut.length < species.length;
  const part = (key: 'cold' | 'recut' | 'lost', of: readonly Species[]): Message | '' =>
    of.length > 0 ? m(`card.rescue.${key}`, { names: of.map(shortName) }) : '';
  return m('card.rescue', {
    head: m(isHelped ? 'card.rescue.hot' : 'card.rescue.head'),
    cold: part('cold', cold),
    recut: part('recut', recut),
    lost: part('lost', lost),
  });
}

/** The habits a line of the card asks for. */
const HABITS_OF: Readonly<Partial<Record<CareLine['key'], readonly HabitKey[]>>> = {
  nights: ['cold-nights'],
  place: ['cool-room', 'no-fruit', 'out-of-dry-air'],
  food: ['food'],
  change: ['change', 'recut'],
  'top-up': ['top-up'],
  water: ['top-up'],
  pull: ['pull-faded'],
};
/** A foyer's room is as warm as it is: a cooler one is no part of its line. */
const NOT_IN_PUBLIC: readonly HabitKey[] = ['cool-room', 'cold-nights'];
/** What the promise takes for granted. */
const OWED: readonly CareLine['key'][] = ['food', 'water', 'top-up', 'change'];
const MOST_LINES = 6;

function gainOf({ key }: Draft, { gains, goesTo }: CareCardInput): number | null {
  const days = (HABITS_OF[key] ?? [])
    .filter((habit) => goesTo === 'home' || !NOT_IN_PUBLIC.includes(habit))
    .flatMap((habit) => gains?.[habit] ?? []);
  // What a line asks for at once is not worth the sum of its parts: the largest of them stands.
  return days.length > 0 ? Math.max(...days) : null;
}

/**
 * What is owed first, in the order of its days; then what buys more, largest first. Six lines at most, those
 * for safety always among them.
 */
function ranked(drafts: readonly Draft[], input: CareCardInput): CareLine[] {
  const lines = drafts.map((line): CareLine => ({
    ...line,
    isOwed: OWED.includes(line.key),
    gainDays: gainOf(line, input),
  }));
  const owed = lines.filter((l) => l.isOwed).sort((a, b) => (a.date ?? '').localeCompare(b.date ?? ''));
  const more = lines.filter((l) => !l.isOwed);
  if (input.gains) more.sort((a, b) => (b.gainDays ?? 0) - (a.gainDays ?? 0));
  const kept = more.filter((line) => line.key === 'anthers');
  const room = MOST_LINES - owed.length - kept.length;
  const shown = new Set([...kept, ...more.filter((line) => !kept.includes(line)).slice(0, room)]);
  return [...owed, ...more.filter((line) => shown.has(line))];
}

/** The two that buy most beyond the promise, in one sum; null where the card does not have them both. */
function togetherWords(lines: readonly CareLine[], { more, goesTo }: CareCardInput): Message | null {
  if (!more || (goesTo === 'public' && more.habits.some((h) => NOT_IN_PUBLIC.includes(h)))) return null;
  const keys = more.habits.map((habit) => MORE_TO_DO[habit]);
  const both = lines.filter((l) => !l.isOwed && keys.some((key) => key === l.key));
  const days = Math.round(more.bothDays);
  const [first, second] = both.flatMap((l) => TOGETHER[l.key] ?? []);
  if (both.length !== 2 || days < 1 || !first || !second) return null;
  return m('card.together', { first, second: low(second), n: days });
}
const TOGETHER: Readonly<Partial<Record<CareLine['key'], Message>>> = {
  nights: m('card.together.nights'),
  place: m('card.together.place'),
  pull: m('card.together.pull'),
};

/**
 * Composes the care card of one arrangement: five or six lines that do not contradict one another,
 * dates, what to do if a head hangs, cautions. Foam has no recut and no water change; mucilage is
 * never recut; tropicals have no cold nights.
 */
export function composeCard(input: CareCardInput): CareCard {
  const has = (test: (s: Species) => boolean): boolean => input.species.some(test);
  const lines: Draft[] = [
    ...placeLines(input),
    ...lengthLine(input),
    ...waterLines(
      input,
      has((s) => s.sap === 'mucilage'),
    ),
    pullLine(input),
  ];
  if (has((s) => hasTrait(s, 'lily'))) lines.push({ key: 'anthers', text: m('card.anthers'), date: null });
  if (has((s) => s.mist === 'yes' && s.role !== 'foliage'))
    lines.push({ key: 'mist', text: m('card.mist'), date: null });
  const { daysTo, from, promisedDays } = input;
  const promise = Math.floor(promisedDays);
  const shown = ranked(lines, input);
  return {
    lead: cardLead(from, promisedDays, daysTo.stillAGift),
    lines: shown,
    together: togetherWords(shown, input),
    dates: {
      firstFade: dayAfter(from, daysTo.firstFade),
      stillAGift: dayAfter(from, daysTo.stillAGift),
      lastStand: dayAfter(from, daysTo.lastStand),
    },
    promise: m(promise >= HORIZON_DAYS ? 'card.promise.more' : 'card.promise', { n: promise }),
    rescue: rescueFor(input),
    cautions: cardCautions(input.species, input.solution, input.vessel.kind),
    skip: m('card.skip'),
  };
}

/** A card as it is handed over: in the words of one language. */
export type SpokenCard = Spoken<CareCard>;

/** A card's lines in its two parts; one of before they were told apart has all of them in the first. */
export function partsOf({ lines }: SpokenCard): {
  owed: SpokenCard['lines'][number][];
  more: SpokenCard['lines'][number][];
} {
  const isMore = (line: Partial<CareLine> | object): boolean => (line as Partial<CareLine>).isOwed === false;
  return { owed: lines.filter((l) => !isMore(l)), more: lines.filter(isMore) };
}
