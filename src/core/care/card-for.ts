import type { ArrangementForecast } from '../arrangement/types';
import { readStoredWorth, type StoredWorth } from '../arrangement/stored-forecast';
import type { LocalMoment } from './card-dates';
import type { GoesTo } from './goes-to';
import { schoolFor, type Schools } from '../protocol/schools';
import type { SpeciesRegistry } from '../species/registry';
import { solutionOf } from '../water/solutions';
import { type LanguageTag } from '../words/catalogues';
import { m, shortName } from '../words/message';
import { say, spoken } from '../words/say';
import { composeCard, type HabitGains, type SpokenCard } from './compose-card';

const CHANGE_DAYS = 4;

/** A card as it was issued; it is never changed, only issued anew. */
export interface IssuedCard {
  readonly arrangementName: string;
  readonly shopName: string;
  /** How the shop is reached, as it stood when the card was issued; none where it said nothing, and on older cards. */
  readonly contact?: string;
  readonly vessel: { readonly kind: 'vase' | 'foam'; readonly litres: number };
  /** The day it was issued, ISO date in the shop's zone. */
  readonly date: string;
  readonly contents: readonly string[];
  readonly card: SpokenCard;
  /** What it is written in; English where it is not told. */
  readonly language?: LanguageTag;
}

/** Whose card it is. */
export interface CardShop {
  readonly name: string;
  readonly address?: string;
  readonly telephone?: string;
  readonly hours?: string;
}

/** How a shop is reached, on one line; nothing where it said nothing. */
function contactOf({ address, telephone, hours }: CardShop): { readonly contact?: string } {
  const said = [address, telephone, hours].map((words) => words?.replace(/\s+/g, ' ').trim()).filter(Boolean);
  return said.length > 0 ? { contact: said.join(', ') } : {};
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

function gainsOf(habits: NonNullable<StoredWorth['habits']>): HabitGains {
  return Object.fromEntries(habits.map((h) => [h.habit, h.medianGainDays]));
}

/**
 * The card an arrangement gets on a day, by its forecast from then.
 * @param from the moment, in the shop's zone
 * @param tag what the customer reads
 */
export function cardFor(
  { lines, ...arrangement }: CardSubject,
  forecast: ArrangementForecast,
  shop: CardShop,
  registry: SpeciesRegistry,
  from: LocalMoment,
  schools: Schools,
  goesTo: GoesTo = 'home',
  tag: LanguageTag = 'en',
): IssuedCard {
  const { habits, more } = readStoredWorth(arrangement.result);
  const species = [...new Set(lines.map((l) => l.speciesKey))].map((k) => registry.byKey(k));
  const first = lines.find((l) => l.speciesKey === forecast.lines[forecast.limitingLine]?.species);
  const vessel = { kind: arrangement.vesselKind, litres: arrangement.litres };
  const card = composeCard({
    vessel,
    species,
    solution: solutionOf(arrangement.solution),
    changeEveryDays: CHANGE_DAYS,
    from,
    goesTo,
    nights: schoolFor(schools, 'cold-nights', ''),
    stemLength: schoolFor(schools, 'stem-length', ''),
    promisedDays: forecast.giftDaysAtConfidence,
    firstToFade: registry.byKey(first?.speciesKey ?? species[0]?.key ?? ''),
    ...(habits ? { gains: gainsOf(habits), more } : {}),
    daysTo: {
      firstFade: forecast.firstFade.p50,
      stillAGift: forecast.stillAGift.p50,
      lastStand: forecast.lastStand.p50,
    },
  });
  const contents = lines.map((l) => {
    const variety = l.variety ? ` ‘${l.variety}’` : '';
    return say(
      m('card.stems', { stems: l.stems, name: shortName(registry.byKey(l.speciesKey)), variety }),
      tag,
    );
  });
  return {
    arrangementName: arrangement.name,
    shopName: shop.name,
    ...contactOf(shop),
    vessel,
    date: from.date,
    contents,
    card: spoken(card, tag),
    language: tag,
  };
}
