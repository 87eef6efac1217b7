import { inShop } from '@/data/connection';
import { manyActivePeople, manyShopNames, type PersonRow, type ShopName } from '@/data/people';
import { database } from '@/server/database';
import { sayUnavailable } from '@/server/request-state';
import { SignInForms } from './sign-in-forms';

async function whoMaySignIn(): Promise<{ shop: ShopName | undefined; people: PersonRow[] }> {
  try {
    const [shop] = await manyShopNames(database());
    return { shop, people: shop ? await inShop(database(), shop.id, (trx) => manyActivePeople(trx)) : [] };
  } catch (error) {
    throw sayUnavailable(error);
  }
}

/** Who is at the bench? Names to tap, a PIN, and the manager's door. */
export async function SignInPage() {
  const { shop, people } = await whoMaySignIn();
  if (!shop) return <p>No shop has been set up yet. Run “npm start” once more.</p>;
  const hands = people.filter((p) => p.role === 'hand').map(({ id, name }) => ({ id, name }));
  const hint = shop.demo ? { pin: '2468', login: 'ilse', password: 'slow water' } : null;
  return <SignInForms shop={{ id: shop.id, name: shop.name }} hands={hands} hint={hint} />;
}
