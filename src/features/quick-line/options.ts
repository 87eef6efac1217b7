import { flawName } from '@/core/dock/flaws';
import { withCups } from '@/core/sanitising/cup';
import { doseOf, type Sanitiser } from '@/core/sanitising/sanitiser';
import { measured } from '@/core/units/measures';
import { foodDose, type Foods } from '@/core/water/food';
import { foodWords } from '@/core/water/food-words';
import { solutionInSentence } from '@/core/water/solution-words';
import type { Meaning, QuickLot, QuickReading } from '@/core/quick-line/types';
import { unitsOf, type LanguageTag } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import { PLACES } from '@/shell/places';
import type { QuickAnswer, QuickOption } from '@/shell/quick-option';

/** Where a lot stands, as the line says it. */
export interface Standing {
  readonly pail: string | null;
  readonly room: string;
}
export interface Around {
  readonly atBench: boolean;
  readonly sanitiser: Sanitiser;
  readonly foods: Foods;
  /** ISO date in the shop's zone. */
  readonly today: string;
  readonly language: LanguageTag;
  readonly standing: ReadonlyMap<string, Standing>;
}

const MOST = 12;
const called = (lot: QuickLot): string =>
  `${lot.name}${lot.variety ? ` ‘${lot.variety}’` : ''}, lot ${lot.number}`;

type Option = Omit<QuickOption, 'id'>;
type Of<K extends Meaning['kind']> = Extract<Meaning, { readonly kind: K }>;

/** What each kind of meaning is offered as: where it leads, or what it does once that is confirmed. */
const OPTIONS: { readonly [K in Meaning['kind']]: (meaning: Of<K>, around: Around) => Option } = {
  place: ({ key }) => {
    const at = PLACES.findIndex((p) => p.key === key);
    return { words: PLACES[at]?.name ?? '', note: `key ${at + 1}`, href: PLACES[at]?.path ?? '/bench' };
  },
  lot: ({ lot }, { atBench, standing }) => {
    const where = standing.get(lot.id);
    return {
      words: called(lot),
      note: `${lot.stems} stems, ${where?.pail ? `pail ${where.pail}` : 'dry'}, ${where?.room ?? ''}`,
      href: `/${atBench ? 'bench' : 'dock'}?lot=${lot.id}`,
    };
  },
  pail: ({ pail }) => ({
    words: `Pail ${pail.name}`,
    note: 'at its rack',
    href: `/pails?pail=${pail.id}`,
  }),
  card: ({ arrangement }) => ({
    words: `The card of ${arrangement.name}`,
    note: 'at send-off',
    href: `/send-off?arrangement=${arrangement.id}`,
  }),
  'record of lot': ({ lot }) => ({
    words: `What was done with lot ${lot.number}`,
    note: 'the record',
    href: `/desk?lot=${lot.number}`,
  }),
  'record of pail': ({ pail }) => ({
    words: `What was done with pail ${pail.name}`,
    note: 'the record',
    href: `/desk?pail=${encodeURIComponent(pail.name)}`,
  }),
  'record of person': ({ person }) => ({
    words: `What ${person.name} did`,
    note: 'the record',
    href: `/desk?who=${person.id}`,
  }),
  'delivery line': ({ text }) => ({
    words: `A delivery’s line: ${text}`,
    note: 'read at the dock, booked in there',
    href: `/dock?typed=${encodeURIComponent(text)}`,
  }),
  dose: ({ litres }, { sanitiser, today, language }) => {
    const units = unitsOf(language);
    const { stockMl } = doseOf(sanitiser, litres, today);
    const dose = withCups(measured('ml', Math.round(stockMl), units), stockMl, sanitiser.cup);
    return {
      words: `${dose} of ${sanitiser.name} in ${measured('litres', litres, units)}`,
      note: `${sanitiser.targetPpm} ppm, ${sanitiser.contactMin} min; it goes in first, cold water on top; never near acid or food`,
      href: '/pails',
    };
  },
  food: ({ food, litres }, { foods, language }) => {
    const dose = foodDose(food, litres, foods);
    const water = `${measured('litres', litres, unitsOf(language))} of ${say(solutionInSentence(food), language)}`;
    return {
      words: dose
        ? `${say(foodWords(dose, litres), language)}, for ${water}`
        : `For ${water}: as its label says`,
      note: dose
        ? 'its label comes first; never into a pail that chlorine still stands in'
        : 'the shop has told no product yet: at the desk, under Water and washing',
      href: dose ? '/pails' : '/desk/water',
    };
  },
  'tip out': ({ pail }) => ({
    words: `Tip out pail ${pail.name}`,
    note: 'its water goes, it is to be scrubbed',
    does: { name: 'pails/tip-out', body: { pailId: pail.id }, yes: 'Tip it out' },
  }),
  bin: ({ lot, stems, reason }) => ({
    words: `Bin ${stems} of ${called(lot)}: ${reason}`,
    note: `of ${lot.stems}`,
    does: { name: 'dock/bin', body: { lotId: lot.id, stems, reason }, yes: `Bin ${stems}` },
  }),
  split: ({ lot, stems }) => ({
    words: `${stems} of ${called(lot)} came limp: a lot of their own`,
    note: `of ${lot.stems}, to be looked at apart`,
    does: { name: 'dock/split', body: { lotId: lot.id, stems }, yes: 'Part them' },
  }),
  flaw: ({ lot, flaw, seen, sample }, { language }) => ({
    words: `${called(lot)}: ${seen} of ${sample} ${say(flawName(flaw), language)}`,
    note: 'counted in a sample',
    does: { name: 'dock/flaw', body: { lotId: lot.id, kind: flaw, seen, sample }, yes: 'Log it' },
  }),
};

const optionOf = <K extends Meaning['kind']>(meaning: Of<K>, around: Around): Option =>
  (OPTIONS[meaning.kind] as (meaning: Of<K>, around: Around) => Option)(meaning, around);

/** What a reading offers, and what is to be said of it. */
export function answerOf(reading: QuickReading, around: Around): QuickAnswer {
  const { meanings, unread, problem } = reading;
  return {
    options: meanings.slice(0, MOST).map((meaning, i) => ({ id: String(i), ...optionOf(meaning, around) })),
    problem:
      problem ??
      (unread.length > 0 ? `Not understood: ${unread.join(' ')}. Nothing is done with it so.` : null),
  };
}
