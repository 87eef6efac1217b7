import 'server-only';
import type { PailRow } from '@/data/pails';
import type { ActionContext } from './handler';

/** A pail that is kept for a van is poured into when somebody says so: the morning would be short of it. */
export function askIfKept(
  ask: ActionContext['ask'],
  { name, reservedSupplier }: Pick<PailRow, 'name' | 'reservedSupplier'>,
): void {
  if (reservedSupplier !== null)
    ask('kept', `Pail ${name} is kept for the van of ${reservedSupplier}. Pour into it all the same?`);
}
