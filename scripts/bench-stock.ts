/** A morning's stock for the page benchmark, and a sealed session of its manager on stdout. For bench-pages.mjs. */
import { firstGuess } from '../src/core/dock/first-guess';
import { SHIPPED_SPECIES } from '../src/core/species/registry';
import { SPECIES } from '../src/core/species/species';
import { connectAsOwner, inShop } from '../src/data/connection';
import { bookDelivery } from '../src/data/deliveries';
import { newId } from '../src/data/ids';
import { signedIn } from './lib/signed-in';

const LOTS = Number(process.env.HUSH_PAIL_BENCH_LOTS ?? 16);

async function main(): Promise<void> {
  const owner = connectAsOwner(process.env.HUSH_PAIL_OWNER_URL ?? '');
  const at = new Date(process.env.HUSH_PAIL_NOW ?? Date.now());
  try {
    const person = await owner('person').where({ role: 'owner' }).first<{ id: string; shop_id: string }>();
    const bench = await owner('room')
      .where({ kind: 'bench', shop_id: person.shop_id })
      .first<{ id: string }>();
    await inShop(owner, person.shop_id, (trx) =>
      bookDelivery(
        trx,
        { shopId: person.shop_id, personId: person.id, actionKey: newId(), at },
        {
          supplier: 'Norrholt Growers',
          deliveryRef: 'BENCH-1',
          roomId: bench.id,
          arrivedAt: at,
          lots: Array.from({ length: LOTS }, (_, i) => {
            const speciesKey = SPECIES[i % SPECIES.length]?.key ?? 'rose';
            return {
              line: i + 1,
              speciesKey,
              variety: `No. ${i}`,
              colour: null,
              lengthCm: 60,
              headsMin: null,
              stems: 40,
              cutDate: new Date(at.getTime() - 2 * 86_400_000).toISOString().slice(0, 10),
              origin: null,
              packing: 'dry crate',
              isWetPacked: false,
              unitPrice: 0.8,
              currency: 'EUR',
              ...firstGuess({
                species: SHIPPED_SPECIES.byKey(speciesKey),
                origin: null,
                packing: 'dry crate',
                hoursSinceCut: 46,
              }),
            };
          }),
        },
      ),
    );
    console.log(await signedIn(owner, person, at));
  } finally {
    await owner.destroy();
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
