import { inShop } from '@/data/connection';
import { manyActivePeople, manyShopNames, type PersonRow, type ShopName } from '@/data/people';
import { database } from '@/server/database';
import { sayUnavailable } from '@/server/request-state';
import { SignInForms } from './sign-in-forms';
import { WhichShop } from './which-shop';

/** The shops kept here, which of them is meant (the only one, or the one asked for), and who works in it. */
async function whoMaySignIn(
  asked: unknown,
): Promise<{ shops: ShopName[]; shop: ShopName | undefined; people: PersonRow[] }> {
  try {
    const shops = await manyShopNames(database());
    const shop = shops.length === 1 ? shops[0] : shops.find((s) => s.slug === asked);
    return {
      shops,
      shop,
      people: shop ? await inShop(database(), shop.id, (trx) => manyActivePeople(trx)) : [],
    };
  } catch (error) {
    throw sayUnavailable(error);
  }
}

/** Who is at the bench? Names to tap, a PIN, and the manager's door. */
export async function SignInPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const { shops, shop, people } = await whoMaySignIn(search.shop);
  if (!shop) return <WhichShop shops={shops.map(({ slug, name, demo }) => ({ slug, name, demo }))} />;
  const hands = people.filter((p) => p.role === 'hand').map(({ id, name }) => ({ id, name }));
  const hint = shop.demo ? { pin: '2468', login: 'ilse', password: 'slow water' } : null;
  return (
    <SignInForms
      shop={{ id: shop.id, name: shop.name }}
      hands={hands}
      hint={hint}
      hasOthers={shops.length > 1}
    />
  );
}
