import * as v from 'valibot';
import { BIN_REASONS } from '../dock/bin-reasons';
import { FLAW_KINDS, SAMPLED_FLAWS } from '../dock/flaws';
import { ANYBODY, COUNTERS, defineAction, lock, MANAGER } from './contract';
import { day, id, instant, someWords, stems, whole } from './fields';

const ofLot = ({ lotId }: { readonly lotId: string }) => [lock('lot', 'lotId', lotId)];
const numbered = (input: { readonly lotId: string }) => [COUNTERS, ...ofLot(input)];

/** What is looked at, counted, decided and claimed at the dock. */
export const dockActions = {
  'dock/look': defineAction({
    input: v.object({
      lotId: id,
      stage: v.pipe(v.number(), v.minValue(0), v.maxValue(1.2)),
      droop: v.picklist(['firm', 'soft', 'hanging']),
      /** When it had last been looked at, as the page showed it; not told, whatever stands is looked over. */
      seenAt: v.optional(v.nullable(instant)),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['look'],
    takenBack: 'restored',
    locks: ofLot,
  }),
  'dock/bin': defineAction({
    input: v.object({
      lotId: id,
      /** Which of its portions; where it is not told, whichever has them. */
      portionId: v.optional(v.nullable(id), null),
      stems,
      reason: v.picklist(BIN_REASONS),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['bin'],
    takenBack: 'restored',
    locks: ofLot,
  }),
  'dock/split': defineAction({
    input: v.object({ lotId: id, stems }),
    result: v.object({ lotId: v.string() }),
    roles: ANYBODY,
    mayWait: true,
    entries: ['split'],
    takenBack: 'restored',
    locks: numbered,
  }),
  'dock/merge': defineAction({
    input: v.object({ lotId: id, intoId: id }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['merge'],
    takenBack: 'restored',
    locks: ({ lotId, intoId }) => [lock('lot', 'lotId', lotId), lock('lot', 'intoId', intoId)],
  }),
  'dock/in-hand': defineAction({
    input: v.object({ lotId: id }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: false,
    entries: [],
    takenBack: { not: 'Whose box is open is shown, and not recorded.' },
    locks: ofLot,
  }),
  'dock/keep-for': defineAction({
    input: v.object({ lotId: id, day: v.nullable(day) }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['keep-for'],
    takenBack: 'restored',
    locks: ofLot,
  }),
  'dock/decide': defineAction({
    input: v.object({
      lotId: id,
      decision: v.picklist(['accepted', 'use first', 'reduced price', 'refused']),
      percent: v.optional(whole(1, 99)),
      because: someWords(240),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['decide', 'claim'],
    takenBack: 'restored',
    locks: numbered,
  }),
  'dock/flaw': defineAction({
    input: v.object({
      lotId: id,
      kind: v.picklist(SAMPLED_FLAWS),
      seen: whole(0, 100_000),
      sample: whole(1, 100_000),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['flaw'],
    takenBack: 'both',
    locks: ofLot,
  }),
  'dock/claim': defineAction({
    input: v.object({ lotId: id, kind: v.picklist(FLAW_KINDS) }),
    result: v.object({ claimId: v.string(), number: v.number() }),
    roles: ANYBODY,
    mayWait: true,
    entries: ['claim'],
    takenBack: 'restored',
    locks: numbered,
  }),
  'dock/claim-moved': defineAction({
    input: v.object({ claimId: id, state: v.picklist(['sent', 'withdrawn']) }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: false,
    entries: ['claim-moved'],
    takenBack: 'restored',
    locks: ({ claimId }) => [lock('claim', 'claimId', claimId)],
  }),
  'dock/claim-settled': defineAction({
    input: v.object({
      claimId: id,
      state: v.picklist(['credited', 'refused']),
      settledValue: v.nullable(
        v.pipe(v.number(), v.minValue(0, 'cannot be negative'), v.maxValue(1_000_000)),
      ),
    }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['claim-moved'],
    takenBack: 'restored',
    locks: ({ claimId }) => [lock('claim', 'claimId', claimId)],
  }),
  'dock/claim-window': defineAction({
    input: v.object({ supplier: someWords(120), hours: whole(1, 720) }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['claim-window'],
    takenBack: 'undone',
    locks: () => [{ what: 'house', id: '', field: '' }],
  }),
} as const;

/** Of these, what is about flaws and claims, and what is about lots themselves. */
export type DockClaimAction = Extract<keyof typeof dockActions, 'dock/flaw' | `dock/claim${string}`>;
export type DockLotAction = Exclude<keyof typeof dockActions, DockClaimAction>;
