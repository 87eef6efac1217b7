'use client';
import { useEffect, useRef, useState } from 'react';
import type { BenchPlan } from '@/core/bench/tell';
import type { BenchInput } from '@/core/bench/types';
import { useActions } from '@/shell/actions';
import { useOwnSpecies } from '@/shell/own-species';
import { useWorkerDoor } from '@/shell/worker-door';
import type { BenchDoor } from '@/workers/bench.worker';

export type Planning = 'rest' | 'looking' | 'failed';

interface Asked {
  /** Changes with what the plan is made from; null while nothing waits. */
  readonly madeFrom: string | null;
  readonly version: number;
  readonly plan: BenchPlan | null;
  /** Minutes since the plan that stands was made. */
  readonly planAgeMin: number;
}

const GIVEN_UP_MS = 12_000;
/** A plan that another tablet was quicker with is made anew so often, and then when the bench changes. */
const MOST_AGAIN = 3;
/** It is looked at again now and then, though nobody taps: that too is a slip. */
const LOOK_AGAIN_MIN = 10;

/** What the bench is planned from, as it is now: too much to come with every page. */
async function askInput(): Promise<BenchInput> {
  const response = await fetch('/bench/plan-input');
  if (!response.ok) throw new Error(`What the plan is made from was not to be had: ${response.status}.`);
  return (await response.json()) as BenchInput;
}

/** Minutes by which the end may shift before the plan's times are put right. */
const LATE_MIN = 5;

/** Whether a new plan is put up in the place of the one that stands: nobody is moved for nothing. */
function isWorthPutting(next: BenchPlan, input: BenchInput, { plan, planAgeMin }: Asked): boolean {
  if (!plan) return input.lots.length > 0;
  const known = new Set(plan.order);
  const hands = new Set(input.hands.map((h) => h.name));
  const isOther =
    next.lots.some((l) => !known.has(l.lot)) ||
    plan.assignment.some((w) => !hands.has(w.hands) && known.has(w.lot));
  const isMissing =
    input.hands.length > new Set(plan.assignment.map((w) => w.hands)).size && next.lots.length > 1;
  const isLate = Math.abs(plan.objective.finishMin - planAgeMin - next.objective.finishMin) > LATE_MIN;
  return (
    isLate ||
    isOther ||
    isMissing ||
    next.order.join() !== plan.order.filter((id) => next.order.includes(id)).join()
  );
}

const beginPlanner = () =>
  new Worker(new URL('../../workers/bench.worker.ts', import.meta.url), { type: 'module' });

/** A value as it was last drawn with, for what answers later. */
function useLatest<T>(value: T): { readonly current: T } {
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  return latest;
}

/** Plans the bench in a worker whenever what it is made from changes, and puts a better plan up for all tablets. */
export function usePlan(asked: Asked): { planning: Planning; best: BenchPlan | null; stop: () => void } {
  const { act } = useActions();
  const own = useOwnSpecies();
  const planner = useWorkerDoor<BenchDoor>(beginPlanner);
  const [planning, setPlanning] = useState<Planning>('rest');
  const [best, setBest] = useState<BenchPlan | null>(null);
  const latest = useLatest(asked);
  const [again, setAgain] = useState(0);
  const key =
    asked.madeFrom &&
    [asked.madeFrom, Math.floor(asked.planAgeMin / LOOK_AGAIN_MIN), Math.min(again, MOST_AGAIN)].join(' ');
  useEffect(() => {
    if (!key) return;
    let isCurrent = true;
    let told: BenchPlan | null = null;
    const putUp = (plan: BenchPlan | null, input: BenchInput): void => {
      if (!isCurrent) return;
      setPlanning('rest');
      if (!plan) return;
      setBest(plan);
      if (!isWorthPutting(plan, input, latest.current)) return;
      // One that was made of a bench that is no more is not put up: look again, and it is made anew.
      void act('bench/plan', { fromVersion: latest.current.version, plan }).then((outcome) => {
        if (isCurrent && outcome.ok && !outcome.value.isPut) setAgain((n) => n + 1);
      });
    };
    const workOut = async (): Promise<void> => {
      const input = await askInput();
      if (!isCurrent || input.lots.length === 0) return;
      setPlanning('looking');
      // A worker that does not answer in good time is ended; the best it told of is put up.
      const watch = setTimeout(() => {
        planner.end();
        putUp(told, input);
      }, GIVEN_UP_MS);
      const { door, proxy } = await planner.open();
      const found = await door.plan(
        input,
        own,
        proxy((plan: BenchPlan) => {
          told = plan;
          if (isCurrent) setBest(plan);
        }),
      );
      clearTimeout(watch);
      // Stopped by hand: the best so far is good enough.
      putUp(found ?? told, input);
    };
    workOut().catch(() => isCurrent && setPlanning('failed'));
    return () => {
      isCurrent = false;
    };
  }, [key, act, own, planner, latest]);
  return {
    planning,
    best,
    stop: () => {
      // It answers with the best it has.
      void planner.held()?.stop();
      setPlanning('rest');
    },
  };
}
