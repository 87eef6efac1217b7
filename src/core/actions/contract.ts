import type * as v from 'valibot';
import type { EntryKind } from '../record/entry-details';

/** Who somebody is in their shop; an auditor reads, and changes nothing. */
export const ROLES = ['owner', 'manager', 'hand', 'auditor'] as const;
export type Role = (typeof ROLES)[number];
/** Who may do a thing; what everyone may, names ROLES. */
export const ANYBODY: readonly Role[] = ['owner', 'manager', 'hand'];
export const MANAGER: readonly Role[] = ['owner', 'manager'];
/** Whoever signs in by a name and a password; hands do by their PIN. */
export const BY_PASSWORD: readonly Role[] = ['owner', 'manager', 'auditor'];
/** Whether somebody may do what is the manager's to do. */
export const mayManage = (role: Role): boolean => MANAGER.includes(role);

/**
 * Things that are locked, in the one order in which every action locks them; within a kind by id.
 * `counters` hands out the shop's numbers, `house` guards what the manager sets.
 */
export const LOCK_ORDER = [
  'counters',
  'house',
  'person',
  'order',
  'delivery',
  'kept-line',
  'lot',
  'pail',
  'arrangement',
  'claim',
] as const;
export type LockedThing = (typeof LOCK_ORDER)[number];

/**
 * What an action locks: a thing itself, or the things behind one (the lot of a step, what stands in
 * a pail). `field` names where the id came from, for whoever is told that it is not in the shop.
 */
export interface Lock {
  readonly what:
    | LockedThing
    | 'step'
    | 'portion'
    | 'photo'
    | 'card'
    | 'contents of pail'
    | 'lots of delivery'
    | 'lots of arrangement'
    | 'entry';
  readonly id: string;
  readonly field: string;
}
export const lock = (what: Lock['what'], field: string, id: string): Lock => ({ what, id, field });
/** The shop's numbers: lots and claims are counted one at a time. */
export const COUNTERS: Lock = { what: 'counters', id: '', field: '' };
export const HOUSE: Lock = { what: 'house', id: '', field: '' };

/** What somebody is asked before an action goes on; the answer comes with the same tap, sent again. */
export const QUESTIONS = [
  'out of order',
  'early',
  'crowded',
  'handed over',
  'other hours',
  'kept',
  'for good',
] as const;
export type Question = (typeof QUESTIONS)[number];

/**
 * How an action is taken back. `restored`: every row it changed is as it was, and nothing it
 * touched may have changed since. `undone`: by steps of its own, since what it wrote stands.
 * `both`: the one, then the other. Else why it is not.
 */
export type TakenBack = 'restored' | 'undone' | 'both' | { readonly not: string };

/** One thing that can be done: all that client, route, server and correction must agree on. */
export interface ActionSpec<
  Input extends v.GenericSchema = v.GenericSchema,
  Result extends v.GenericSchema = v.GenericSchema,
> {
  readonly input: Input;
  /** What the answer carries; the same for every time the tap is sent. */
  readonly result: Result;
  readonly roles: readonly Role[];
  /** Fields of its input that are kept nowhere, not even as a hash: four digits would not bear guessing. */
  readonly secrets?: readonly string[];
  /** Whether a tap that gets no answer is kept on the tablet and sent again. */
  readonly mayWait: boolean;
  /** Kinds of entries it writes into the record. */
  readonly entries: readonly EntryKind[];
  readonly takenBack: TakenBack;
  readonly locks: (input: v.InferOutput<Input>) => readonly Lock[];
}

/** Holds a spec to its own types; `takenBack` keeps its literal, so that a missing undo does not compile. */
export function defineAction<
  Input extends v.GenericSchema,
  Result extends v.GenericSchema,
  const Back extends TakenBack,
>(
  spec: ActionSpec<Input, Result> & { readonly takenBack: Back },
): ActionSpec<Input, Result> & { readonly takenBack: Back } {
  return spec;
}
