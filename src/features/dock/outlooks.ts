import type { SpeciesRegistry } from '@/core/species/registry';
import 'server-only';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '@/core/calendar/spans';
import { LRUCache } from 'lru-cache';
import { FLAWS, type FlawKind } from '@/core/dock/flaws';
import { againstUsual, usualInWords, type PastLot } from '@/core/dock/supplier-usual';
import type { Species } from '@/core/species/species';
import type { Droop } from '@/core/vase-life/types';
import { manyLotsOfSupplier } from '@/data/supplier-history';
import type { PortionRow } from '@/data/portions';
import type { Overrides } from '@/core/model/figures';
import type { Ways } from '@/core/protocol/ways';
import type { Words } from '@/core/words/message';
import { drawnShares, lotInputNow, lotsNow } from '@/server/lot-forecasts';
import { once, type From } from '@/server/once';
import { planFor } from '@/server/replan';
import type { Known } from '@/server/stock';
import { outlookKey, type OutlookDraft } from './outlook';
import { nearestStage, STAGES } from './words';

const WEEKS_BACK = 12;
const DROOPS: readonly Droop[] = ['firm', 'soft', 'hanging'];

/** What is known of a lot whose outlooks are asked for, and what its supplier sends as a rule. */
export interface OutlookRead {
  readonly known: Known;
  readonly past: readonly PastLot[];
  readonly flaws: readonly FlawKind[];
  readonly ways: Ways;
  readonly overrides: Overrides | null;
  readonly at: Date;
  readonly timeZone: string;
  readonly species: SpeciesRegistry;
}

export async function pastLots(
  from: From,
  lot: PortionRow,
  at: Date,
  species: SpeciesRegistry,
): Promise<PastLot[]> {
  // By the hour, so that whoever looks next is told what is known.
  const since = new Date(Math.floor(at.getTime() / HOUR_MS) * HOUR_MS - WEEKS_BACK * 7 * DAY_MS);
  const rows = await once(from, manyLotsOfSupplier, lot.supplier, since, lot.deliveryId);
  return rows.map((row) => ({
    speciesKey: row.speciesKey,
    lifeUsed: row.agedDays / species.byKey(row.speciesKey).lifeDays20C,
    wasLookedAt: row.looked,
    wasFirm: row.droop === 'firm',
    wasFlawed: row.flaws.some((f) => Object.hasOwn(FLAWS, f) && FLAWS[f as FlawKind].claim),
    wasShort: row.stemsShort > 0,
  }));
}

/** Plans by species and what they are made from: a page that is looked at again within the minute asks for the same nine. */
const known = new WeakMap<Species, LRUCache<string, readonly Words[]>>();
const MOST_KNOWN = 200;

/** Titles of the steps a lot gets for how it came. */
function changesFor(
  lot: PortionRow,
  species: Species,
  flaws: readonly FlawKind[],
  ways: Ways,
  at: Date,
): readonly Words[] {
  const { stage, droop, packing, isWet, arrivedAt } = lot;
  const mine = known.get(species) ?? new LRUCache<string, readonly Words[]>({ max: MOST_KNOWN });
  known.set(species, mine);
  const minute = Math.floor((at.getTime() - arrivedAt.getTime()) / MINUTE_MS);
  const key = JSON.stringify([stage, droop, packing, isWet || minute, flaws, ways]);
  const changes =
    mine.get(key) ??
    planFor(lot, species, flaws, ways, at)
      .filter((s) => s.because === 'state')
      .map((s) => s.title);
  mine.set(key, changes);
  return changes;
}

/**
 * What a lot means for every way it can be seen, worked out before anybody touches the drawing: the
 * life line and the plan then follow the finger at once.
 */
export async function outlooksOf({
  known: read,
  past,
  flaws,
  ways,
  overrides,
  at,
  timeZone,
  species: registry,
}: OutlookRead): Promise<Record<string, OutlookDraft>> {
  const { lot } = read;
  const species = registry.byKey(lot.speciesKey);
  // At the stage it stands at, untouched, a lot is logged at just that and not at the nearest word's.
  const stages = STAGES.map((s, i) => (i === nearestStage(lot.stage) ? lot.stage : s.stage));
  const seen = stages.flatMap((stage) => DROOPS.map((droop) => ({ ...lot, stage, droop })));
  const made = await lotsNow(seen, (one) =>
    lotInputNow({ ...read, lot: one }, overrides, at, { timeZone, species: registry }),
  );
  return Object.fromEntries(
    made.map(({ one, now: { forecast, arrival } }): [string, OutlookDraft] => {
      const lifeUsed = arrival.agedDays / species.lifeDays20C;
      const usual = againstUsual({ speciesKey: lot.speciesKey, lifeUsed }, past);
      return [
        outlookKey(one.stage, one.droop),
        {
          daysLeft: forecast.daysLeft,
          lotDaysLeft: forecast.lotDaysLeft,
          shareByDay: drawnShares(forecast.presentableShareByDay),
          lifeUsed,
          usual: usual && usualInWords(lot.supplier, species, usual),
          changes: changesFor(one, species, flaws, ways, at),
        },
      ];
    }),
  );
}
