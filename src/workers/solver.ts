import highs from 'highs';
import type { SolveMixed } from '../core/bench/pails';

/** Seconds a packing may take; first fit stands ready behind it. */
const TIME_LIMIT_S = 0.5;

/** A solver for mixed-integer programmes (HiGHS, compiled to WebAssembly), ready to be asked. */
export async function loadSolver(locateFile?: (file: string) => string): Promise<SolveMixed> {
  const solver = await highs(locateFile ? { locateFile } : undefined);
  return (lp) => {
    const found = solver.solve(lp, { time_limit: TIME_LIMIT_S });
    const columns =
      'Columns' in found ? (found.Columns as Readonly<Record<string, { Primal?: number }>>) : null;
    return columns && Object.fromEntries(Object.entries(columns).map(([name, c]) => [name, c.Primal ?? 0]));
  };
}
