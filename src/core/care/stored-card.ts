import * as v from 'valibot';
import type { IssuedCard } from './card-for';

const words = v.string();
// A line of earlier days may bear no key of today's, nor say whether it is owed: it is shown as it was issued.
const line = v.looseObject({ text: words, date: v.nullable(words) });

const issued = v.looseObject({
  arrangementName: words,
  shopName: words,
  contact: v.exactOptional(words),
  vessel: v.looseObject({ kind: v.picklist(['vase', 'foam']), litres: v.number() }),
  date: words,
  contents: v.array(words),
  card: v.looseObject({
    lines: v.array(line),
    dates: v.looseObject({ firstFade: words, stillAGift: words, lastStand: words }),
    promise: words,
    rescue: v.nullable(words),
    cautions: v.array(words),
    skip: words,
  }),
  language: v.exactOptional(words),
});

const schema: v.GenericSchema<unknown, IssuedCard> = v.pipe(
  v.unknown(),
  v.check((stored) => v.is(issued, stored), 'is no card'),
  v.transform((stored) => stored as IssuedCard),
);

/** A card as it was issued, whatever its day. @throws ValiError where what is kept is no card */
export const readStoredCard = (stored: unknown): IssuedCard => v.parse(schema, stored);
