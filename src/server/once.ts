import 'server-only';
import type { Trx } from '@/data/connection';

type Read<T> = (trx: Trx) => Promise<T>;
const kept = new WeakMap<Trx, Map<Read<unknown>, Promise<unknown>>>();

/** Says that a transaction only reads: what is read in it stands until it ends. */
export function readsOnly(trx: Trx): void {
  kept.set(trx, new Map());
}

/** Reads a thing once a transaction that only reads, whoever asks; in any other, each time anew. */
export function once<T>(trx: Trx, read: Read<T>): Promise<T> {
  const mine = kept.get(trx);
  if (!mine) return read(trx);
  const found = mine.get(read) as Promise<T> | undefined;
  if (found) return found;
  const reading = read(trx);
  mine.set(read, reading);
  return reading;
}
