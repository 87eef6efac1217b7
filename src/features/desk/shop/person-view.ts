import type { Role } from '@/core/actions/contract';

/** Somebody as the desk shows them. */
export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly login: string | null;
  readonly isHere: boolean;
  readonly isMe: boolean;
  /** Whether whoever looks may retire them, sign them out, or give them another PIN. */
  readonly mayRule: boolean;
  /** They sign in with a code beside their password. */
  readonly hasFactor: boolean;
  readonly sessions: readonly { readonly id: string; readonly words: string }[];
  /** Until when nobody may try to sign in as them, somewhere; null where they may. */
  readonly lockedUntil: string | null;
}
