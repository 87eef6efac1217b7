import 'server-only';
import * as v from 'valibot';
import { id } from '@/core/actions/fields';
import { DAY_MS, HOUR_MS } from '@/core/calendar/spans';
import { hasTrait } from '@/core/species/traits';
import { USUAL_TAP, type TapWater } from '@/core/water/dose-reading';
import type { Foods } from '@/core/water/food';
import { USUAL_AIR, type PailWater } from '@/core/water/pail-water';
import { seenWords } from '@/core/water/seen-words';
import { solutionWords } from '@/core/water/solution-words';
import { solutionOf } from '@/core/water/solutions';
import { say } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import type { Trx } from '@/data/connection';
import { manyPailEntries, type PailEntry } from '@/data/hygiene';
import { manyFillsOfPail, manyStoodIn, type FillHad, type StoodIn } from '@/data/pail-history';
import { maybePail, type PailRow } from '@/data/pails';
import { houseOf } from '@/server/house';
import { maybeTap } from '@/data/tap';
import { foodsOf } from '@/server/foods';
import { washOf } from '@/server/pail-entries';
import { pailWaterKept } from '@/server/pail-water-kept';
import { seenOf, waterEvents, type WaterEntry } from '@/server/water-seen';
import type { SignedIn } from '@/server/session';

/** So far back a pail is told of. */
export const HISTORY_DAYS = 28;

/** A water the pail held, with what stood in it and its predicted count. */
export interface FillShown {
  readonly id: string;
  readonly filledAt: number;
  /** Null while it stands. */
  readonly emptiedAt: number | null;
  readonly solution: string;
  readonly litres: number;
  readonly isClean: boolean;
  readonly reason: string | null;
  /** From its fill until it was emptied, or now. */
  readonly course: PailWater['course'];
  readonly lots: readonly {
    readonly lotId: string;
    readonly words: string;
    readonly from: number;
    readonly to: number | null;
  }[];
}

/** What was done to it or seen in it. */
export interface Done {
  readonly at: number;
  readonly who: string;
  readonly what: string;
}

export interface PailHistory {
  readonly pail: PailRow;
  readonly fills: readonly FillShown[];
  readonly done: readonly Done[];
  readonly from: number;
}

const lotWords = ({ number, no, speciesKey, variety }: StoodIn, me: SignedIn): string =>
  `${speciesName(me.species.byKey(speciesKey), me.language)}${variety ? ` ‘${variety}’` : ''}, lot ${number}${no > 1 ? `·${no}` : ''}`;

interface Around {
  readonly limits: Awaited<ReturnType<typeof houseOf>>['limits'];
  readonly me: SignedIn;
  readonly at: Date;
  readonly tap: TapWater;
  readonly foods: Foods;
}

const isOfWater = (entry: PailEntry): entry is PailEntry & WaterEntry => entry.kind !== 'wash';

function courseOf(
  fill: FillHad,
  stood: readonly StoodIn[],
  entries: readonly PailEntry[],
  { limits, me, at, tap, foods }: Around,
): PailWater['course'] {
  const end = fill.emptiedAt ?? at;
  const ageHours = (end.getTime() - fill.filledAt.getTime()) / HOUR_MS;
  const solution = solutionOf(fill.solution);
  const mine = entries.filter(isOfWater).filter((e) => e.at >= fill.filledAt && e.at <= end);
  const { course } = pailWaterKept({
    ...{ start: fill.start, litres: fill.litres, solution, tempC: fill.roomC ?? USUAL_AIR.tempC, ageHours },
    events: waterEvents(mine, fill.filledAt, { solution, tap, foods }),
    holdsLilies: stood.some((s) => hasTrait(me.species.byKey(s.speciesKey), 'lily')),
    longestUse: limits,
  });
  return course.filter((c) => c.atHour <= ageHours + 1);
}

/** What a pail held, what was done to it and seen in it, and its predicted count since. Null: no such pail here. */
export async function pailHistory(
  trx: Trx,
  me: SignedIn,
  at: Date,
  pailId: string,
): Promise<PailHistory | null> {
  if (!v.is(id, pailId)) return null;
  const pail = await maybePail(trx, pailId);
  if (!pail) return null;
  const from = new Date(at.getTime() - HISTORY_DAYS * DAY_MS);
  const [fills, entries, { limits }, tap, foods] = await Promise.all([
    manyFillsOfPail(trx, pailId, from),
    manyPailEntries(trx, { from, before: new Date(at.getTime() + 1) }, pailId),
    houseOf(trx),
    maybeTap(trx),
    foodsOf(trx),
  ]);
  const stood = await manyStoodIn(
    trx,
    fills.map((f) => f.id),
  );
  const done: Done[] = [
    ...entries.flatMap(washOf).map((w) => ({
      at: w.at,
      who: w.who,
      what: w.to === 'contact' ? 'into the solution' : 'sanitised',
    })),
    ...entries.filter(isOfWater).flatMap((e) => {
      const what = seenOf(e, 0)
        .flatMap(seenWords)
        .map((words) => say(words, me.language))
        .join(', ');
      return what === '' ? [] : [{ at: e.at.getTime(), who: e.who, what }];
    }),
  ].sort((a, b) => b.at - a.at);
  return {
    pail,
    done,
    from: from.getTime(),
    fills: fills.map((f) => {
      const mine = stood.filter((s) => s.fillId === f.id);
      return {
        id: f.id,
        filledAt: f.filledAt.getTime(),
        emptiedAt: f.emptiedAt?.getTime() ?? null,
        solution: say(solutionWords(f.solution), me.language),
        litres: f.litres,
        isClean: f.start === 'clean',
        reason: f.overrideReason,
        course: courseOf(f, mine, entries, { limits, me, at, tap: tap ?? USUAL_TAP, foods }),
        lots: mine.map((s) => ({
          lotId: s.lotId,
          words: lotWords(s, me),
          from: s.fromAt.getTime(),
          to: s.toAt?.getTime() ?? null,
        })),
      };
    }),
  };
}
