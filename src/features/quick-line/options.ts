import { FLAWS } from '@/core/dock/flaws';
import { doseOf, type Sanitiser } from '@/core/sanitising/sanitiser';
import { measured, type Units } from '@/core/units/measures';
import type { Meaning, QuickLot, QuickReading } from '@/core/quick-line/types';
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
  /** ISO date in the shop's zone. */
  readonly today: string;
  readonly units: Units;
  readonly standing: ReadonlyMap<string, Standing>;
}

const MOST = 12;
const called = (lot: QuickLot): string =>
  `${lot.name}${lot.variety ? ` ‘${lot.variety}’` : ''}, lot ${lot.number}`;

function optionOf(
  meaning: Meaning,
  { atBench, standing, sanitiser, today, units }: Around,
): Omit<QuickOption, 'id'> {
  switch (meaning.kind) {
    case 'place': {
      const at = PLACES.findIndex((p) => p.key === meaning.key);
      return { words: PLACES[at]?.name ?? '', note: `key ${at + 1}`, href: PLACES[at]?.path ?? '/bench' };
    }
    case 'lot': {
      const { lot } = meaning;
      const where = standing.get(lot.id);
      return {
        words: called(lot),
        note: `${lot.stems} stems, ${where?.pail ? `pail ${where.pail}` : 'dry'}, ${where?.room ?? ''}`,
        href: `/${atBench ? 'bench' : 'dock'}?lot=${lot.id}`,
      };
    }
    case 'pail':
      return {
        words: `Pail ${meaning.pail.name}`,
        note: 'at its rack',
        href: `/pails?pail=${meaning.pail.id}`,
      };
    case 'card':
      return {
        words: `The card of ${meaning.arrangement.name}`,
        note: 'at send-off',
        href: `/send-off?arrangement=${meaning.arrangement.id}`,
      };
    case 'record of lot':
      return {
        words: `What was done with lot ${meaning.lot.number}`,
        note: 'the record',
        href: `/desk?lot=${meaning.lot.number}`,
      };
    case 'record of pail':
      return {
        words: `What was done with pail ${meaning.pail.name}`,
        note: 'the record',
        href: `/desk?pail=${encodeURIComponent(meaning.pail.name)}`,
      };
    case 'record of person':
      return {
        words: `What ${meaning.person.name} did`,
        note: 'the record',
        href: `/desk?who=${meaning.person.id}`,
      };
    case 'delivery line':
      return {
        words: `A delivery’s line: ${meaning.text}`,
        note: 'read at the dock, booked in there',
        href: `/dock?typed=${encodeURIComponent(meaning.text)}`,
      };
    case 'dose': {
      const { stockMl } = doseOf(sanitiser, meaning.litres, today);
      return {
        words: `${measured('ml', Math.round(stockMl), units)} of ${sanitiser.name} in ${measured('litres', meaning.litres, units)}`,
        note: `${sanitiser.targetPpm} ppm, ${sanitiser.contactMin} min; it goes in first, cold water on top; never near acid or food`,
        href: '/pails',
      };
    }
    case 'tip out':
      return {
        words: `Tip out pail ${meaning.pail.name}`,
        note: 'its water goes, it is to be scrubbed',
        does: { name: 'pails/tip-out', body: { pailId: meaning.pail.id }, yes: 'Tip it out' },
      };
    case 'bin': {
      const { lot, stems, reason } = meaning;
      return {
        words: `Bin ${stems} of ${called(lot)}: ${reason}`,
        note: `of ${lot.stems}`,
        does: { name: 'dock/bin', body: { lotId: lot.id, stems, reason }, yes: `Bin ${stems}` },
      };
    }
    case 'split': {
      const { lot, stems } = meaning;
      return {
        words: `${stems} of ${called(lot)} came limp: a lot of their own`,
        note: `of ${lot.stems}, to be looked at apart`,
        does: { name: 'dock/split', body: { lotId: lot.id, stems }, yes: 'Part them' },
      };
    }
    case 'flaw': {
      const { lot, flaw, seen, sample } = meaning;
      return {
        words: `${called(lot)}: ${seen} of ${sample} ${FLAWS[flaw].words}`,
        note: 'counted in a sample',
        does: { name: 'dock/flaw', body: { lotId: lot.id, kind: flaw, seen, sample }, yes: 'Log it' },
      };
    }
  }
}

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
