import Papa from 'papaparse';
import { defused } from '../csv/defused';
import { m, type Message } from '../words/message';
import { flawCounted, flawName, type FlawInLot, type FlawKind } from './flaws';

/** Hours a supplier allows for a claim, where the shop has not noted theirs. */
export const USUAL_CLAIM_HOURS = 24;

/** Where a claim stands, from its opening to its end. */
export type ClaimState = 'open' | 'sent' | 'credited' | 'refused' | 'withdrawn';

export interface ClaimDraft {
  readonly kind: FlawKind;
  readonly stems: number;
  /** Null where the note bore no price. */
  readonly value: number | null;
  readonly says: Message;
}

/** The claim a counted flaw makes: the likely stems at the price paid, the count as its evidence. */
export function draftClaim(flaw: FlawInLot, unitPrice: number | null): ClaimDraft {
  const stems = Math.max(1, flaw.likelyStems);
  return {
    kind: flaw.kind,
    stems,
    value: unitPrice === null ? null : Math.round(stems * unitPrice * 100) / 100,
    says: m('claim.told', { flaw: flawName(flaw.kind), counted: flawCounted(flaw) }),
  };
}

/** The claim for what was counted short: every stem of it, at the price paid. */
export function draftShortClaim(counted: number, short: number, unitPrice: number | null): ClaimDraft {
  return {
    kind: 'short',
    stems: short,
    value: unitPrice === null ? null : Math.round(short * unitPrice * 100) / 100,
    says: m('claim.short', { counted, noted: counted + short }),
  };
}

/** The stems a claim is a part of: what came; where too few came, what the note said. */
export const claimedOutOf = (claim: {
  readonly kind: string;
  readonly stems: number;
  readonly stemsDelivered: number;
}): number => claim.stemsDelivered + (claim.kind === 'short' ? claim.stems : 0);

/** What is asked back when a lot is kept for less, or not kept at all. */
export function draftDecisionClaim(
  percent: number,
  stems: number,
  unitPrice: number | null,
  because: string,
): Omit<ClaimDraft, 'kind'> {
  return {
    stems,
    value: unitPrice === null ? null : Math.round(stems * unitPrice * percent) / 100,
    says: percent === 100 ? m('claim.refused', { because }) : m('claim.less', { percent, because }),
  };
}

/** A claim with what else speaks for it, one after the other. */
export const withEvidence = (says: Message, evidence: readonly Message[]): Message =>
  evidence.reduce((told, more) => m('claim.and', { says: told, more }), says);

/** One row of a claim sheet. */
export interface ClaimRow {
  readonly number: number;
  readonly supplier: string;
  readonly deliveryRef: string;
  /** Row of the note's file. */
  readonly line: number;
  /** The line as the supplier numbers it. */
  readonly supplierLine: string | null;
  readonly product: string;
  readonly words: string;
  readonly stems: number;
  readonly stemsDelivered: number;
  /** What `stems` are a part of. */
  readonly outOf: number;
  readonly value: number | null;
  readonly currency: string | null;
  readonly state: ClaimState;
  readonly openedAt: string;
  readonly dueAt: string;
  readonly settledValue: number | null;
}

/** Claims as CSV (RFC 4180), one row each. */
export function claimsCsv(rows: readonly ClaimRow[]): string {
  return Papa.unparse(
    rows.map((r) =>
      defused({
        claim: r.number,
        supplier: r.supplier,
        delivery: r.deliveryRef,
        line: r.supplierLine ?? r.line,
        row: r.line,
        product: r.product,
        what: r.words,
        stems: r.stems,
        delivered: r.stemsDelivered,
        value: r.value ?? '',
        currency: r.currency ?? '',
        state: r.state,
        opened: r.openedAt,
        due: r.dueAt,
        credited: r.settledValue ?? '',
      }),
    ),
    { newline: '\r\n' },
  );
}
