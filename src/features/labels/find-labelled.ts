import 'server-only';
import { pailKeyStart, readCode } from '@/core/labels/codes';
import { maybeLotByNumber } from '@/data/lots';
import { manyPails } from '@/data/pails';
import { maybeInMyShop } from '@/server/session';

/** Where a scanned code leads, or why nowhere. */
export interface Scanned {
  readonly href: string | null;
  readonly words: string;
}

/** Finds what a label names: a lot opens where it was scanned, at the bench or at the dock; a pail at its rack. */
export async function findLabelled(code: string, atBench: boolean): Promise<Scanned | null> {
  return maybeInMyShop(async (trx): Promise<Scanned> => {
    const labelled = readCode(code);
    if (!labelled)
      return { href: null, words: 'That code is none of ours, or was read wrong. Scan it again.' };
    if (labelled.kind === 'pail' || labelled.kind === 'old pail') {
      const named = (await manyPails(trx)).filter((p) =>
        labelled.kind === 'pail' ? p.labelNo === labelled.number : pailKeyStart(p.id) === labelled.keyStart,
      );
      const [pail] = named;
      if (named.length > 1)
        return { href: null, words: 'Several pails bear that older label. Print them new ones at Labels.' };
      return pail
        ? { href: `/pails?pail=${pail.id}`, words: `Pail ${pail.name}` }
        : { href: null, words: 'No pail of this shop bears that label.' };
    }
    const lot = await maybeLotByNumber(trx, labelled.number);
    if (!lot) return { href: null, words: `No lot ${labelled.number} is in this shop.` };
    if (lot.stemsLeft === 0) return { href: null, words: `Lot ${lot.number} is used up.` };
    return { href: `/${atBench ? 'bench' : 'dock'}?lot=${lot.id}`, words: `Lot ${lot.number}` };
  });
}
