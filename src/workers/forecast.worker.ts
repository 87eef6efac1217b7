import { expose } from 'comlink';
import { predictInSlices } from '@/core/arrangement/predict-arrangement';
import type { ArrangementForecast, ArrangementInput } from '@/core/arrangement/types';
import { dayCostsInSteps, type DayCosts } from '@/core/habits/what-a-day-costs';
import { Latest, pause } from './latest';

const latest = new Latest();

const door = {
  /** The forecast, its share done and its first bands told on the way; null when something newer was asked. */
  async predict(
    input: ArrangementInput,
    tell: (share: number, partial: ArrangementForecast | null) => void,
  ): Promise<ArrangementForecast | null> {
    const isNewest = latest.begin();
    return predictInSlices(input, {
      pause,
      isCancelled: () => !isNewest(),
      onProgress: (share) => tell(share, null),
      onPartial: (partial) => tell(partial.draws / input.draws, partial),
    });
  },

  /** What each habit is worth, its share done told on the way; null when something newer was asked. */
  async dayCosts(input: ArrangementInput, tell: (share: number) => void): Promise<DayCosts | null> {
    return latest.inSteps(dayCostsInSteps(input), tell);
  },

  /** Gives up whatever is being worked out. */
  stop(): void {
    latest.stop();
  },
};
export type ForecastDoor = typeof door;

expose(door);
