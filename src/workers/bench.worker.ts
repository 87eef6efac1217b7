import { expose } from 'comlink';
import { planInSteps } from '@/core/bench/plan';
import type { SolveMixed } from '@/core/bench/pails';
import type { BenchPlan } from '@/core/bench/tell';
import type { BenchInput } from '@/core/bench/types';
import { registryWith } from '@/core/species/registry';
import type { Species } from '@/core/species/species';
import { Latest } from './latest';
import { loadSolver } from './solver';

const latest = new Latest();
let solver: Promise<SolveMixed | null> | null = null;

const door = {
  /** The plan, better ones told as they are found; null when something newer was asked or it was stopped. */
  async plan(
    input: BenchInput,
    own: readonly Species[],
    tell: (plan: BenchPlan) => void,
  ): Promise<BenchPlan | null> {
    const isNewest = latest.begin();
    // Where the solver cannot be had, first fit packs the pails.
    solver ??= loadSolver(() => '/solver/highs.wasm').catch(() => null);
    return latest.inSteps(planInSteps(input, registryWith(own), await solver), tell, isNewest);
  },

  /** Gives up what is being worked out; the best so far was told. */
  stop(): void {
    latest.stop();
  },
};
export type BenchDoor = typeof door;

expose(door);
