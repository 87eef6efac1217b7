import { expose } from 'comlink';
import { predictArrangement } from '@/core/arrangement/predict-arrangement';
import type { ArrangementForecast, ArrangementInput } from '@/core/arrangement/types';

const door = {
  predict: (input: ArrangementInput): ArrangementForecast => predictArrangement(input),
};
export type ForecastDoor = typeof door;

expose(door);
