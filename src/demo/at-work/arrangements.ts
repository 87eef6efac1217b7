import { arrangementInput, habitInput } from '../../core/arrangement/at-home';
import { sharedSolution } from '../../core/arrangement/care-styles';
import { predictArrangement } from '../../core/arrangement/predict-arrangement';
import type { Vessel } from '../../core/arrangement/types';
import { isoDateOf } from '../../core/calendar/dates';
import { DAY_MS } from '../../core/calendar/spans';
import { cardFor } from '../../core/care/card-for';
import { daysUsedPerDay } from '../../core/dock/temperatures';
import { whatADayCosts } from '../../core/habits/what-a-day-costs';
import { MODEL } from '../../core/model/constants';
import { DEFAULT_SCHOOLS } from '../../core/protocol/schools';
import { SHIPPED_SPECIES } from '../../core/species/registry';
import type { Role } from '../../core/species/species';
import { issueCard, makeArrangement } from '../../data/arrangements';
import type { Trx } from '../../data/connection';
import { manyPortionsInStock, type PortionRow } from '../../data/portions';
import type { Action } from '../../data/record';
import type { TimedAction } from '../timed-actions';
import type { Furnished } from '../furnish';
import { hourOfDay, pastVanDays } from '../history';
import { DEMO_SHOP } from '../world';
import { STOCK_DAYS } from './stock';

interface Recipe {
  readonly name: string;
  readonly vessel: Vessel;
  readonly wants: readonly (readonly [role: Role, stems: number])[];
}

const vase = (litres: number): Vessel => ({ kind: 'vase', litres });
const RECIPES: readonly Recipe[] = [
  {
    name: 'Opera foyer, left urn',
    vessel: vase(9),
    wants: [
      ['focal', 12],
      ['filler', 6],
      ['foliage', 5],
    ],
  },
  { name: 'Ferry saloon, bud vases', vessel: vase(0.8), wants: [['focal', 6]] },
  {
    name: 'Hospice windowsills',
    vessel: vase(1.6),
    wants: [
      ['focal', 8],
      ['filler', 4],
    ],
  },
  {
    name: 'Walk-in, for a birthday',
    vessel: vase(2),
    wants: [
      ['focal', 7],
      ['foliage', 3],
    ],
  },
  {
    name: 'Opera foyer, right urn',
    vessel: vase(9),
    wants: [
      ['focal', 12],
      ['filler', 6],
      ['foliage', 5],
    ],
  },
  {
    name: 'Harbour office, low bowl',
    vessel: { kind: 'foam', litres: 1.2 },
    wants: [
      ['focal', 6],
      ['filler', 4],
    ],
  },
  {
    name: 'Box office desk',
    vessel: vase(1.5),
    wants: [
      ['focal', 5],
      ['foliage', 3],
    ],
  },
  {
    name: 'Walk-in, thank you',
    vessel: vase(1.4),
    wants: [
      ['focal', 6],
      ['filler', 3],
    ],
  },
];
/** Past ones are told apart by few draws: nobody asks for their curves any more. */
const DRAWS_OF_PAST = 60;
const COLD_C = 4;
const CONFIDENCE = 0.8;

/** Lots that fit a recipe: upright, of no running sap, the fullest of each role, no kind twice. */
function chosen(stock: readonly PortionRow[], { wants }: Recipe, turn: number) {
  const taken = new Set<string>();
  return wants.flatMap(([role, stems]) => {
    const fit = stock.filter((p) => {
      const species = SHIPPED_SPECIES.byKey(p.speciesKey);
      const stands = p.droop === 'firm' && species.sap === 'none' && !taken.has(p.speciesKey);
      return stands && species.role === role && p.stemsLeft > stems;
    });
    fit.sort((a, b) => b.stemsLeft - a.stemsLeft);
    const portion = fit[turn % Math.max(1, Math.min(3, fit.length))];
    if (!portion) return [];
    taken.add(portion.speciesKey);
    return [{ portion, stems }];
  });
}

/** Makes an arrangement of what is there, with its forecast; its card as well where it went out. */
async function make(
  trx: Trx,
  action: Action,
  recipe: Recipe,
  turn: number,
  floor: string,
  { isPast, hasCard }: { readonly isPast: boolean; readonly hasCard: boolean },
): Promise<void> {
  const picked = chosen(await manyPortionsInStock(trx), recipe, turn);
  if (picked.length === 0) return;
  const full = arrangementInput(
    picked.map(({ portion, stems }) => {
      const days = (action.at.getTime() - portion.arrivedAt.getTime()) / DAY_MS;
      const aged = days * daysUsedPerDay(SHIPPED_SPECIES.byKey(portion.speciesKey), COLD_C);
      const { stage, droop, airShare } = portion;
      const agedDays = portion.agedDays + aged;
      const arrival = { agedDays, stage, droop, airShare, ageErrorSdDays: MODEL.cutDateErrorSdDays };
      return { speciesKey: portion.speciesKey, stems, arrival, sapRuns: portion.sapOpen };
    }),
    recipe.vessel,
    CONFIDENCE,
    'mixed',
    null,
  );
  const input = isPast ? { ...full, draws: DRAWS_OF_PAST } : full;
  const forecast = predictArrangement(input);
  const costs = isPast ? null : whatADayCosts(habitInput(input));
  const result = { ...forecast, ...(costs ? { habits: costs.habits, more: costs.more } : {}) };
  const made = {
    name: recipe.name,
    vesselKind: recipe.vessel.kind,
    litres: recipe.vessel.litres,
    solution: sharedSolution(
      picked.map(({ portion, stems }) => ({ species: SHIPPED_SPECIES.byKey(portion.speciesKey), stems })),
    ),
  };
  const lines = picked.map((p) => ({ portionId: p.portion.id, stems: p.stems }));
  const kept = { modelVersion: forecast.modelVersion, input, result };
  const id = await makeArrangement(trx, action, { ...made, lines, roomId: floor, forecast: kept });
  if (!hasCard) return;
  const contents = picked.map(({ portion, stems }) => ({ ...portion, stems }));
  const subject = { ...made, result, lines: contents };
  const from = { date: isoDateOf(action.at.getTime()), hour: action.at.getUTCHours() };
  const card = cardFor(subject, forecast, DEMO_SHOP, SHIPPED_SPECIES, from, DEFAULT_SCHOOLS);
  await issueCard(trx, action, id, card);
}

const recipeOf = (n: number): Recipe => RECIPES[n % RECIPES.length] as Recipe;

/** One arrangement of each van that is used up by now, out with its card. */
export const arrangementsOfHistory = (now: Date, { rooms }: Furnished): TimedAction[] =>
  pastVanDays(now, STOCK_DAYS).map((daysAgo, n) => ({
    at: hourOfDay(now, daysAgo - 1, 10.5),
    person: 1 + (n % 2),
    does: (trx, action) =>
      make(trx, action, recipeOf(n), n, rooms.get('floor') ?? '', { isPast: true, hasCard: true }),
  }));

/** Hours of yesterday (and of this morning) at which the last eight were made; the last three wait for their card. */
const MADE_AT: readonly (readonly [daysAgo: number, hour: number])[] = [
  [2, 15.5],
  [1, 9.5],
  [1, 11],
  [1, 14],
  [1, 15.2],
  [1, 16.4],
  [1, 17.1],
  [1, 17.8],
];
const WAITING = 3;

export const arrangementsOfLastDays = (now: Date, { rooms }: Furnished): TimedAction[] =>
  MADE_AT.map(([daysAgo, hour], n) => ({
    at: hourOfDay(now, daysAgo, hour),
    person: 1 + (n % 2),
    does: (trx, action) =>
      make(trx, action, recipeOf(n), n, rooms.get('floor') ?? '', {
        isPast: false,
        hasCard: n < MADE_AT.length - WAITING,
      }),
  }));
