import { inShop } from '@/data/connection';
import { manyActivePeople, manyShopNames } from '@/data/people';
import { database } from '@/server/database';
import { SignInForms } from './sign-in-forms';

/** Who is at the bench? Names to tap, a PIN, and the manager's door. */
export async function SignInPage() {
  const shop = (await manyShopNames(database()))[0];
  if (!shop) return <p>No shop has been set up yet. Run “npm start” once more.</p>;
  const people = await inShop(database(), shop.id, (trx) => manyActivePeople(trx));
  const hands = people.filter((p) => p.role === 'hand').map(({ id, name }) => ({ id, name }));
  const hint = shop.demo ? { pin: '2468', login: 'ilse', password: 'slow water' } : null;
  return <SignInForms shop={{ id: shop.id, name: shop.name }} hands={hands} hint={hint} />;
}
