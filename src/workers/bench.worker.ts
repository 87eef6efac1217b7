import { expose } from 'comlink';
import { planInSteps } from '@/core/bench/plan';
import type { SolveMixed } from '@/core/bench/pails';
import type { BenchPlan } from '@/core/bench/tell';
import type { BenchInput } from '@/core/bench/types';
import { registryWith } from '@/core/species/registry';
import type { Species } from '@/core/species/species';
import { loadSolver } from './solver';

let asked = 0;
let solver: Promise<SolveMixed | null> | null = null;
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

const door = {
  /** The plan, better ones told as they are found; null when something newer was asked or it was stopped. */
  async plan(
    input: BenchInput,
    own: readonly Species[],
    tell: (plan: BenchPlan) => void,
  ): Promise<BenchPlan | null> {
    const mine = ++asked;
    // Where the solver cannot be had, first fit packs the pails.
    solver ??= loadSolver(() => '/solver/highs.wasm').catch(() => null);
    const steps = planInSteps(input, registryWith(own), await solver);
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      tell(step.value);
      await pause();
      if (mine !== asked) return null;
    }
  },

  /** Gives up what is being worked out; the best so far was told. */
  stop(): void {
    asked++;
  },
};
export type BenchDoor = typeof door;

expose(door);
