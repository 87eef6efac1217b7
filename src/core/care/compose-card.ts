import { addDays } from '../calendar/dates';
import type { Species } from '../species/species';
import { hasTrait, isTropical } from '../species/traits';
import type { Vessel } from '../arrangement/types';
import type { SolutionKey } from '../water/solutions';
import { SOLUTIONS } from '../water/solutions';
import type { HabitKey } from '../habits/habits';
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
  /** The day it leaves the shop, ISO date. */
  readonly date: string;
  readonly promiseDays: number;
  /** Name of the kind that is forecast to end first. */
  readonly firstToFade: string;
  /** What each habit buys; lines go by it, largest first. Without it they keep a fixed order. */
  readonly gains?: HabitGains;
  /** The house's schools where they bear on the card: cold nights at home, and stem length. */
  readonly nights?: string;
  readonly stemLength?: string;
  /** Days from `date` to each. */
  readonly daysTo: { readonly firstFade: number; readonly stillAGift: number; readonly lastStand: number };
}

export interface CareCard {
  readonly lines: readonly CareLine[];
  readonly dates: { readonly firstFade: string; readonly stillAGift: string; readonly lastStand: string };
  readonly promise: string;
  readonly rescue: string | null;
  readonly cautions: readonly string[];
  readonly skip: string;
}

function litresInWords(litres: number): string {
  return `${Number.isInteger(litres) ? litres : litres.toFixed(1)} L`;
}

type Draft = Omit<CareLine, 'gainDays'>;

function waterLines(input: CareCardInput, hasMucilage: boolean): Draft[] {
  if (input.vessel.kind === 'foam')
    return [
      {
        key: 'top-up',
        text: 'Morning and evening, part the leaves and pour water slowly into the foam until it stands in the dish. Never let it dry: foam does not drink twice.',
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
      date: addDays(input.date, input.changeEveryDays),
    },
    {
      key: 'water',
      text: 'Top up every day with cool water. Nothing green below the waterline.',
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

function placeLines({ species, nights = 'cool-place' }: CareCardInput): Draft[] {
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
  return [
    {
      key: 'nights',
      text: NIGHTS[nights] ?? NIGHTS['cool-place'] ?? '',
      date: null,
    },
    {
      key: 'place',
      text: `By day a cool spot, out of sun and draught, off heaters and televisions, ${fruit}.`,
      date: null,
    },
  ];
}

function pullLine(input: CareCardInput): Draft {
  return {
    key: 'pull',
    text: `Pull whatever fades; ${input.firstToFade.toLowerCase()} will be first. A dying flower ages its neighbours.`,
    date: addDays(input.date, input.daysTo.firstFade),
  };
}

const isLost = (s: Species): boolean => hasTrait(s, 'neck is lost');

/** What to do when a head hangs; null where nothing helps. Never just-boiled water in the vase. */
function rescueFor(input: CareCardInput): string | null {
  if (input.vessel.kind === 'foam') return 'A head hangs: water the foam at once and move it somewhere cool.';
  if (input.species.every(isLost)) return null;
  const lost = input.species.filter(isLost).map((s) => s.name.toLowerCase());
  const not = lost.length > 0 ? ` Not for the ${lost.join(' and ')}: its neck does not come back.` : '';
  return `A head hangs: cut 3 cm, stand the end in hot tap water in a mug until it cools, then deep cold water.${not}`;
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
const MOST_LINES = 6;

/** The lines with the days each buys, largest first; at most six, those for safety always among them. */
function ranked(lines: readonly Draft[], gains: HabitGains | undefined): CareLine[] {
  const withGains = lines.map((line): CareLine => {
    const days = (HABITS_OF[line.key] ?? []).map((habit) => gains?.[habit] ?? null).filter((d) => d !== null);
    // What a line asks for at once is not worth the sum of its parts: the largest of them stands.
    return { ...line, gainDays: days.length > 0 ? Math.max(...days) : null };
  });
  const isKept = (line: CareLine): boolean => line.key === 'anthers';
  const inOrder = gains ? [...withGains].sort((a, b) => (b.gainDays ?? 0) - (a.gainDays ?? 0)) : withGains;
  const others = inOrder.filter((line) => !isKept(line));
  const kept = inOrder.filter(isKept);
  const shown = new Set([...others.slice(0, MOST_LINES - kept.length), ...kept]);
  return inOrder.filter((line) => shown.has(line));
}

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
  const days = input.daysTo;
  return {
    lines: ranked(lines, input.gains),
    dates: {
      firstFade: addDays(input.date, days.firstFade),
      stillAGift: addDays(input.date, days.stillAGift),
      lastStand: addDays(input.date, days.lastStand),
    },
    promise: input.promiseDays === 1 ? '1 day' : `${input.promiseDays} days`,
    rescue: rescueFor(input),
    cautions: cardCautions(input.species, input.solution),
    skip: 'Coins, aspirin, soda and sugar do nothing good.',
  };
}
