import type { SpeciesRegistry } from '@/core/species/registry';
import 'server-only';
import type { ArrangementForecast } from '@/core/arrangement/types';
import { composeCard, type HabitGains } from '@/core/care/compose-card';
import type { HabitWorth } from '@/core/habits/what-a-day-costs';
import { schoolFor, type Schools } from '@/core/protocol/schools';
import type { SolutionKey } from '@/core/water/solutions';
import type { ArrangementLineRow, WholeArrangement, IssuedCard } from '@/data/arrangements';
import { inZone } from '@/server/clock';

const CHANGE_DAYS = 4;

function gainsOf(habits: readonly HabitWorth[]): HabitGains {
  return Object.fromEntries(habits.map((h) => [h.habit, h.medianGainDays]));
}

/** The card an arrangement gets today, by its forecast from now. */
export function cardFor(
  arrangement: WholeArrangement,
  lines: readonly ArrangementLineRow[],
  forecast: ArrangementForecast,
  shop: { name: string; timeZone: string },
  registry: SpeciesRegistry,
  at: Date,
  schools: Schools,
): IssuedCard {
  const { habits } = arrangement.result as { readonly habits?: readonly HabitWorth[] };
  const species = [...new Set(lines.map((l) => l.speciesKey))].map((k) => registry.byKey(k));
  const first = lines.find((l) => l.speciesKey === forecast.lines[forecast.limitingLine]?.species);
  const vessel = { kind: arrangement.vesselKind, litres: arrangement.litres };
  const { date } = inZone(at, shop.timeZone);
  const card = composeCard({
    vessel,
    species,
    solution: arrangement.solution as SolutionKey,
    changeEveryDays: CHANGE_DAYS,
    date,
    nights: schoolFor(schools, 'cold-nights', ''),
    stemLength: schoolFor(schools, 'stem-length', ''),
    promiseDays: Math.floor(forecast.giftDaysAtConfidence),
    firstToFade: registry.byKey(first?.speciesKey ?? species[0]?.key ?? '').name.split(',')[0] ?? '',
    ...(habits ? { gains: gainsOf(habits) } : {}),
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
  return { arrangementName: arrangement.name, shopName: shop.name, vessel, date, contents, card };
}
