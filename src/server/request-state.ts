import 'server-only';
import type { AsyncLocalStorage } from 'node:async_hooks';
import { DataError } from '@/data/errors';

/** What the server in front of us wants to know of a request. */
interface RequestState {
  /** What its answer bears as x-request-id, and its lines in the log. */
  readonly id: string;
  isUnavailable: boolean;
  statements: number;
  /** Statements that have not been answered, and since when there is one. */
  underway: number;
  askedAt: number;
  sqlMs: number;
}
const holder = globalThis as typeof globalThis & { hushPailRequests?: AsyncLocalStorage<RequestState> };

/** The id of the request that is being answered; undefined outside one. */
export const requestId = (): string | undefined => holder.hushPailRequests?.getStore()?.id;

/** Counts a statement to the request it is asked by. */
export function statementAsked(): void {
  const state = holder.hushPailRequests?.getStore();
  if (!state) return;
  state.statements++;
  if (state.underway++ === 0) state.askedAt = performance.now();
}

/** The time a request waited for its statements: those that were underway together are waited for once. */
export function statementAnswered(): void {
  const state = holder.hushPailRequests?.getStore();
  if (state && --state.underway === 0) state.sqlMs += performance.now() - state.askedAt;
}

/** Tells the server in front that the database did not answer, so that the page says so; hands the error on. */
export function sayUnavailable(error: unknown): unknown {
  const state = holder.hushPailRequests?.getStore();
  if (state && error instanceof DataError && (error.fault === 'unavailable' || error.fault === 'conflict'))
    state.isUnavailable = true;
  return error;
}
