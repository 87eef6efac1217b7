import type { ArrangementForecast } from '../arrangement/types';
import type { HabitWorth, Interaction } from '../habits/what-a-day-costs';
import type { LocalMoment } from './card-dates';
import type { GoesTo } from './goes-to';
import { schoolFor, type Schools } from '../protocol/schools';
import type { SpeciesRegistry } from '../species/registry';
import type { SolutionKey } from '../water/solutions';
import { composeCard, type CareCard, type HabitGains } from './compose-card';

const CHANGE_DAYS = 4;

/** A card as it was issued; it is never changed, only issued anew. */
export interface IssuedCard {
  readonly arrangementName: string;
  readonly shopName: string;
  readonly vessel: { readonly kind: 'vase' | 'foam'; readonly litres: number };
  /** The day it was issued, ISO date in the shop's zone. */
  readonly date: string;
  readonly contents: readonly string[];
  readonly card: CareCard;
}

/** What a card is written from. */
export interface CardSubject {
  readonly name: string;
  readonly vesselKind: 'vase' | 'foam';
  readonly litres: number;
  readonly solution: string;
  /** As it was kept when it was made: what habits buy this very arrangement, where that was reckoned. */
  readonly result: unknown;
  readonly lines: readonly {
    readonly speciesKey: string;
    readonly variety: string | null;
    readonly stems: number;
  }[];
}

function gainsOf(habits: readonly HabitWorth[]): HabitGains {
  return Object.fromEntries(habits.map((h) => [h.habit, h.medianGainDays]));
}

/**
 * The card an arrangement gets on a day, by its forecast from then.
 * @param from the moment, in the shop's zone
 */
export function cardFor(
  { lines, ...arrangement }: CardSubject,
  forecast: ArrangementForecast,
  shopName: string,
  registry: SpeciesRegistry,
  from: LocalMoment,
  schools: Schools,
  goesTo: GoesTo = 'home',
): IssuedCard {
  const { habits, more } = arrangement.result as {
    readonly habits?: readonly HabitWorth[];
    readonly more?: Interaction | null;
  };
  const species = [...new Set(lines.map((l) => l.speciesKey))].map((k) => registry.byKey(k));
  const first = lines.find((l) => l.speciesKey === forecast.lines[forecast.limitingLine]?.species);
  const vessel = { kind: arrangement.vesselKind, litres: arrangement.litres };
  const card = composeCard({
    vessel,
    species,
    solution: arrangement.solution as SolutionKey,
    changeEveryDays: CHANGE_DAYS,
    from,
    goesTo,
    nights: schoolFor(schools, 'cold-nights', ''),
    stemLength: schoolFor(schools, 'stem-length', ''),
    promisedDays: forecast.giftDaysAtConfidence,
    firstToFade: registry.byKey(first?.speciesKey ?? species[0]?.key ?? '').name.split(',')[0] ?? '',
    ...(habits ? { gains: gainsOf(habits), more: more ?? null } : {}),
    daysTo: {
      firstFade: forecast.firstFade.p50,
      stillAGift: forecast.stillAGift.p50,
      lastStand: forecast.lastStand.p50,
    },
  });
  const contents = lines.map(
    (l) =>
      `${l.stems} ${registry.byKey(l.speciesKey).name.split(',')[0]?.toLowerCase()}${l.variety ? ` ‘${l.variety}’` : ''}`,
  );
  return { arrangementName: arrangement.name, shopName, vessel, date: from.date, contents, card };
}
