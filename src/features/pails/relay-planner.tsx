'use client';
import { Button, Group, Stack } from '@mantine/core';
import { useState } from 'react';
import { withCups, type Cup } from '@/core/sanitising/cup';
import { DIRT, type Dirt } from '@/core/sanitising/figures';
import { moneyWords } from '@/core/opening/currency';
import { relayJob, type Compared } from '@/core/sanitising/relay-job';
import type { RelayMode } from '@/core/sanitising/relay';
import type { Tubs } from '@/core/sanitising/relay-pass';
import type { Sanitiser } from '@/core/sanitising/sanitiser';
import { demandOf, type LearntDemand } from '@/core/sanitising/strip';
import { useActions } from '@/shell/actions';
import { Choices } from '@/shell/choices';
import { MeasureStepper } from '@/shell/measure-stepper';
import { NumberStepper } from '@/shell/number-stepper';
import { useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import type { PailView } from './pail-view';
import { ReadyBy } from './ready-by';

const HOW_MANY = [1, 2, 3].map((n) => ({ value: n, words: String(n) }));
const MODES: readonly { readonly value: RelayMode; readonly words: string }[] = [
  { value: 'relay', words: 'Pour it on' },
  { value: 'all-at-once', words: 'Fill them all' },
  { value: 'overnight', words: 'Soak overnight' },
  { value: 'tubs', words: 'Lay them in a tub' },
];
const DIRT_WORDS: Readonly<Record<Dirt, string>> = {
  rinsed: 'rinsed',
  scummed: 'a scum line',
  slimy: 'slimy',
};

const span = (minutes: number): string =>
  minutes < 120 ? `${Math.round(minutes)} min` : `${(minutes / 60).toFixed(1)} h`;

/** What a relay is planned from. */
export interface RelayPlannerProps {
  /** Pails that are to be washed. */
  readonly dirty: readonly PailView[];
  readonly sanitiser: Sanitiser;
  readonly currency: string;
  /** What this shop's pails take up of the chlorine. */
  readonly learnt: Readonly<Record<Dirt, LearntDemand>>;
  /** ISO date in the shop's zone. */
  readonly today: string;
}

/** A tub that many shops have by the sink. */
const USUAL_TUB: Tubs = { count: 1, litres: 60, holds: 4 };

/** How many tubs, what each holds, and how many pails lie in one. */
function TubForm({ tubs, onChange }: { tubs: Tubs; onChange: (tubs: Tubs) => void }) {
  return (
    <Stack gap="0.625rem">
      <NumberStepper
        label="Tubs"
        fewer="One tub fewer"
        more="One tub more"
        value={tubs.count}
        min={1}
        max={20}
        suffix={tubs.count === 1 ? ' tub' : ' tubs'}
        onChange={(count) => onChange({ ...tubs, count })}
      />
      <Group gap="0.75rem">
        <MeasureStepper
          measure="litres"
          label="Solution in each"
          fewer="Less solution"
          more="More solution"
          value={tubs.litres}
          by={5}
          min={5}
          max={1000}
          onChange={(litres) => onChange({ ...tubs, litres })}
        />
        <span className="soft">of solution in each</span>
      </Group>
      <Group gap="0.75rem">
        <NumberStepper
          label="Pails that lie in one"
          fewer="One pail fewer in it"
          more="One pail more in it"
          value={tubs.holds}
          min={1}
          max={60}
          suffix={tubs.holds === 1 ? ' pail' : ' pails'}
          onChange={(holds) => onChange({ ...tubs, holds })}
        />
        <span className="soft">lie in one at once</span>
      </Group>
    </Stack>
  );
}

/** How many to start at once, what that takes, and what it saves against filling all of them. */
function Takes({
  job,
  mode,
  learnt,
  cup,
  currency,
}: {
  job: ReturnType<typeof relayJob>;
  mode: RelayMode;
  learnt: LearntDemand;
  cup: Cup | null;
  currency: string;
}) {
  const { told } = useMeasures();
  const dose = (ml: number): string => (ml < 1000 ? told('ml', Math.round(ml)) : told('litres', ml / 1000));
  const { allAtOnce: all, freshEachPass: fresh } = job;
  const costs = (cost: number | null | undefined): string =>
    typeof cost === 'number' ? `, ${moneyWords(cost, currency)}` : '';
  const takes = (of: Compared): string =>
    `${dose(of.stockMl)}, ${told('litres', Math.round(of.litres))}${costs(of.cost)}, ${span(of.minutes)}`;
  return (
    <>
      <p>
        <span className="big">Start {job.passes[0]?.pailIds.length}</span>{' '}
        <span className="soft">
          {job.passes.length === 1 ? 'in one pass' : `in ${job.passes.length} passes`}
        </span>
      </p>
      <p>
        {withCups(dose(job.stockMl), job.stockMl, cup)} of {job.product} in{' '}
        {told('litres', Math.round(job.litres))}
        {costs(job.cost)}, {span(job.minutes)} after {span(job.scrubMinutes)} of scrubbing.
      </p>
      {(mode === 'relay' || mode === 'tubs') && job.litres < all.litres && (
        <p className="soft">
          All filled at once: {takes(all)}.{fresh && <> A fresh batch for each pass: {takes(fresh)}.</>}
        </p>
      )}
      {learnt.readings > 0 && (
        <p className="soft">
          Planned with {Math.round(learnt.mg)} mg of chlorine for the wall of such a pail of 10 L:{' '}
          {learnt.tableMg} by the table, moved by {learnt.readings}{' '}
          {learnt.readings === 1 ? 'strip' : 'strips'} of yours.
        </p>
      )}
    </>
  );
}

/** A relay planned: how many to start at once, what it takes, and what it saves. */
export function RelayPlanner({ dirty, sanitiser, currency, learnt, today }: RelayPlannerProps) {
  const { act } = useActions();
  const [count, setCount] = useState(dirty.length);
  const [people, setPeople] = useState(1);
  const [taps, setTaps] = useState(1);
  const [dirt, setDirt] = useState<Dirt>('scummed');
  const [mode, setMode] = useState<RelayMode>('relay');
  const [tubs, setTubs] = useState<Tubs>(USUAL_TUB);
  const [problem, setProblem] = useState<string | null>(null);
  const chosen = dirty.slice(0, Math.max(1, Math.min(count, dirty.length)));
  const job = relayJob({
    pails: chosen.map(({ id, sizeL }) => ({ id, litres: sizeL })),
    ...{ dirt, people, taps, mode, sanitiser, today },
    tubs: mode === 'tubs' ? tubs : undefined,
    demand: demandOf(learnt),
  });
  const begin = async () => {
    const pailIds = chosen.map((p) => p.id);
    const outcome = await act('pails/relay-begin', {
      ...{ pailIds, dirt, people, taps, mode },
      ...(mode === 'tubs' ? { tubs } : {}),
    });
    setProblem(outcome.ok ? null : outcome.message);
  };
  return (
    <Stack gap="0.875rem" pt="0.875rem">
      <NumberStepper
        label="Pails to wash"
        fewer="One pail fewer"
        more="One pail more"
        value={chosen.length}
        min={1}
        max={dirty.length}
        suffix=" pails"
        onChange={setCount}
      />
      <Group gap="0.5rem">
        <span>Most are</span>
        <Choices
          label="How dirty most of them are"
          value={dirt}
          onChange={setDirt}
          options={DIRT.map((d) => ({ value: d, words: DIRT_WORDS[d] }))}
        />
      </Group>
      <Group gap="1.5rem">
        <Group gap="0.5rem">
          <span>Hands</span>
          <Choices label="Hands" value={people} onChange={setPeople} options={HOW_MANY} />
        </Group>
        <Group gap="0.5rem">
          <span>Taps</span>
          <Choices label="Taps" value={taps} onChange={setTaps} options={HOW_MANY} />
        </Group>
      </Group>
      <Choices label="How" value={mode} onChange={setMode} options={MODES} />
      {mode === 'tubs' && <TubForm tubs={tubs} onChange={setTubs} />}
      <Takes job={job} mode={mode} learnt={learnt[dirt]} cup={sanitiser.cup} currency={currency} />
      <ReadyBy minutes={job.scrubMinutes + job.minutes} />
      {!job.isSanitised && (
        <Feedback isAlert>
          This does not sanitise them: the solution is too weak or too short on the wall.
        </Feedback>
      )}
      <Button variant="main" onClick={() => void begin()}>
        Begin
      </Button>
      <Feedback isAlert>{problem}</Feedback>
    </Stack>
  );
}
