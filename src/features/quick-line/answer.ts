import 'server-only';

import { readQuickLine } from '@/core/quick-line/read';
import { speciesName } from '@/core/words/species-name';
import { manyWithCard, manyWithoutCard } from '@/data/arrangements';
import { manyPails } from '@/data/pails';
import { manyActivePeople } from '@/data/people';
import { manyPortionsInStock } from '@/data/portions';
import { manyRooms } from '@/data/rooms';
import { inZone, now } from '@/server/clock';
import { foodsOf } from '@/server/foods';
import { sanitiserOf } from '@/server/sanitiser';
import { maybeInMyShop } from '@/server/session';
import { PLACES } from '@/shell/places';
import type { QuickAnswer } from '@/shell/quick-option';
import { answerOf, type Standing } from './options';

const MOST_MADE = 60;

/** What a few words may have meant in this shop; null for who is not signed in. */
export async function quickAnswer(text: string, atBench: boolean): Promise<QuickAnswer | null> {
  return maybeInMyShop(async (trx, me): Promise<QuickAnswer> => {
    const [portions, pails, rooms, people, due, made, sanitiser, foods] = await Promise.all([
      manyPortionsInStock(trx),
      manyPails(trx),
      manyRooms(trx),
      manyActivePeople(trx),
      manyWithoutCard(trx, MOST_MADE),
      manyWithCard(trx, MOST_MADE),
      sanitiserOf(trx),
      foodsOf(trx),
    ]);
    const today = inZone(now(), me.shop.timeZone).date;
    const standing = new Map<string, Standing>();
    const stems = new Map<string, number>();
    for (const p of portions) {
      stems.set(p.lotId, (stems.get(p.lotId) ?? 0) + p.stemsLeft);
      standing.set(p.lotId, { pail: p.pailName, room: rooms.find((r) => r.id === p.roomId)?.name ?? '' });
    }
    const lots = [...new Map(portions.map((p) => [p.lotId, p])).values()].map((p) => ({
      id: p.lotId,
      number: p.number,
      speciesKey: p.speciesKey,
      name: speciesName(me.species.byKey(p.speciesKey), me.language),
      variety: p.variety,
      stems: stems.get(p.lotId) ?? 0,
    }));
    const world = { lots, pails, people, places: PLACES, arrangements: [...due, ...made] };
    return answerOf(readQuickLine(text, world, me.species), {
      atBench,
      standing,
      sanitiser,
      foods,
      today,
      language: me.language,
    });
  });
}
