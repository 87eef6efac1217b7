'use client';
import { Button, Group, Kbd, Stack, TextInput } from '@mantine/core';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useCallback, useRef, useState } from 'react';
import { v4 } from 'uuid';
import type { Care } from '@/core/arrangement/types';
import type { Overrides } from '@/core/model/figures';
import type { Told } from '@/shell/told';
import { useTold } from '@/shell/use-told';
import { Choices } from '@/shell/choices';
import { useActions } from '@/shell/actions';
import { notDoneWords } from '@/shell/outcome';
import { MeasureStepper } from '@/shell/measure-stepper';
import type { MakeLot } from './make-lot';
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
function namedAfter(chosen: readonly { lot: MakeLot; stems: number }[]): string {
  const kinds = [...chosen]
    .sort((a, b) => b.stems - a.stems)
    .map((c) => c.lot.name.split(',')[0]?.toLowerCase() ?? '');
  const words = [...new Set(kinds)].slice(0, 3).join(', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

type Chosen = readonly { readonly lot: MakeLot; readonly stems: number }[];
type Recipe = Readonly<Record<string, number>>;

/** Somebody else may have taken stems since: what is left bounds what stands in the recipe. */
const chosenOf = (lots: readonly MakeLot[], recipe: Recipe): Chosen =>
  lots.flatMap((lot) => {
    const stems = Math.min(recipe[lot.portionId] ?? 0, lot.stemsLeft);
    return stems > 0 ? [{ lot, stems }] : [];
  });

/** What is forecast of what was chosen; null while nothing is. */
const inputOf = (
  chosen: Chosen,
  vessel: { readonly kind: 'vase' | 'foam'; readonly litres: number },
  { confidence, care, overrides }: { confidence: number; care: Care; overrides: Overrides | null },
) =>
  chosen.length === 0
    ? null
    : arrangementInput(
        chosen.map(({ lot, stems }) => ({
          speciesKey: lot.speciesKey,
          arrival: lot.arrival,
          stems,
          sapRuns: lot.sapOpen,
        })),
        vessel,
        confidence,
        care,
        overrides,
      );

interface Wanted {
  readonly name: string;
  readonly vesselKind: 'vase' | 'foam';
  readonly litres: number;
  readonly care: Care;
}

/** Makes an arrangement, once however often it is tapped, and goes on to its card; it can be given up. */
function useMaking() {
  const router = useRouter();
  const { act } = useActions();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [actionKey, setActionKey] = useState(() => v4());
  const running = useRef<AbortController | null>(null);
  const make = async (wanted: Wanted, chosen: Chosen) => {
    running.current = new AbortController();
    setBusy(true);
    setProblem(null);
    const lines = chosen.map((c) => ({ portionId: c.lot.portionId, stems: c.stems }));
    const outcome = await act('make/make', { ...wanted, lines }, '', actionKey, running.current.signal);
    setBusy(false);
    if (!outcome.ok) {
      if (outcome.why !== 'unavailable') router.refresh();
      return setProblem(notDoneWords(outcome, 'made', 'the recipe stays here'));
    }
    setActionKey(v4());
    router.push(`/send-off?arrangement=${outcome.value.arrangementId}`);
  };
  return { busy, problem, make, giveUp: () => running.current?.abort() };
}

/** The vessel it is made in, and its water. */
function VesselForm({
  kind,
  onKind,
  litres,
  onLitres,
}: {
  kind: 'vase' | 'foam';
  onKind: (kind: 'vase' | 'foam') => void;
  litres: number;
  onLitres: (litres: number) => void;
}) {
  return (
    <Stack gap="0.625rem">
      <Choices
        label="Vessel"
        value={kind}
        onChange={onKind}
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
        onChange={onLitres}
      />
    </Stack>
  );
}

/** Four of them stand in a narrow column. */
const SLIM = { paddingInline: 10 };
const KEEPERS = [
  { value: 'mixed', words: 'Anybody', style: SLIM },
  { value: 'careful', words: 'Careful', style: SLIM },
  { value: 'usual', words: 'Usual', style: SLIM },
  { value: 'careless', words: 'Careless', style: SLIM },
] as const;

/** Whose hands it comes into. */
function KeptBy({ care, onCare }: { care: Care; onCare: (care: Care) => void }) {
  return (
    <Group gap="0.25rem 0.75rem">
      <span className="soft" aria-hidden="true">
        kept by
      </span>
      <Choices label="Who keeps it" className="abreast" value={care} onChange={onCare} options={KEEPERS} />
    </Group>
  );
}

/** Lots of which fewer are left than were taken. */
function Fewer({ lots, recipe }: { lots: readonly MakeLot[]; recipe: Recipe }) {
  const taken = (l: MakeLot): number => recipe[l.portionId] ?? 0;
  const fewer = lots.filter((l) => taken(l) > l.stemsLeft);
  if (fewer.length === 0) return null;
  return (
    <Feedback>
      {fewer.map((l) => `Of ${l.name} ${l.stemsLeft} are left, not the ${taken(l)} you took.`).join(' ')}
    </Feedback>
  );
}

/** What it is called, and the tap that makes it. */
function MakeIt({
  name,
  onName,
  called,
  count,
  busy,
  onMake,
  onGiveUp,
}: {
  name: string;
  onName: (name: string) => void;
  /** What it is called where nobody types a name. */
  called: string;
  count: number;
  busy: boolean;
  onMake: () => void;
  onGiveUp: () => void;
}) {
  const words =
    count === 0 ? 'Take stems from the left' : `Make it of ${count} ${count === 1 ? 'stem' : 'stems'}`;
  return (
    <Group wrap="nowrap" align="end" gap="sm">
      <TextInput
        flex="1 1 6rem"
        label="Called"
        value={name}
        maxLength={80}
        placeholder={called || 'foyer tray, 6'}
        onChange={(e) => onName(e.target.value)}
      />
      <Button
        variant="main"
        flex="1.5 1 6rem"
        disabled={busy || count === 0}
        onClick={onMake}
        data-step-in-hand
      >
        {busy ? 'Making …' : words}
        {count > 0 && <Kbd>.</Kbd>}
      </Button>
      {busy && <Working onGiveUp={onGiveUp} />}
    </Group>
  );
}

/** Stems beside the vessel, the vessel in the middle, what will become of it to the right. */
export function MakeBoard({
  told,
  mouldy,
  dry,
  confidence,
  overrides,
  now,
}: {
  told: Told<readonly MakeLot[]>;
  /** Ids of lots that had grey mould. */
  mouldy: readonly string[];
  dry: number;
  confidence: number;
  overrides: Overrides | null;
  now: number;
}) {
  const lots = useTold(told);
  const [recipe, setRecipe] = useState<Recipe>({});
  const [kind, setKind] = useState<'vase' | 'foam'>('vase');
  const [litres, setLitres] = useState(1.5);
  const [care, setCare] = useState<Care>('mixed');
  const [name, setName] = useState('');
  const { busy, problem, make, giveUp } = useMaking();
  const chosen = chosenOf(lots, recipe);
  const count = chosen.reduce((n, c) => n + c.stems, 0);
  const input = inputOf(chosen, { kind, litres }, { confidence, care, overrides });
  const live = useForecast(input);
  const names = chosen.map((c) => c.lot.name);
  const called = name.trim() || namedAfter(chosen);

  const take = useCallback((id: string, stems: number) => setRecipe((r) => ({ ...r, [id]: stems })), []);
  return (
    <div className={css.make}>
      <StockList lots={lots} dry={dry} recipe={recipe} onTake={take} />
      <section className={css.vessel} aria-label="The vessel">
        <VesselDrawing kind={kind} chosen={chosen} litres={litres} />
        <VesselForm kind={kind} onKind={setKind} litres={litres} onLitres={setLitres} />
      </section>
      <section className={`stack ${css.right}`} aria-label="How long it lasts">
        <KeptBy care={care} onCare={setCare} />
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
        <Fewer lots={lots} recipe={recipe} />
        <Feedback isAlert>{problem}</Feedback>
        {count > 0 && live.forecast && !live.failed && (
          <>
            <HabitRanking costs={live.isStale ? null : live.costs} share={live.costsShare} />
            <ForecastTable forecast={live.forecast} names={names} now={now} />
          </>
        )}
      </section>
      <ActionBar>
        <MakeIt
          name={name}
          onName={setName}
          called={called}
          count={count}
          busy={busy}
          onMake={() => void make({ name: called, vesselKind: kind, litres, care }, chosen)}
          onGiveUp={giveUp}
        />
      </ActionBar>
    </div>
  );
}
