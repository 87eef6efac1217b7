'use client';
import { Button, Group, Kbd, Stack, TextInput } from '@mantine/core';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useCallback, useRef, useState } from 'react';
import { v4 } from 'uuid';
import type { Care } from '@/core/arrangement/types';
import type { Overrides } from '@/core/model/figures';
import { Choices } from '@/shell/choices';
import { useActions } from '@/shell/actions';
import { notDoneWords } from '@/shell/outcome';
import { MeasureStepper } from '@/shell/measure-stepper';
import type { LotView } from '@/server/stock';
import { arrangementInput } from '@/core/arrangement/at-home';
import css from './make.module.css';
import { StockList } from './stock-list';
import { useForecast } from './use-forecast';
import { Working } from '@/shell/working';
import { VesselDrawing } from './vessel-drawing';
import { Feedback } from '@/shell/feedback';
import { ActionBar } from '@/shell/action-bar';

// What says how long it lasts is wanted once there is something in the vessel.
const Beside = dynamic(() => import('./beside').then((m) => m.Beside), { ssr: false });
const ForecastPanel = dynamic(() => import('./forecast-panel').then((m) => m.ForecastPanel), { ssr: false });
const ForecastTable = dynamic(() => import('./forecast-table').then((m) => m.ForecastTable), { ssr: false });
const HabitRanking = dynamic(() => import('./habit-ranking').then((m) => m.HabitRanking), { ssr: false });

/** A name from what is in it, for who types none: its three most numerous kinds. */
function namedAfter(chosen: readonly { lot: LotView; stems: number }[]): string {
  const kinds = [...chosen]
    .sort((a, b) => b.stems - a.stems)
    .map((c) => c.lot.name.split(',')[0]?.toLowerCase() ?? '');
  const words = [...new Set(kinds)].slice(0, 3).join(', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** Stems beside the vessel, the vessel in the middle, what will become of it to the right. */
export function MakeBoard({
  lots,
  mouldy,
  dry,
  confidence,
  overrides,
  now,
}: {
  lots: readonly LotView[];
  /** Ids of lots that had grey mould. */
  mouldy: readonly string[];
  dry: number;
  confidence: number;
  overrides: Overrides | null;
  now: number;
}) {
  const router = useRouter();
  const { act } = useActions();
  const [recipe, setRecipe] = useState<Readonly<Record<string, number>>>({});
  const [kind, setKind] = useState<'vase' | 'foam'>('vase');
  const [litres, setLitres] = useState(1.5);
  const [care, setCare] = useState<Care>('mixed');
  const [name, setName] = useState('');
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [actionKey, setActionKey] = useState(() => v4());
  const giveUp = useRef<AbortController | null>(null);
  // Somebody else may have taken stems since: what is left bounds what stands in the recipe.
  const chosen = lots.flatMap((lot) => {
    const stems = Math.min(recipe[lot.portionId] ?? 0, lot.stemsLeft);
    return stems > 0 ? [{ lot, stems }] : [];
  });
  const fewer = lots.filter((l) => (recipe[l.portionId] ?? 0) > l.stemsLeft);
  const count = chosen.reduce((n, c) => n + c.stems, 0);
  const input =
    count === 0
      ? null
      : arrangementInput(
          chosen.map(({ lot, stems }) => ({
            speciesKey: lot.speciesKey,
            arrival: lot.arrival,
            stems,
            sapRuns: lot.sapOpen,
          })),
          { kind, litres },
          confidence,
          care,
          overrides,
        );
  const live = useForecast(input);
  const names = chosen.map((c) => c.lot.name);
  const called = name.trim() || namedAfter(chosen);

  const take = useCallback((id: string, stems: number) => setRecipe((r) => ({ ...r, [id]: stems })), []);
  const make = async () => {
    giveUp.current = new AbortController();
    setBusy(true);
    setProblem(null);
    const outcome = await act(
      'make/make',
      {
        name: called,
        vesselKind: kind,
        litres,
        care,
        lines: chosen.map((c) => ({ portionId: c.lot.portionId, stems: c.stems })),
      },
      '',
      actionKey,
      giveUp.current.signal,
    );
    setBusy(false);
    if (!outcome.ok) {
      if (outcome.why !== 'unavailable') router.refresh();
      return setProblem(notDoneWords(outcome, 'made', 'the recipe stays here'));
    }
    setActionKey(v4());
    router.push(`/send-off?arrangement=${outcome.value.arrangementId}`);
  };

  return (
    <div className={css.make}>
      <StockList lots={lots} dry={dry} recipe={recipe} onTake={take} />
      <section className={css.vessel} aria-label="The vessel">
        <VesselDrawing kind={kind} chosen={chosen} litres={litres} />
        <Stack gap="0.625rem">
          <Choices
            label="Vessel"
            value={kind}
            onChange={setKind}
            options={[
              { value: 'vase', words: 'Vase' },
              { value: 'foam', words: 'Foam' },
            ]}
          />
          <MeasureStepper
            measure="litres"
            label="Water"
            fewer="Less water"
            more="More water"
            value={litres}
            min={0.5}
            max={12}
            by={0.5}
            onChange={setLitres}
          />
        </Stack>
      </section>
      <section className={css.right} aria-label="How long it lasts">
        <Group gap="0.25rem 0.75rem">
          <span className="soft" aria-hidden="true">
            kept by
          </span>
          <Choices
            label="Who keeps it"
            className={css.keepers}
            value={care}
            onChange={setCare}
            options={[
              { value: 'mixed', words: 'Anybody' },
              { value: 'careful', words: 'Careful' },
              { value: 'usual', words: 'Usual' },
              { value: 'careless', words: 'Careless' },
            ]}
          />
        </Group>
        <ForecastPanel
          live={live}
          isEmpty={count === 0}
          names={names}
          confidence={confidence}
          care={care}
          now={now}
        />
        <Beside
          lots={chosen.map((c) => c.lot)}
          mouldy={mouldy}
          sapCosts={live.isStale ? [] : (live.costs?.sapCosts ?? [])}
        />
        {fewer.length > 0 && (
          <Feedback>
            {fewer
              .map(
                (l) => `Of ${l.name} ${l.stemsLeft} are left, not the ${recipe[l.portionId] ?? 0} you took.`,
              )
              .join(' ')}
          </Feedback>
        )}
        <Feedback isAlert>{problem}</Feedback>
        {count > 0 && live.forecast && !live.failed && (
          <>
            <HabitRanking costs={live.isStale ? null : live.costs} share={live.costsShare} />
            <ForecastTable forecast={live.forecast} names={names} now={now} />
          </>
        )}
      </section>
      <ActionBar>
        <div className={css.makeIt}>
          <TextInput
            label="Called"
            value={name}
            maxLength={80}
            placeholder={called || 'foyer tray, 6'}
            onChange={(e) => setName(e.target.value)}
          />
          <Button variant="main" disabled={busy || count === 0} onClick={() => void make()} data-step-in-hand>
            {busy
              ? 'Making …'
              : count === 0
                ? 'Take stems from the left'
                : `Make it of ${count} ${count === 1 ? 'stem' : 'stems'}`}
            {count > 0 && <Kbd>.</Kbd>}
          </Button>
          {busy && <Working onGiveUp={() => giveUp.current?.abort()} />}
        </div>
      </ActionBar>
    </div>
  );
}
