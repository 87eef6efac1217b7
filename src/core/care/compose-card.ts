import { addDays } from '../calendar/dates';
import type { Species } from '../species/species';
import { hasTrait, isTropical, takesColdNights, type Trait } from '../species/traits';
import type { Vessel } from '../arrangement/types';
import type { SolutionKey } from '../water/solutions';
import { SOLUTIONS } from '../water/solutions';
import { HORIZON_DAYS } from '../model/constants';
import { MORE_TO_DO, type HabitKey } from '../habits/habits';
import type { Interaction } from '../habits/what-a-day-costs';
import { cardLead, dayAfter, type CardLead, type LocalMoment } from './card-dates';
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
  readonly text: string;
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
  readonly firstToFade: string;
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
  readonly together?: string | null;
  readonly dates: { readonly firstFade: string; readonly stillAGift: string; readonly lastStand: string };
  readonly promise: string;
  readonly rescue: string | null;
  readonly cautions: readonly string[];
  readonly skip: string;
}

function litresInWords(litres: number): string {
  return `${Number.isInteger(litres) ? litres : litres.toFixed(1)} L`;
}

type Draft = Omit<CareLine, 'gainDays' | 'isOwed'>;

function waterLines(input: CareCardInput, hasMucilage: boolean): Draft[] {
  if (input.vessel.kind === 'foam')
    return [
      {
        key: 'top-up',
        text: `Morning and evening, part the leaves and pour plain water slowly into the foam until it stands in the dish. Never let it dry: foam does not drink twice.${
          input.solution === 'plain' ? '' : ' It came soaked in flower food and needs no more.'
        }`,
        date: null,
      },
    ];
  const food = SOLUTIONS[input.solution];
  const recut = hasMucilage
    ? 'Cut 2 cm off the others, not the daffodils or hyacinths'
    : 'Cut 2 cm off every stem, slanted';
  return [
    {
      key: 'food',
      text:
        input.solution === 'plain'
          ? 'Clean cool water, nothing in it.'
          : `${food.name}: one dose for ${litresInWords(input.vessel.litres)}. Half a dose is worse than it sounds.`,
      date: null,
    },
    {
      key: 'change',
      text: `Tip out, rinse the vase, fill afresh with ${litresInWords(input.vessel.litres)} and new food. ${recut}. Again every ${input.changeEveryDays} days.`,
      date: addDays(input.from.date, input.changeEveryDays),
    },
    {
      key: 'water',
      text: 'Top up every day with cool plain water. Nothing green below the waterline.',
      date: null,
    },
  ];
}

const NIGHTS: Readonly<Record<string, string>> = {
  'cool-place':
    'Every night a cold, dark place without fruit, 5 to 10 °C: a porch, a cellar. Not a fridge full of food.',
  fridge: 'Every night in the fridge at 3 °C or more, no fruit in it, the heads loosely covered.',
  'never-fridge': 'Every night a cold, dark place without fruit, 5 to 10 °C. Never in a household fridge.',
};

function lengthLine({ species, stemLength, vessel }: CareCardInput): Draft[] {
  if (stemLength !== 'short' || vessel.kind === 'foam') return [];
  const big = species.filter((s) => hasTrait(s, 'lasts short')).map((s) => s.name.toLowerCase());
  return big.length === 0
    ? []
    : [{ key: 'length', text: `Keep ${big.join(' and ')} short: less way for the water to go.`, date: null }];
}

function placeLines({ species, goesTo, nights = 'cool-place' }: CareCardInput): Draft[] {
  const chilly = species.some((s) => isTropical(s));
  const gassed = species.some((s) => s.ethylene >= 2);
  const fruit = gassed ? 'well away from fruit' : 'away from fruit';
  if (chilly)
    return [
      {
        key: 'place',
        text: `Keep it warm, above 13 °C, never in a fridge or on a cold sill. Out of sun, off heaters, ${fruit}.`,
        date: null,
      },
    ];
  // Nobody carries a foyer's flowers to a porch at night, nor cools the room for them.
  const isPublic = goesTo === 'public';
  const place: Draft = {
    key: 'place',
    text: `${isPublic ? 'Stand it' : 'By day a cool spot,'} out of sun and draught, off heaters and ${isPublic ? 'air outlets' : 'televisions'}, ${fruit}.`,
    date: null,
  };
  if (isPublic || !species.every(takesColdNights)) return [place];
  return [{ key: 'nights', text: NIGHTS[nights] ?? NIGHTS['cool-place'] ?? '', date: null }, place];
}

function pullLine(input: CareCardInput): Draft {
  return {
    key: 'pull',
    text: `Pull whatever fades; ${input.firstToFade.toLowerCase()} will be first. A dying flower ages its neighbours.`,
    date: dayAfter(input.from, input.daysTo.firstFade),
  };
}

const named = (species: readonly Species[]): string => species.map((s) => s.name.toLowerCase()).join(' and ');
const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What to do when a head hangs; null where nothing helps. Never just-boiled water in the vase. */
function rescueFor({ vessel, species }: CareCardInput): string | null {
  if (vessel.kind === 'foam') return 'A head hangs: water the foam at once and move it somewhere cool.';
  const of = (trait: Trait): readonly Species[] => species.filter((s) => hasTrait(s, trait));
  const [lost, cold, recut] = [of('neck is lost'), of('lifts in cold'), of('lifts by a recut')];
  if (lost.length === species.length) return null;
  const isHelped = lost.length + cold.length + recut.length < species.length;
  return [
    isHelped
      ? 'A head hangs: cut 3 cm, stand the end in hot tap water in a mug until it cools, then deep cold water.'
      : 'A head hangs.',
    cold.length > 0
      ? `${sentence(named(cold))}: no heat, wrap upright in paper and stand in deep cold water.`
      : '',
    recut.length > 0 ? `${sentence(named(recut))}: no heat, a thin slice off the foot and cool water.` : '',
    lost.length > 0 ? `Not for the ${named(lost)}: its neck does not come back.` : '',
  ]
    .filter((part) => part !== '')
    .join(' ');
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
function togetherWords(lines: readonly CareLine[], { more, goesTo }: CareCardInput): string | null {
  if (!more || (goesTo === 'public' && more.habits.some((h) => NOT_IN_PUBLIC.includes(h)))) return null;
  const keys = more.habits.map((habit) => MORE_TO_DO[habit]);
  const both = lines.filter((l) => !l.isOwed && keys.some((key) => key === l.key));
  const days = Math.round(more.bothDays);
  if (both.length !== 2 || days < 1) return null;
  const [first, second] = both.map((l) => TOGETHER[l.key] ?? '');
  return `${first} and ${second} together: about ${days === 1 ? 'a day' : `${days} days`}.`;
}
const TOGETHER: Readonly<Partial<Record<CareLine['key'], string>>> = {
  nights: 'the cold nights',
  place: 'the place by day',
  pull: 'pulling what fades',
};
const capital = (text: string | null): string | null => text && text.charAt(0).toUpperCase() + text.slice(1);

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
  if (has((s) => hasTrait(s, 'lily')))
    lines.push({
      key: 'anthers',
      text: 'Lilies: pinch the anthers out with a tissue as each flower opens.',
      date: null,
    });
  if (has((s) => s.mist === 'yes' && s.role !== 'foliage'))
    lines.push({ key: 'mist', text: 'Mist it lightly once a day, not the roses.', date: null });
  const { daysTo, from, promisedDays } = input;
  const promise = Math.floor(promisedDays);
  const shown = ranked(lines, input);
  return {
    lead: cardLead(from, promisedDays, daysTo.stillAGift),
    lines: shown,
    together: capital(togetherWords(shown, input)),
    dates: {
      firstFade: dayAfter(from, daysTo.firstFade),
      stillAGift: dayAfter(from, daysTo.stillAGift),
      lastStand: dayAfter(from, daysTo.lastStand),
    },
    promise: `${promise >= HORIZON_DAYS ? 'more than ' : ''}${promise === 1 ? '1 day' : `${promise} days`}`,
    rescue: rescueFor(input),
    cautions: cardCautions(input.species, input.solution, input.vessel.kind),
    skip: 'Coins, aspirin, soda and sugar do nothing good.',
  };
}

/** A card's lines in its two parts; one of before they were told apart has all of them in the first. */
export function partsOf({ lines }: CareCard): { owed: CareLine[]; more: CareLine[] } {
  const isMore = (line: CareLine): boolean => (line as Partial<CareLine>).isOwed === false;
  return { owed: lines.filter((l) => !isMore(l)), more: lines.filter(isMore) };
}
