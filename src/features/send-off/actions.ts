import 'server-only';
import * as v from 'valibot';
import { composeCard } from '@/core/care/compose-card';
import type { ArrangementForecast } from '@/core/arrangement/types';
import type { HabitGains } from '@/core/care/compose-card';
import type { HabitWorth } from '@/core/habits/what-a-day-costs';
import { schoolFor, type Schools } from '@/core/protocol/schools';
import { speciesByKey } from '@/core/species/species';
import type { SolutionKey } from '@/core/water/solutions';
import {
  issueCard,
  manyArrangementLines,
  maybeArrangement,
  type ArrangementLineRow,
  type ArrangementRow,
  type IssuedCard,
} from '@/data/arrangements';
import { RefusedError } from '@/data/errors';
import { inZone } from '@/server/clock';
import { actionKind } from '@/server/actions';
import { houseOf } from '@/server/house';

const CHANGE_DAYS = 4;
const DAY_MS = 86_400_000;

function gainsOf(habits: readonly HabitWorth[]): HabitGains {
  return Object.fromEntries(habits.map((h) => [h.habit, h.medianGainDays]));
}

/** The card an arrangement gets today: what it has waited in the shop comes off its days. */
export function cardFor(
  arrangement: ArrangementRow,
  lines: readonly ArrangementLineRow[],
  shop: { name: string; timeZone: string },
  at: Date,
  schools: Schools,
): IssuedCard {
  const forecast = arrangement.result as ArrangementForecast & { readonly habits?: readonly HabitWorth[] };
  const waited = (at.getTime() - arrangement.madeAt.getTime()) / DAY_MS;
  const left = (days: number): number => Math.max(0, days - waited);
  const species = [...new Set(lines.map((l) => l.speciesKey))].map((k) => speciesByKey(k));
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
    promiseDays: Math.floor(left(forecast.giftDaysAtConfidence)),
    firstToFade: speciesByKey(first?.speciesKey ?? species[0]?.key ?? '').name.split(',')[0] ?? '',
    ...(forecast.habits ? { gains: gainsOf(forecast.habits) } : {}),
    daysTo: {
      firstFade: left(forecast.firstFade.p50),
      stillAGift: left(forecast.stillAGift.p50),
      lastStand: left(forecast.lastStand.p50),
    },
  });
  const contents = lines.map(
    (l) =>
      `${l.stems} ${speciesByKey(l.speciesKey).name.split(',')[0]?.toLowerCase()}${l.variety ? ` ‘${l.variety}’` : ''}`,
  );
  return { arrangementName: arrangement.name, shopName: shop.name, vessel, date, contents, card };
}

const issue = actionKind(
  v.object({ arrangementId: v.pipe(v.string(), v.uuid()) }),
  async ({ trx, action, me }, { arrangementId }) => {
    const arrangement = await maybeArrangement(trx, arrangementId);
    if (!arrangement || arrangement.takenApartAt)
      throw new RefusedError('That arrangement was taken apart. No card was issued.');
    const lines = await manyArrangementLines(trx, arrangementId);
    return {
      cardId: await issueCard(
        trx,
        action,
        arrangementId,
        cardFor(arrangement, lines, me.shop, action.at, (await houseOf(trx)).schools),
      ),
    };
  },
);

export const sendOffDeeds = { issue };
