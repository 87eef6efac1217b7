import 'server-only';
import type { AsyncLocalStorage } from 'node:async_hooks';
import { DataError } from '@/data/errors';

/** What the server in front of us wants to know of a request. */
interface RequestState {
  isUnavailable: boolean;
  statements: number;
  sqlMs: number;
}
const holder = globalThis as typeof globalThis & { hushPailRequests?: AsyncLocalStorage<RequestState> };

/** Counts a statement, and the time it took, to the request it was asked by. */
export function countStatement(ms: number): void {
  const state = holder.hushPailRequests?.getStore();
  if (!state || !Number.isFinite(ms)) return;
  state.statements++;
  state.sqlMs += ms;
}

/** Tells the server in front that the database did not answer, so that the page says so; hands the error on. */
export function sayUnavailable(error: unknown): unknown {
  const state = holder.hushPailRequests?.getStore();
  if (state && error instanceof DataError && (error.fault === 'unavailable' || error.fault === 'conflict'))
    state.isUnavailable = true;
  return error;
}
