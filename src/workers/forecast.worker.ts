import { expose } from 'comlink';
import { predictInSlices } from '@/core/arrangement/predict-arrangement';
import type { ArrangementForecast, ArrangementInput } from '@/core/arrangement/types';
import { dayCostsInSteps, type DayCosts } from '@/core/habits/what-a-day-costs';

/** The latest question asked: whatever is worked out for an earlier one is given up. */
let asked = 0;

/** Lets the messages that have come in be read: among them, that the input has changed. */
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

const door = {
  /** The forecast, its share done and its first bands told on the way; null when something newer was asked. */
  async predict(
    input: ArrangementInput,
    tell: (share: number, partial: ArrangementForecast | null) => void,
  ): Promise<ArrangementForecast | null> {
    const mine = ++asked;
    return predictInSlices(input, {
      pause,
      isCancelled: () => mine !== asked,
      onProgress: (share) => tell(share, null),
      onPartial: (partial) => tell(partial.draws / input.draws, partial),
    });
  },

  /** What each habit is worth, its share done told on the way; null when something newer was asked. */
  async dayCosts(input: ArrangementInput, tell: (share: number) => void): Promise<DayCosts | null> {
    const mine = ++asked;
    const steps = dayCostsInSteps(input);
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      tell(step.value);
      await pause();
      if (mine !== asked) return null;
    }
  },

  /** Gives up whatever is being worked out. */
  stop(): void {
    asked++;
  },
};
export type ForecastDoor = typeof door;

expose(door);
