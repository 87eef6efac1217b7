import { maybeFactor } from '@/data/second-factors';
import { offerFactor } from '@/server/second-factor';
import { inMyShop } from '@/server/session';
import { DeskTabs } from '../desk-tabs';
import { FactorForm } from './factor-form';

/** A second factor taken up: shown to a telephone once, and a code of it back. */
export async function FactorPage() {
  const { me, hasOne } = await inMyShop(async (from, me) => ({
    me,
    hasOne: (await maybeFactor(await from.trx(), me.personId)) !== undefined,
  }));
  const offered = await offerFactor(me.personId, me.name, me.shop.name);
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk/people" />
      <h1>Sign in with a code</h1>
      <p className="soft">
        Beside the password a code of six digits is asked for then, from a program for codes on your
        telephone. A password that was seen or guessed is not enough. An owner can take the code away again,
        should the telephone be lost.
      </p>
      {me.role === 'hand' && <p>Hands sign in by their PIN alone.</p>}
      {hasOne && (
        <p>You sign in with a code already. For another telephone, give it up under People first.</p>
      )}
      {me.role !== 'hand' && !hasOne && <FactorForm offered={offered} />}
    </section>
  );
}
