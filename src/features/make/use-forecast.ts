'use client';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { ArrangementForecast, ArrangementInput } from '@/core/arrangement/types';
import type { ForecastDoor } from '@/workers/forecast.worker';

interface Live {
  readonly forecast: ArrangementForecast | null;
  readonly isWorking: boolean;
  readonly failed: boolean;
}

const SETTLE_MS = 120;

/**
 * The forecast of what stands in the vessel, made in a worker. A change of input ends the worker
 * that was at it: a forecast of what is no longer there is never shown.
 */
export function useForecast(input: ArrangementInput | null): Live {
  const key = input === null ? null : JSON.stringify(input);
  const [done, setDone] = useState<{ key: string; forecast: ArrangementForecast | null } | null>(null);
  useEffect(() => {
    if (key === null) return;
    let worker: Worker | null = null;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('../../workers/forecast.worker.ts', import.meta.url), { type: 'module' });
      const fail = () => setDone({ key, forecast: null });
      worker.addEventListener('error', fail);
      wrap<ForecastDoor>(worker)
        .predict(JSON.parse(key) as ArrangementInput)
        .then((forecast) => setDone({ key, forecast }), fail);
    }, SETTLE_MS);
    return () => {
      clearTimeout(timer);
      worker?.terminate();
    };
  }, [key]);
  const isDone = key !== null && done?.key === key;
  return {
    forecast: isDone ? done.forecast : null,
    isWorking: key !== null && !isDone,
    failed: isDone && done.forecast === null,
  };
}
