import 'server-only';
import { LRUCache } from 'lru-cache';
import { DAY_MS, HOUR_MS } from '@/core/calendar/spans';
import type { StemsAsStood } from '@/core/hygiene/water-losses';
import type { WaterWorth } from '@/core/hygiene/water-worth';
import type { Overrides } from '@/core/model/figures';
import type { WaterLimits } from '@/core/protocol/ways';
import type { Trx } from '@/data/connection';
import { manyStays, type StayRow } from '@/data/stays';
import { fillersOf, manyPortionsAsStood, pailsOfFills, type PortionAsStood } from '@/data/water-as-stood';
import { groupBy } from './group-by';
import { houseOf } from './house';
import { historyOf } from './lot-forecasts';
import { shopOverrides } from './own-figures';
import { inWorkers } from './pool/pool';
import type { LotAsStood } from './pool/jobs';
import type { SignedIn } from './session';

/** Weeks that are told. */
export const COST_WEEKS = 8;
/** So many portions are looked at, the newest: a busy shop's eight weeks. */
const MOST_PORTIONS = 2500;
/** So many are worked out before the next are asked for. */
const AT_ONCE = 400;

/** What a portion's history is cut to: its end, or the hour that is. */
function endOf(stays: readonly StayRow[], at: Date): Date {
  const last = stays.at(-1)?.toAt ?? at;
  // What is here still is forecast by the hour: what was worked out within it is kept.
  return last < at ? last : new Date(Math.floor(at.getTime() / HOUR_MS) * HOUR_MS);
}

/** What was read of the shop, to be worked out when its transaction is done. */
export interface WaterRead {
  readonly portions: readonly PortionAsStood[];
  readonly stays: ReadonlyMap<string, readonly StayRow[]>;
  readonly pailOf: Readonly<Record<string, string>>;
  readonly filledBy: Readonly<Record<string, string>>;
  readonly limits: WaterLimits;
  readonly overrides: Overrides | null;
  readonly at: Date;
  readonly isAll: boolean;
}

/** Reads the stems of the last weeks with where they stood, and who filled it where that is asked. */
export async function readWaterAsStood(trx: Trx, at: Date, isByPerson = false): Promise<WaterRead> {
  const since = new Date(at.getTime() - COST_WEEKS * 7 * DAY_MS);
  const portions = await manyPortionsAsStood(trx, since, MOST_PORTIONS);
  const [rows, { limits }, overrides] = await Promise.all([
    manyStays(
      trx,
      portions.map((p) => p.id),
    ),
    houseOf(trx),
    shopOverrides(trx),
  ]);
  const stays = groupBy(rows, (row) => row.subjectId);
  const fillIds = [...new Set(rows.flatMap((r) => (r.fillId ? [r.fillId] : [])))];
  const [pailOf, filledBy] = await Promise.all([
    pailsOfFills(trx, fillIds),
    isByPerson ? fillersOf(trx, fillIds) : {},
  ]);
  return { portions, stays, pailOf, filledBy, limits, overrides, at, isAll: portions.length < MOST_PORTIONS };
}

const cache = new LRUCache<string, WaterWorth>({ max: 6000 });

/** Works out what water cost each; what is known already is not worked out again. */
export async function stemsAsStood(
  { portions, stays, pailOf, filledBy, limits, overrides, at }: WaterRead,
  me: Pick<SignedIn, 'species'> & { readonly shop: { readonly timeZone: string } },
): Promise<StemsAsStood[]> {
  const shop = { timeZone: me.shop.timeZone, species: me.species };
  const asked = portions.map((p) => {
    const mine = stays.get(p.id) ?? [];
    const of = { lot: p, stays: mine, wasHotDipped: p.wasHotDipped, isStripped: p.isStripped };
    const lot: LotAsStood = { history: historyOf(of, overrides, endOf(mine, at), shop), use: limits };
    return { p, lot, key: JSON.stringify(lot) };
  });
  const open = asked.filter((a) => !cache.has(a.key));
  for (let from = 0; from < open.length; from += AT_ONCE) {
    const some = open.slice(from, from + AT_ONCE);
    const made = await inWorkers(
      'water-worth',
      some.map((a) => a.lot),
    );
    some.forEach((a, i) => made[i] && cache.set(a.key, made[i]));
  }
  return asked.flatMap(({ p, lot, key }) => {
    const worth = cache.get(key);
    if (!worth) return [];
    const { species } = lot.history;
    return [
      {
        lotNumber: p.number,
        lotId: p.lotId,
        product: `${species.name}${p.variety ? ` ‘${p.variety}’` : ''}`,
        stems: p.stems,
        unitPrice: p.unitPrice,
        lifeDays: species.lifeDays20C,
        arrivedAt: p.arrivedAt.getTime(),
        worth,
        pailOf,
        filledBy,
      },
    ];
  });
}
