import { CLAIM_SORTS } from '@/core/dock/claim-sorts';
import type { ClaimsAsked, ClaimsBefore } from '@/data/claim-lists';

type Search = Readonly<Record<string, string | string[] | undefined>>;
const LONGEST = 120;

/** Which claims, and whether all of them where they are many. */
export interface ClaimsListed extends ClaimsAsked {
  readonly all: boolean;
}

/** What the list of claims is asked, as its address has it. */
export function askedClaims({ supplier, sort, direction, all }: Search): ClaimsListed {
  return {
    supplier: typeof supplier === 'string' && supplier !== '' ? supplier.slice(0, LONGEST) : undefined,
    sort: CLAIM_SORTS.find((key) => key === sort),
    direction: direction === 'desc' ? 'desc' : undefined,
    all: all === '1',
  };
}

/** The address of the same list. */
export function claimsAddress(asked: {
  readonly supplier?: string | undefined;
  readonly sort?: string | undefined;
  readonly direction?: string | undefined;
  readonly all?: boolean | undefined;
}): string {
  const { all, ...rest } = asked;
  const said = Object.entries({ ...rest, all: all ? '1' : undefined }).filter(
    ([, value]) => value !== undefined && value !== '',
  );
  const query = new URLSearchParams(said as [string, string][]);
  return query.size === 0 ? '/dock/claims' : `/dock/claims?${query.toString()}`;
}

/** Where the page of settled ones before ended, as its link says it; null for the first page, or where the link is broken. */
export function beforeOf(told: unknown): ClaimsBefore | null {
  const [movedAt = '', number = ''] = typeof told === 'string' ? told.split('_') : [];
  const at = new Date(movedAt);
  return /^\d{1,9}$/.test(number) && !Number.isNaN(at.getTime())
    ? { movedAt: at, number: Number(number) }
    : null;
}
