import 'server-only';
import type { AsyncLocalStorage } from 'node:async_hooks';
import { DataError } from '@/data/errors';

/** What the server in front of us wants to know of a request. */
interface RequestState {
  isUnavailable: boolean;
}
const holder = globalThis as typeof globalThis & { hushPailRequests?: AsyncLocalStorage<RequestState> };

/** Tells the server in front that the database did not answer, so that the page says so; hands the error on. */
export function sayUnavailable(error: unknown): unknown {
  const state = holder.hushPailRequests?.getStore();
  if (state && error instanceof DataError && (error.fault === 'unavailable' || error.fault === 'conflict'))
    state.isUnavailable = true;
  return error;
}
