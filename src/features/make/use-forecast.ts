'use client';
import { startTransition, useEffect, useState } from 'react';
import type { ArrangementForecast, ArrangementInput } from '@/core/arrangement/types';
import type { DayCosts } from '@/core/habits/what-a-day-costs';
import type { ForecastDoor } from '@/workers/forecast.worker';
import { habitInput } from '@/core/arrangement/at-home';
import { useWorkerDoor } from '@/shell/worker-door';

/** What is known of the arrangement in hand, as far as it has been worked out. */
export interface Live {
  readonly forecast: ArrangementForecast | null;
  /** Share of the forecast's draws that are done; 1 when it is whole. */
  readonly share: number;
  readonly costs: DayCosts | null;
  readonly costsShare: number;
  /** True while what is shown is of what stood in the vessel a moment ago. */
  readonly isStale: boolean;
  readonly failed: boolean;
}

interface Known extends Omit<Live, 'isStale'> {
  readonly key: string | null;
}

const NOTHING: Known = {
  key: null,
  forecast: null,
  share: 0,
  costs: null,
  costsShare: 0,
  failed: false,
};
const SETTLE_MS = 40;

const beginForecaster = () =>
  new Worker(new URL('../../workers/forecast.worker.ts', import.meta.url), { type: 'module' });

/**
 * The forecast of what stands in the vessel and what each habit is worth to it, worked out in a
 * worker: the first band after a few dozen draws, then all of them, then the habits. A change of
 * input gives up what was being worked out.
 */
export function useForecast(input: ArrangementInput | null): Live {
  const key = input === null ? null : JSON.stringify(input);
  const [known, setKnown] = useState<Known>(NOTHING);
  const forecaster = useWorkerDoor<ForecastDoor>(beginForecaster);
  useEffect(() => {
    if (key === null) return;
    let isCurrent = true;
    const update = (change: Partial<Known>): void => {
      // What comes from the worker is drawn in between taps, and holds none up.
      if (isCurrent)
        startTransition(() =>
          setKnown((last) => (last.key === key ? { ...last, ...change } : { ...NOTHING, key, ...change })),
        );
    };
    // What the worker tells on the way travels apart from its answer and may come after it.
    let isWhole = false;
    const workOut = async (): Promise<void> => {
      const { door: worker, proxy } = await forecaster.open();
      const asked = JSON.parse(key) as ArrangementInput;
      const forecast = await worker.predict(
        asked,
        proxy((share: number, partial: ArrangementForecast | null) => {
          if (partial && !isWhole) update({ forecast: partial, share });
        }),
      );
      if (!forecast || !isCurrent) return;
      isWhole = true;
      update({ forecast, share: 1 });
      const costs = await worker.dayCosts(
        habitInput(asked),
        proxy((costsShare: number) => update({ costsShare })),
      );
      if (costs) update({ costs });
    };
    const timer = setTimeout(() => {
      workOut().catch(() => update({ failed: true }));
    }, SETTLE_MS);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [key, forecaster]);
  if (key === null) return { ...NOTHING, isStale: false };
  return { ...known, isStale: known.key !== key };
}
