import type { LongestUse } from '../water/pail-water';
import { DEFAULT_SCHOOLS, type Schools } from './schools';
import type { ProtocolEdit } from './edits';
import { NEEDS, type Need } from './types';

/** What a lot is for. */
export const PURPOSES = ['usual', 'sell soon', 'hold', 'force', 'event', 'dry'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** The house's own longest use of water in days, whatever the count. */
export type WaterLimits = LongestUse;
export const DEFAULT_LIMITS: WaterLimits = { plainDays: 2, foodDays: 4, lilyDays: 3 };

/** What a shop brings to a lot: its schools, what it has, what the lot is for, its own protocol for it. */
export interface Ways {
  readonly schools: Schools;
  readonly has: readonly Need[];
  readonly purpose: Purpose;
  /** Days until the event, where it is for one. */
  readonly eventInDays: number;
  /** ISO date of the event in the shop's calendar, where it is known. */
  readonly eventOn?: string;
  readonly limits: WaterLimits;
  readonly edits: readonly ProtocolEdit[];
}

/** A shop that has everything, takes every default, and has nothing of its own. */
export const DEFAULT_WAYS: Ways = {
  schools: DEFAULT_SCHOOLS,
  has: NEEDS,
  purpose: 'usual',
  eventInDays: 0,
  limits: DEFAULT_LIMITS,
  edits: [],
};
