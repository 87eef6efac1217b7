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

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** The comparison in words, to follow the share of life that is used. */
export function usualInWords(supplier: string, name: string, usual: AgainstUsual): string {
  const what = usual.ofSpecies ? name.toLowerCase() : 'flower';
  const life = `${what} of ${supplier} usually comes at ${percent(usual.usualLifeUsed)}`;
  const rest = [
    usual.looked < usual.lots ? `${usual.looked} looked at` : null,
    usual.firmShare !== null && usual.firmShare < 0.9 ? `${percent(1 - usual.firmShare)} came limp` : null,
    usual.flawedShare !== null && usual.flawedShare > 0.05
      ? `${percent(usual.flawedShare)} had something to claim`
      : null,
    usual.shortShare > 0.05 ? `${percent(usual.shortShare)} came short` : null,
  ].filter((w) => w !== null);
  const more = usual.isOutlying ? ', nine in ten of them at less than this' : '';
  return `${life}${more} (${[`${usual.lots} lots`, ...rest].join('; ')}).`;
}
