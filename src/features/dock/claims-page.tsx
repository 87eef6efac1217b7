import { Button, Group } from '@mantine/core';
import { ShopLink as Link } from '@/shell/shop-link';
import { LinkButton } from '@/shell/link-button';
import { USUAL_CLAIM_HOURS } from '@/core/dock/claims';
import {
  claimHoursBySupplier,
  manySettledClaims,
  manyUnsettledClaims,
  type ClaimsBefore,
} from '@/data/claims';
import { inMyShop } from '@/server/session';
import { ClaimLine } from './claim-line';
import { ClaimWindow } from './claim-window';
import { MOST_CLAIMS } from './claim-rows';
import css from './flaws.module.css';

const SETTLED_SHOWN = 12;

/** Where the page before ended, as its link says it; null for the first page, or where the link is broken. */
function beforeOf(told: unknown): ClaimsBefore | null {
  const [movedAt = '', number = ''] = typeof told === 'string' ? told.split('_') : [];
  const at = new Date(movedAt);
  return /^\d{1,9}$/.test(number) && !Number.isNaN(at.getTime())
    ? { movedAt: at, number: Number(number) }
    : null;
}

/** What we claim: each with its clock, the sheet to send, and what came of it. */
export async function ClaimsPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const before = beforeOf(search.before);
  const { unsettled, settled, hours, mayChange, species } = await inMyShop(async (trx, me) => {
    const [unsettled, settled, hours] = await Promise.all([
      before ? [] : manyUnsettledClaims(trx, MOST_CLAIMS),
      manySettledClaims(trx, SETTLED_SHOWN, before),
      claimHoursBySupplier(trx),
    ]);
    return { unsettled, settled, hours, mayChange: me.role === 'manager', species: me.species };
  });
  const claims = [...unsettled, ...settled];
  const suppliers = [...new Set(unsettled.map((c) => c.supplier))];
  const last = settled.at(-1);
  return (
    <section className={css.claims}>
      <p>
        <Link href="/dock">Back to the dock</Link>
      </p>
      <h1>Claims</h1>
      {claims.length === 0 ? (
        <p className="soft">
          {before
            ? 'Nothing was settled before that.'
            : 'Nothing is claimed. Count what is wrong with a lot at the dock; the claim is a tap from there.'}
        </p>
      ) : (
        <>
          <Group component="p" gap="0.5rem">
            <Button component="a" href="/dock/claims/sheet.pdf">
              Claim sheet, PDF
            </Button>
            <Button component="a" href="/dock/claims/sheet.csv">
              As CSV
            </Button>
          </Group>
          <ul className="rowlist">
            {claims.map((c) => (
              <ClaimLine
                key={`${c.id} ${c.state}`}
                maySettle={mayChange}
                claim={{
                  id: c.id,
                  number: c.number,
                  title: `${species.find(c.speciesKey)?.name ?? c.speciesKey}${c.variety ? ` ‘${c.variety}’` : ''}, ${c.supplier} ${c.deliveryRef}`,
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
          <Group component="nav" gap="0.5rem" aria-label="Pages of claims">
            {before && <LinkButton href="/dock/claims">Newest</LinkButton>}
            {last && settled.length === SETTLED_SHOWN && (
              <LinkButton href={`/dock/claims?before=${last.movedAt.toISOString()}_${last.number}`}>
                Settled earlier
              </LinkButton>
            )}
          </Group>
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
