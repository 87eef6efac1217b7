import 'server-only';
import { learnGrams } from '@/core/dock/grams';
import { manyWeighings } from '@/data/evidence';
import { lateSuppliers, manyUsualStems } from '@/data/supplier-history';
import { manySupplierColumns, manySupplierWords } from '@/data/supplier-words';
import { maybeInMyShop } from '@/server/session';
import type { ReaderHelp } from '@/shell/note-file';

/** What the shop knows that helps to read a note, asked for once there is one; null when nobody is signed in. */
export async function noteHelp(): Promise<ReaderHelp | null> {
  return maybeInMyShop(async (trx) => ({
    remembered: await manySupplierWords(trx),
    rememberedColumns: await manySupplierColumns(trx),
    gramsPerStem: learnGrams(await manyWeighings(trx)),
    usualStems: await manyUsualStems(trx),
    suppliers: await lateSuppliers(trx),
  }));
}
