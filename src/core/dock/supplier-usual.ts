import { m, shortName, type Message } from '../words/message';
import { quantileOfSorted } from '../statistics';

/** A lot as a supplier's record holds it. */
export interface PastLot {
  readonly speciesKey: string;
  /** Share of a usual life used when it came, 0 and up. */
  readonly lifeUsed: number;
  /** Somebody looked at it: only then is it known how it stood and what was wrong with it. */
  readonly wasLookedAt: boolean;
  readonly wasFirm: boolean;
  /** Something a supplier answers for was counted in it. */
  readonly wasFlawed: boolean;
  /** Fewer stems than its note said. */
  readonly wasShort: boolean;
}

/** How a lot stands to what its supplier usually sends. */
export interface AgainstUsual {
  readonly lots: number;
  /** Compared with lots of this species, or with all the supplier sent because of it there are few. */
  readonly ofSpecies: boolean;
  readonly usualLifeUsed: number;
  /** How many of them somebody looked at; the two shares are of these, null where nobody did. */
  readonly looked: number;
  readonly firmShare: number | null;
  readonly flawedShare: number | null;
  readonly shortShare: number;
  /** Among the tenth that had used most of their lives. */
  readonly isOutlying: boolean;
}

/** Fewer lots than this tell nothing of what is usual. */
const FEWEST_OF_SPECIES = 4;
const FEWEST = 5;

const shareOf = (lots: readonly PastLot[], has: (lot: PastLot) => boolean): number =>
  lots.filter(has).length / lots.length;
const shareOrNull = (lots: readonly PastLot[], has: (lot: PastLot) => boolean): number | null =>
  lots.length === 0 ? null : shareOf(lots, has);

/** A lot against what its supplier's earlier ones were; null while there are too few to say. */
export function againstUsual(
  lot: { readonly speciesKey: string; readonly lifeUsed: number },
  past: readonly PastLot[],
): AgainstUsual | null {
  const same = past.filter((p) => p.speciesKey === lot.speciesKey);
  const ofSpecies = same.length >= FEWEST_OF_SPECIES;
  const lots = ofSpecies ? same : past;
  if (!ofSpecies && lots.length < FEWEST) return null;
  const looked = lots.filter((p) => p.wasLookedAt);
  const used = lots.map((p) => p.lifeUsed).sort((a, b) => a - b);
  const usual = quantileOfSorted(used, 0.5);
  return {
    lots: lots.length,
    ofSpecies,
    usualLifeUsed: usual,
    looked: looked.length,
    firmShare: shareOrNull(looked, (p) => p.wasFirm),
    flawedShare: shareOrNull(looked, (p) => p.wasFlawed),
    shortShare: shareOf(lots, (p) => p.wasShort),
    isOutlying: lot.lifeUsed > quantileOfSorted(used, 0.9) && lot.lifeUsed > usual + 0.05,
  };
}

const percent = (share: number): number => Math.round(100 * share);

/** Shares under which nothing is told of them (estimates). */
const WORTH_TELLING = { limp: 0.1, flawed: 0.05, short: 0.05 } as const;

/** What else is told of what a supplier sends, where it is worth telling. */
function restOf(usual: AgainstUsual): Message[] {
  const told = (share: number | null, above: number, key: 'limp' | 'flawed' | 'short'): Message[] =>
    share !== null && share > above ? [m(`dock.usual.${key}`, { percent: percent(share) })] : [];
  const limp = usual.firmShare === null ? null : 1 - usual.firmShare;
  return [
    ...(usual.looked < usual.lots ? [m('dock.usual.looked', { n: usual.looked })] : []),
    ...told(limp, WORTH_TELLING.limp, 'limp'),
    ...told(usual.flawedShare, WORTH_TELLING.flawed, 'flawed'),
    ...told(usual.shortShare, WORTH_TELLING.short, 'short'),
  ];
}

/** The comparison in words, to follow the share of life that is used. */
export function usualInWords(
  supplier: string,
  species: { readonly key: string; readonly name: string },
  usual: AgainstUsual,
): Message {
  const what = usual.ofSpecies ? shortName(species) : m('dock.usual.flower');
  const told = { what, supplier, percent: percent(usual.usualLifeUsed) };
  const says = m(usual.isOutlying ? 'dock.usual.outlying' : 'dock.usual.comes', told);
  const lots = restOf(usual).reduce<Message>(
    (sofar, more) => m('dock.usual.and', { says: sofar, more }),
    m('dock.usual.lots', { n: usual.lots }),
  );
  return m('dock.usual.of', { says, lots });
}
