'use client';
import { NativeSelect } from '@mantine/core';
import { useRouter } from 'next/navigation';

import { clockWords, useShopNow } from '@/shell/clock';
import { DeskTable, useOpenRow, type DeskColumn } from '@/shell/desk-table';
import { LinkButton } from '@/shell/link-button';
import { ShopLink } from '@/shell/shop-link';
import { ClaimMoves } from './claim-moves';
import { claimsAddress, type ClaimsListed } from './claims-address';

/** A claim as the list shows it. */
export interface ClaimView {
  readonly id: string;
  readonly number: number;
  readonly product: string;
  readonly supplier: string;
  readonly deliveryRef: string;
  readonly lotNumber: number;
  readonly stems: string;
  readonly words: string;
  readonly seenBy: string;
  readonly value: number | null;
  readonly currency: string | null;
  readonly state: string;
  readonly dueAt: number;
  readonly settledValue: number | null;
}

const money = (value: number | null, currency: string | null): string =>
  value === null ? 'no price' : `${value.toFixed(2)} ${currency ?? ''}`;

/** How it stands: an open one's clock runs until it is sent. */
function Standing({ claim }: { claim: ClaimView }) {
  const now = useShopNow();
  if (claim.state === 'sent') return <span>sent, no answer yet</span>;
  if (claim.state !== 'open')
    return (
      <span className="soft">
        {claim.state}
        {claim.settledValue === null ? '' : ` ${claim.settledValue.toFixed(2)}`}
      </span>
    );
  const clock = now === null ? null : clockWords(claim.dueAt, now);
  return (
    <span className={clock?.late ? 'late' : undefined}>
      open, {clock ? (clock.late ? `window closed, ${clock.words}` : `${clock.words} left`) : '…'}
    </span>
  );
}

/** As wide as the kit's `sm`: below it a claim says all in one cell. */

const NUMBER: DeskColumn<ClaimView> = {
  accessor: 'number',
  title: 'No.',
  width: '4rem',
  render: (c) => <strong>{c.number}</strong>,
};
const WHAT: DeskColumn<ClaimView> = {
  accessor: 'words',
  title: 'What for',
  render: (c) => (
    <>
      <ShopLink href={`/desk?lot=${c.lotNumber}`}>{c.product}</ShopLink>
      <br />
      {c.stems} stems. {c.words}. <span className="soft">Seen by {c.seenBy}.</span>
      <div className="mantine-hidden-from-sm">
        <strong>{money(c.value, c.currency)}</strong>, <Standing claim={c} />
      </div>
    </>
  ),
};
const SUPPLIER: DeskColumn<ClaimView> = {
  accessor: 'supplier',
  title: 'Supplier',
  width: '11rem',
  visibleFrom: 'sm',
  render: (c) => (
    <>
      {c.supplier}
      <br />
      <span className="soft">{c.deliveryRef}</span>
    </>
  ),
};
const VALUE: DeskColumn<ClaimView> = {
  accessor: 'value',
  title: 'Value',
  width: '7rem',
  textAlign: 'right',
  visibleFrom: 'sm',
  render: (c) => <strong>{money(c.value, c.currency)}</strong>,
};
const STANDING: DeskColumn<ClaimView> = {
  accessor: 'due',
  title: 'Standing',
  width: '11rem',
  visibleFrom: 'sm',
  render: (claim) => <Standing claim={claim} />,
};

const sortable = (column: DeskColumn<ClaimView>): DeskColumn<ClaimView> => ({ ...column, sortable: true });

interface UnsettledProps {
  readonly claims: readonly ClaimView[];
  readonly asked: ClaimsListed;
  /** There are more than these. */
  readonly isCutShort: boolean;
  readonly maySettle: boolean;
}

/** Claims that wait to be sent or answered; what may become of one opens under it. */
export function UnsettledClaims({ claims, asked, isCutShort, maySettle }: UnsettledProps) {
  const { openId, column } = useOpenRow<ClaimView>('Move', ({ number }) => `claim ${number} on`);
  return (
    <DeskTable
      label="Claims to settle"
      columns={[sortable(NUMBER), WHAT, sortable(SUPPLIER), sortable(VALUE), sortable(STANDING), column]}
      records={claims}
      empty="Nothing waits to be sent or answered."
      sort={{ by: asked.sort ?? 'due', direction: asked.direction ?? 'asc' }}
      addressOf={({ by, direction }) => claimsAddress({ ...asked, sort: by, direction })}
      openId={openId}
      under={(claim) => <ClaimMoves key={`${claim.id} ${claim.state}`} claim={claim} maySettle={maySettle} />}
    >
      {isCutShort && (
        <LinkButton href={claimsAddress({ ...asked, all: true })}>All that wait to be settled</LinkButton>
      )}
    </DeskTable>
  );
}

interface SettledProps {
  readonly claims: readonly ClaimView[];
  readonly isLater: boolean;
  /** Where the next page begins; null where there is none. */
  readonly beyond: string | null;
}

/** What came of claims, the last settled first. */
export function SettledClaims({ claims, isLater, beyond }: SettledProps) {
  return (
    <DeskTable
      label="Settled claims"
      columns={[NUMBER, WHAT, SUPPLIER, VALUE, STANDING]}
      records={claims}
      empty={isLater ? 'Nothing was settled before that.' : 'None is settled yet.'}
    >
      {isLater && <LinkButton href="/dock/claims">Newest</LinkButton>}
      {beyond !== null && <LinkButton href={`/dock/claims?before=${beyond}`}>Settled earlier</LinkButton>}
    </DeskTable>
  );
}

/** Whose claims the list shows. */
export function ClaimSupplier({ suppliers, asked }: { suppliers: readonly string[]; asked: ClaimsListed }) {
  const router = useRouter();
  return (
    <NativeSelect
      label="Supplier"
      value={asked.supplier ?? ''}
      data={[{ value: '', label: 'all of them' }, ...suppliers.map((s) => ({ value: s, label: s }))]}
      onChange={(event) => {
        router.push(claimsAddress({ ...asked, supplier: event.target.value }), { scroll: false });
      }}
    />
  );
}
