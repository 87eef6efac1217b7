import type { Habit } from '@/core/species/species';
import type { Droop } from '@/core/vase-life/types';
import type { StepRow } from '@/data/steps';

export interface PailChoice {
  readonly id: string;
  readonly name: string;
  readonly litres: number;
  /** Water of a like lot stands in it already. */
  readonly shares: boolean;
}

/** One lot in hand: the step, and what follows it. */
export interface BenchCard {
  readonly lotId: string;
  readonly lotNumber: number;
  readonly name: string;
  readonly variety: string | null;
  readonly stems: number;
  readonly habit: Habit;
  readonly colour: string | null;
  readonly stage: number;
  readonly droop: Droop;
  readonly pail: string | null;
  readonly step: Pick<StepRow, 'id' | 'kind' | 'step' | 'status'> & { readonly dueAt: number | null };
  readonly then: readonly string[];
  readonly stepNo: number;
  readonly stepCount: number;
  readonly pails: readonly PailChoice[];
}
