import Link from 'next/link';
import { findSpecies } from '@/core/species/species';
import { USUAL_CLAIM_HOURS } from '@/core/dock/claims';
import { claimHoursBySupplier, manyClaims } from '@/data/claims';
import { inMyShop } from '@/server/session';
import { ClaimLine } from './claim-line';
import { ClaimWindow } from './claim-window';
import css from './flaws.module.css';

const SHOWN = 100;

/** What we claim: each with its clock, the sheet to send, and what came of it. */
export async function ClaimsPage() {
  const { claims, hours, mayChange } = await inMyShop(async (trx, me) => ({
    claims: await manyClaims(trx, SHOWN),
    hours: await claimHoursBySupplier(trx),
    mayChange: me.role === 'manager',
  }));
  const suppliers = [...new Set(claims.map((c) => c.supplier))];
  return (
    <section className={css.claims}>
      <p>
        <Link href="/dock">Back to the dock</Link>
      </p>
      <h1>Claims</h1>
      {claims.length === 0 ? (
        <p className="soft">
          Nothing is claimed. Count what is wrong with a lot at the dock; the claim is a tap from there.
        </p>
      ) : (
        <>
          <p className={css.sheets}>
            <a className="plain" href="/dock/claims/sheet.pdf">
              Claim sheet, PDF
            </a>
            <a className="plain" href="/dock/claims/sheet.csv">
              As CSV
            </a>
          </p>
          <ul className="rowlist">
            {claims.map((c) => (
              <ClaimLine
                key={`${c.id} ${c.state}`}
                maySettle={mayChange}
                claim={{
                  id: c.id,
                  number: c.number,
                  title: `${findSpecies(c.speciesKey)?.name ?? c.speciesKey}${c.variety ? ` ‘${c.variety}’` : ''}, ${c.supplier} ${c.deliveryRef}`,
                  words: `${c.stems} of ${c.stemsDelivered} stems. ${c.words}. Seen by ${c.openedByName}.`,
                  value: c.value,
                  currency: c.currency,
                  state: c.state,
                  dueAt: c.dueAt.getTime(),
                  settledValue: c.settledValue,
                }}
              />
            ))}
          </ul>
        </>
      )}
      {mayChange && suppliers.length > 0 && (
        <>
          <h2>How long they allow</h2>
          {suppliers.map((s) => (
            <ClaimWindow key={s} supplier={s} hours={hours[s] ?? USUAL_CLAIM_HOURS} />
          ))}
        </>
      )}
    </section>
  );
}
