import { FOAM_TOP_UP, lastStayWith, type CareStyle } from '../arrangement/care-styles';
import type { Species } from '../species/species';
import { COLD_NIGHT_C, takesColdNights } from '../species/traits';
import type { CareEvent, Stay } from '../vase-life/types';
import { DAILY } from '../vase-life/vessel-hours';
import { rightSolution, SOLUTIONS, type SolutionKey } from '../water/solutions';

/** One way of keeping flowers, of a lot or an arrangement: what a habit changes. */
export interface Keeping extends Omit<CareStyle, 'draws'> {
  readonly pullsEnded: boolean;
}

/** What a habit needs to know of the flowers it is for. */
export interface HabitSetting {
  readonly species: readonly Species[];
  /** Food that suits them. */
  readonly food: SolutionKey;
  readonly vessel: 'vase' | 'foam' | 'lot';
  /** Hour from which days are counted: what happened before is past changing. */
  readonly countFromHour: number;
  readonly horizonHours: number;
}

export const HABIT_KEYS = [
  'clean-vessel',
  'food',
  'change',
  'recut',
  'cool-room',
  'cold-nights',
  'no-fruit',
  'leaves-off',
  'out-of-dry-air',
  'top-up',
  'pull-faded',
  'cut-on-return',
] as const;
export type HabitKey = (typeof HABIT_KEYS)[number];

/**
 * What more can be had than a card's promise takes for granted, by what is done: several habits may be one
 * thing to do.
 */
export const MORE_TO_DO: Readonly<Partial<Record<HabitKey, 'nights' | 'place' | 'pull'>>> = {
  'cold-nights': 'nights',
  'cool-room': 'place',
  'no-fruit': 'place',
  'out-of-dry-air': 'place',
  'pull-faded': 'pull',
};

/** A habit: whether a keeping has it, and the keeping with it and without it. */
export interface Habit {
  readonly key: HabitKey;
  readonly name: string;
  /** What is compared, in words: with, and without. */
  readonly says: readonly [withIt: string, without: string];
  readonly applies: (setting: HabitSetting, keeping: Keeping) => boolean;
  readonly isObserved: (keeping: Keeping, setting: HabitSetting) => boolean;
  readonly add: (keeping: Keeping, setting: HabitSetting) => Keeping;
  readonly drop: (keeping: Keeping, setting: HabitSetting) => Keeping;
}

const COOL_C = 18;
const WARM_C = 23;
const CHANGE_DAYS = 4;
const PLAIN_CHANGE_DAYS = 2;
const BOWL_OF_FRUIT_PPM = 0.3;
const DRY_AIR_PCT = 40;
const NIGHT = { fromHour: 22, toHour: 8, tempC: COLD_NIGHT_C, humidityPct: 85 } as const;

const lastOf = (keeping: Keeping): Stay => keeping.stays[keeping.stays.length - 1] as Stay;
const withLast = (keeping: Keeping, change: (last: Stay) => Partial<Stay>): Keeping => ({
  ...keeping,
  stays: lastStayWith(keeping.stays, change),
});
const withWater = (keeping: Keeping, water: Partial<Keeping['water']>): Keeping => ({
  ...keeping,
  water: { ...keeping.water, ...water },
});
const always = (): boolean => true;
const inVase = ({ vessel }: HabitSetting): boolean => vessel !== 'foam';
const isFood = (solution: SolutionKey): boolean => SOLUTIONS[solution].isFood;

/** Cuts every few days from where days are counted, where no change of water brings them. */
function recuts({ countFromHour, horizonHours }: HabitSetting): CareEvent[] {
  const events: CareEvent[] = [];
  for (let hour = CHANGE_DAYS * 24; hour < horizonHours; hour += CHANGE_DAYS * 24)
    events.push({ atHour: countFromHour + hour, type: 'cut', cm: 2 });
  return events;
}

/** Where a stay goes from dry to wet. */
const comesBack = ({ stays }: Keeping): boolean =>
  stays.some((stay, i) => stay.wet && stays[i - 1]?.wet === false);

/** Every habit whose worth can be reckoned. */
export const HABITS: readonly Habit[] = [
  {
    key: 'clean-vessel',
    name: 'A scrubbed vessel',
    says: ['clean to begin with', 'used again as it stood'],
    applies: always,
    isObserved: ({ water }) => water.start === 'clean',
    add: (keeping) => withWater(keeping, { start: 'clean' }),
    drop: (keeping) => withWater(keeping, { start: 'reused' }),
  },
  {
    key: 'food',
    name: 'Food in the water',
    says: ['the right food, full dose', 'plain water'],
    applies: ({ food }) => food !== 'plain',
    isObserved: ({ water, changes }) =>
      isFood(water.solution) &&
      changes.every((c) => c.type !== 'change' || isFood(c.solution ?? water.solution)),
    add: (keeping, { food }) => ({
      ...withWater(keeping, { solution: food }),
      changes: keeping.changes.map((c) => (c.type === 'change' ? { ...c, solution: food } : c)),
    }),
    drop: (keeping) => ({
      ...withWater(keeping, { solution: 'plain' }),
      changes: keeping.changes.map((c) => (c.type === 'change' ? { ...c, solution: 'plain' as const } : c)),
    }),
  },
  {
    key: 'change',
    name: 'Changing the water',
    says: ['tipped out and filled afresh every few days', 'never changed'],
    applies: inVase,
    isObserved: ({ water }) => water.changeEveryDays !== null,
    add: (keeping) =>
      withWater(keeping, {
        changeEveryDays: isFood(keeping.water.solution) ? CHANGE_DAYS : PLAIN_CHANGE_DAYS,
        recutAtChange: false,
      }),
    // What is recut at its changes goes on being recut: only the water is compared.
    drop: (keeping, setting) => ({
      ...withWater(keeping, { changeEveryDays: null, recutAtChange: false }),
      changes: keeping.changes.filter((c) => c.atHour <= setting.countFromHour),
      careEvents: keeping.water.recutAtChange
        ? [...keeping.careEvents, ...recuts(setting)]
        : keeping.careEvents,
    }),
  },
  {
    key: 'recut',
    name: 'Cutting the stems again',
    says: ['2 cm off every few days', 'never cut again'],
    applies: inVase,
    isObserved: ({ water, careEvents }, { countFromHour }) =>
      (water.recutAtChange && water.changeEveryDays !== null) ||
      careEvents.some((d) => d.type === 'cut' && d.atHour > countFromHour),
    add: (keeping, setting) =>
      keeping.water.changeEveryDays === null
        ? { ...keeping, careEvents: [...keeping.careEvents, ...recuts(setting)] }
        : withWater(keeping, { recutAtChange: true }),
    drop: (keeping, { countFromHour }) => ({
      ...withWater(keeping, { recutAtChange: false }),
      careEvents: keeping.careEvents.filter((d) => d.type !== 'cut' || d.atHour <= countFromHour),
    }),
  },
  {
    key: 'cool-room',
    name: 'A cool room',
    says: [`${COOL_C} °C at most`, `${WARM_C} °C`],
    applies: always,
    isObserved: (keeping) => lastOf(keeping).tempC <= COOL_C,
    add: (keeping) => withLast(keeping, () => ({ tempC: COOL_C })),
    drop: (keeping) => withLast(keeping, () => ({ tempC: WARM_C })),
  },
  {
    key: 'cold-nights',
    name: 'Cold nights',
    says: ['22:00 to 08:00 at 5 °C', 'the room’s own nights'],
    applies: ({ species }) => species.every(takesColdNights),
    isObserved: (keeping) => (lastOf(keeping).night?.tempC ?? 99) <= 10,
    add: (keeping) => withLast(keeping, () => ({ night: NIGHT })),
    drop: (keeping) => ({
      ...keeping,
      stays: keeping.stays.map((stay, i) => {
        if (i < keeping.stays.length - 1) return stay;
        const { night, ...rest } = stay;
        return night ? rest : stay;
      }),
    }),
  },
  {
    key: 'no-fruit',
    name: 'Away from fruit',
    says: ['no fruit beside it', 'a bowl of ripening fruit beside it'],
    applies: ({ species }) => species.some((s) => s.ethylene > 0),
    isObserved: (keeping) => lastOf(keeping).ethylenePpm === 0,
    add: (keeping) => withLast(keeping, () => ({ ethylenePpm: 0 })),
    drop: (keeping) => withLast(keeping, () => ({ ethylenePpm: BOWL_OF_FRUIT_PPM })),
  },
  {
    key: 'leaves-off',
    name: 'Half the leaves off',
    says: ['half of its leaves taken off', 'its leaves left on'],
    applies: ({ species }) => species.some((s) => s.leafiness > 0),
    isObserved: ({ leafFactor }) => leafFactor <= 0.5,
    add: (keeping) => ({ ...keeping, leafFactor: 0.5 }),
    drop: (keeping) => ({ ...keeping, leafFactor: 1 }),
  },
  {
    key: 'out-of-dry-air',
    name: 'Out of dry, moving air',
    says: ['60 % RH or more', `${DRY_AIR_PCT} % RH, by a heater or an air conditioner`],
    applies: always,
    isObserved: (keeping) => lastOf(keeping).humidityPct >= 55,
    add: (keeping) => withLast(keeping, ({ humidityPct }) => ({ humidityPct: Math.max(60, humidityPct) })),
    drop: (keeping) => withLast(keeping, () => ({ humidityPct: DRY_AIR_PCT })),
  },
  {
    key: 'top-up',
    name: 'Topping up',
    says: ['filled up as it is drunk', 'never topped up'],
    applies: ({ vessel }) => vessel !== 'lot',
    isObserved: ({ water }) => water.topUp?.everyHours !== null,
    add: (keeping, { vessel }) => withWater(keeping, { topUp: vessel === 'foam' ? FOAM_TOP_UP : DAILY }),
    drop: (keeping) => withWater(keeping, { topUp: { everyHours: null, with: 'plain' } }),
  },
  {
    key: 'pull-faded',
    name: 'Pulling what fades',
    says: ['pulled as it fades', 'left in'],
    applies: ({ vessel, species }) => vessel !== 'lot' && species.some((s) => s.ethylene >= 2),
    isObserved: ({ pullsEnded }) => pullsEnded,
    add: (keeping) => ({ ...keeping, pullsEnded: true }),
    drop: (keeping) => ({ ...keeping, pullsEnded: false }),
  },
  {
    key: 'cut-on-return',
    name: 'A fresh cut after dry hours',
    says: ['2 cm off before it drinks', 'put back uncut'],
    applies: (_, keeping) => comesBack(keeping),
    isObserved: ({ stays }) => stays.every((stay) => stay.cutOnReturn !== false),
    add: (keeping) => ({ ...keeping, stays: keeping.stays.map((s) => ({ ...s, cutOnReturn: true })) }),
    drop: (keeping) => ({ ...keeping, stays: keeping.stays.map((s) => ({ ...s, cutOnReturn: false })) }),
  },
];

/** The food that suits one species, or none. */
export function foodOf(species: Species): SolutionKey {
  return rightSolution(species.foodKind);
}
