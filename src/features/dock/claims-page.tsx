import { mayManage } from '@/core/actions/contract';
import { Button, Group } from '@mantine/core';
import { IconFileTypeCsv, IconFileTypePdf } from '@tabler/icons-react';
import { AtRest } from '@/shell/at-rest';
import { ShopLink as Link } from '@/shell/shop-link';
import { claimedOutOf, USUAL_CLAIM_HOURS } from '@/core/dock/claims';
import { speciesCalled } from '@/core/words/species-name';
import { say } from '@/core/words/say';
import {
  claimedSuppliers,
  manySettledClaims,
  manyUnsettledClaims,
  type ClaimRecord,
} from '@/data/claim-lists';
import { claimHoursBySupplier } from '@/data/claims';
import { once } from '@/server/once';
import { inMyShop, type SignedIn } from '@/server/session';
import { ClaimWindow } from './claim-window';
import { MOST_CLAIMS } from './claim-rows';
import { ClaimSupplier, SettledClaims, UnsettledClaims, type ClaimView } from './claim-table';
import { askedClaims, beforeOf } from './claims-address';

const SETTLED_SHOWN = 12;
/** More than a morning has to send; the rest, which may be years of forgotten ones, when asked for. */
const UNSETTLED_SHOWN = 15;

function claimView(c: ClaimRecord, { species, language }: Pick<SignedIn, 'species' | 'language'>): ClaimView {
  return {
    id: c.id,
    number: c.number,
    product: `${speciesCalled(species, c.speciesKey, language)}${c.variety ? ` ‘${c.variety}’` : ''}`,
    supplier: c.supplier,
    deliveryRef: c.deliveryRef,
    lotNumber: c.lotNumber,
    stems: `${c.stems} of ${claimedOutOf(c)}`,
    words: say(c.says, language),
    seenBy: c.openedByName,
    value: c.value,
    currency: c.currency,
    state: c.state,
    dueAt: c.dueAt.getTime(),
    settledValue: c.settledValue,
  };
}

/** What we claim: each with its clock, the sheet to send, and what came of it. */
export async function ClaimsPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const before = beforeOf(search.before);
  const asked = askedClaims(search);
  const limit = asked.all ? MOST_CLAIMS : UNSETTLED_SHOWN + 1;
  const { unsettled, settled, hours, suppliers, mayChange, me } = await inMyShop(async (from, me) => {
    const [unsettled, settled, hours, suppliers] = await Promise.all([
      before ? [] : once(from, manyUnsettledClaims, limit, asked),
      once(from, manySettledClaims, SETTLED_SHOWN, before),
      once(from, claimHoursBySupplier),
      once(from, claimedSuppliers),
    ]);
    return { unsettled, settled, hours, suppliers, mayChange: mayManage(me.role), me };
  });
  const last = settled.at(-1);
  const shown = asked.all ? unsettled : unsettled.slice(0, UNSETTLED_SHOWN);
  return (
    <section className="narrow stack">
      <p>
        <Link href="/dock">Back to the dock</Link>
      </p>
      <h1>Claims</h1>
      {unsettled.length + settled.length === 0 && !before && asked.supplier === undefined ? (
        <p className="soft">
          Nothing is claimed. Count what is wrong with a lot at the dock; the claim is a tap from there.
        </p>
      ) : (
        <>
          <Group gap="0.5rem" align="end">
            <ClaimSupplier suppliers={suppliers} asked={asked} />
            <Button component="a" href="/dock/claims/sheet.pdf" leftSection={<IconFileTypePdf aria-hidden />}>
              Claim sheet, PDF
            </Button>
            <Button component="a" href="/dock/claims/sheet.csv" leftSection={<IconFileTypeCsv aria-hidden />}>
              As CSV
            </Button>
          </Group>
          {!before && (
            <>
              <h2>To settle</h2>
              <UnsettledClaims
                claims={shown.map((c) => claimView(c, me))}
                isCutShort={shown.length < unsettled.length}
                asked={asked}
                maySettle={mayChange}
              />
            </>
          )}
          <h2>Settled</h2>
          <SettledClaims
            claims={settled.map((c) => claimView(c, me))}
            isLater={before !== null}
            beyond={
              last && settled.length === SETTLED_SHOWN ? `${last.movedAt.toISOString()}_${last.number}` : null
            }
          />
        </>
      )}
      {mayChange && suppliers.length > 0 && (
        <AtRest>
          <h2>How long they allow</h2>
          {suppliers.map((s) => (
            <ClaimWindow key={s} supplier={s} hours={hours[s] ?? USUAL_CLAIM_HOURS} />
          ))}
        </AtRest>
      )}
    </section>
  );
}
