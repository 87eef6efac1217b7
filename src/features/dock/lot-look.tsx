'use client';
import { Button, Kbd } from '@mantine/core';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { adviseAtDock, type DockAdvice, type FlawInLot } from '@/core/dock/flaws';
import type { GramsFound } from '@/core/dock/grams';
import { lineName } from '@/core/note/line-name';
import type { Droop } from '@/core/vase-life/types';
import type { LotView } from '@/server/stock';
import { useActions } from '@/shell/actions';
import type { Told } from '@/shell/told';
import { useTold } from '@/shell/use-told';
import { useHalfDone } from '@/shell/half-done';
import type { Mate } from './bin-form';
import type { Evidence } from './evidence-form';
import { HowOpen } from './how-open';
import { LotDrawers } from './lot-drawers';
import { LotMeans } from './lot-means';
import { outlookKey, type Outlook } from './outlook';
import { StemTouch } from './stem-touch';
import { nearestStage, STAGES } from './words';
import { ActionBar } from '@/shell/action-bar';
import { Columns } from '@/shell/columns';
import { useIntoView } from '@/shell/use-into-view';
import { Feedback } from '@/shell/feedback';
import { ShopLink as Link } from '@/shell/shop-link';
import { m, type Message } from '@/core/words/message';
import { useSay } from '@/shell/words';
import { useMeasures } from '@/shell/reader';

// What is in a drawer is fetched as it is first opened.
const AnotherDay = dynamic(() => import('./another-day').then((m) => m.AnotherDay), { ssr: false });
const BoxFoundButton = dynamic(() => import('./box-found').then((m) => m.BoxFoundButton), { ssr: false });
const BinForm = dynamic(() => import('./bin-form').then((m) => m.BinForm), { ssr: false });
const CorrectForm = dynamic(() => import('./correct-form').then((m) => m.CorrectForm), { ssr: false });
const CountForm = dynamic(() => import('./count-form').then((m) => m.CountForm), { ssr: false });
const DecideForm = dynamic(() => import('./decide-form').then((m) => m.DecideForm), { ssr: false });
const FlawForm = dynamic(() => import('./flaw-form').then((m) => m.FlawForm), { ssr: false });
const PhotoForm = dynamic(() => import('./evidence-form').then((m) => m.PhotoForm), { ssr: false });
const WarmthForm = dynamic(() => import('./evidence-form').then((m) => m.WarmthForm), { ssr: false });

/** All that the dock knows of the lot being looked at. */
export interface LookProps {
  readonly lot: LotView;
  readonly nextId: string | null;
  readonly hazards: readonly string[];
  readonly flaws: readonly FlawInLot[];
  readonly claimedKinds: readonly string[];
  readonly outlooks: Told<Readonly<Record<string, Outlook>>>;
  readonly evidence: Evidence;
  readonly measured: readonly Message[];
  readonly grams: GramsFound | null;
  readonly mates: readonly Mate[];
  readonly tomorrow: string;
  readonly dryHoursLeft: number | null;
  /** It bears the wait till tomorrow as it stands. */
  readonly bearsANight: boolean;
  /** Somebody else who has this box open. */
  readonly alsoInHand: string | null;
  readonly isDemo: boolean;
}

function Head({
  lot,
  hazards,
  alsoInHand,
  isDemo,
}: Pick<LookProps, 'lot' | 'hazards' | 'alsoInHand' | 'isDemo'>) {
  const { told } = useMeasures();
  const [isCorrecting, setCorrecting] = useState(false);
  const asSold = [
    lot.bunches === null ? null : `sold as ${lot.bunches} × ${lot.stemsPerBunch ?? '?'}`,
    lot.colour,
    lot.headsMin === null ? null : `${lot.headsMin} heads or more a stem`,
    lot.lengthCm === null ? null : told('cm', lot.lengthCm),
  ].filter((w) => w !== null);
  return (
    <header>
      <div className="row">
        <p className="grow soft">
          lot {lot.number} · {lot.stemsLeft} stems{asSold.length > 0 ? `, ${asSold.join(', ')}` : ''} ·{' '}
          {lot.deliveryRef} line {lineName(lot)}
        </p>
        <Link href={`/desk?lot=${lot.number}`} className="reach">
          Its record
        </Link>
        <Button variant="quiet" aria-expanded={isCorrecting} onClick={() => setCorrecting(!isCorrecting)}>
          Booked wrongly?
        </Button>
        {isDemo && <BoxFoundButton lotId={lot.id} />}
      </div>
      <h1>
        {lot.name}
        {lot.variety ? ` ‘${lot.variety}’` : ''}
      </h1>
      {isCorrecting && <CorrectForm lot={lot} />}
      {lot.remark && <p className="soft">The note remarks: “{lot.remark}”</p>}
      {alsoInHand && <p className="todo">{alsoInHand} has this box open as well.</p>}
      {hazards.map((hazard) => (
        <p key={hazard} className="late">
          <span aria-hidden="true">△ </span>
          {hazard}
        </p>
      ))}
    </header>
  );
}

function Drawers({ props, advice }: { props: LookProps; advice: DockAdvice | null }) {
  const { told } = useMeasures();
  const say = useSay();
  const { lot, flaws, evidence } = props;
  const warm = [evidence.boxC, evidence.waterC].filter((c) => c !== null).map((c) => told('tempC', c));
  const holds = (n: number): string | null => (n > 0 ? String(n) : null);
  return (
    <LotDrawers
      lotId={lot.id}
      startOpen={flaws.length > 0 ? 'wrong' : null}
      drawers={[
        {
          key: 'decide',
          words: 'Keep or refuse',
          holds: lot.decision,
          inside: <DecideForm lot={lot} because={say(advice?.because ?? m('dock.as-seen'))} />,
        },
        {
          key: 'wrong',
          words: 'What is wrong',
          holds: holds(flaws.length),
          inside: <FlawForm lot={lot} flaws={flaws} claimedKinds={props.claimedKinds} />,
        },
        {
          key: 'count',
          words: 'Count or weigh',
          holds: lot.stemsShort === 0 ? null : lot.stemsShort > 0 ? `${lot.stemsShort} short` : 'over',
          inside: <CountForm lot={lot} grams={props.grams} />,
        },
        {
          key: 'warmth',
          words: 'Warmth',
          holds: warm.length > 0 ? warm.join(', ') : null,
          inside: <WarmthForm lot={lot} evidence={evidence} />,
        },
        {
          key: 'photo',
          words: 'Photograph',
          holds: holds(evidence.photoIds.length),
          inside: <PhotoForm lot={lot} evidence={evidence} />,
        },
        { key: 'parts', words: 'Bin, split, join', inside: <BinForm lot={lot} mates={props.mates} /> },
        {
          key: 'day',
          words: 'Another day',
          holds: lot.forDay,
          inside: <AnotherDay {...props} />,
        },
      ]}
    />
  );
}

const adviceFor = (
  { flaws, lot, measured }: Pick<LookProps, 'flaws' | 'lot' | 'measured'>,
  droop: Droop,
  outlook: Outlook,
): DockAdvice =>
  adviseAtDock({
    flaws,
    droop,
    daysLeftP50: outlook.daysLeft.p50,
    stemsShort: Math.max(0, lot.stemsShort),
    measured,
  });

/** What the bench does for how it came. */
function AtBench({ changes }: Pick<Outlook, 'changes'>) {
  if (changes.length === 0) return null;
  return (
    <p>
      <strong>At the bench, for how it came:</strong>{' '}
      <span className="soft">{changes.join('; ').toLowerCase()}</span>
    </p>
  );
}

/** Tells the other tablets that this one has the box open, while nobody has looked at it. */
function useInHand({ id, looked }: LotView): void {
  const { tell } = useActions();
  useEffect(() => {
    if (!looked) tell('dock/in-hand', { lotId: id });
  }, [looked, id, tell]);
}

/** One lot, drawn large: how open and how limp it is, set by touching the drawing, and what that means. */
export function LotLook(props: LookProps) {
  const { lot, nextId } = props;
  const outlooks = useTold(props.outlooks);
  const router = useRouter();
  const { act } = useActions();
  const [seen, setSeen, done] = useHalfDone<{ stageAt: number; droop: Droop }>(
    `look ${lot.id} ${lot.lookedAt ?? ''}`,
    { stageAt: nearestStage(lot.stage), droop: lot.droop },
  );
  // The lot as it was when it was first touched here: a look logged elsewhere since is not overlooked.
  const [touchedAt, setTouchedAt] = useState<string | null | undefined>(undefined);
  const touch = (next: { stageAt: number; droop: Droop }) => {
    if (touchedAt === undefined) setTouchedAt(lot.lookedAt);
    setSeen(next);
  };
  const [feedback, setFeedback] = useState<{ words: string; well: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const { stageAt, droop } = seen;
  const stage = STAGES[stageAt] ?? STAGES[0];
  // A lot at its species' own stage, untouched, is logged at just that.
  const value = stageAt === nearestStage(lot.stage) ? lot.stage : stage.stage;
  const outlook = outlooks[outlookKey(value, droop)];
  const advice = outlook ? adviceFor(props, droop, outlook) : null;
  useInHand(lot);

  const log = async () => {
    setBusy(true);
    const outcome = await act(
      'dock/look',
      { lotId: lot.id, stage: value, droop, seenAt: touchedAt === undefined ? lot.lookedAt : touchedAt },
      `look at lot ${lot.number}: ${stage.word}, ${droop}`,
    );
    setBusy(false);
    setTouchedAt(undefined);
    if (!outcome.ok)
      return setFeedback({
        words:
          outcome.why === 'unavailable' ? 'Kept on this tablet, not yet in the record.' : outcome.message,
        well: false,
      });
    done();
    setFeedback({ words: `Logged: ${stage.word}, ${droop}. The plan on the bench fits it now.`, well: true });
    if (nextId) router.push(`/dock?lot=${nextId}`, { scroll: false });
  };

  const section = useIntoView<HTMLElement>('lot', lot.id);
  return (
    <section ref={section} className="stack first" aria-label={`Lot ${lot.number}`}>
      <Head {...props} />
      <HowOpen lot={lot} stageAt={stageAt} onStage={(next) => touch({ stageAt: next, droop })} />
      <Columns of="minmax(170px, 14.5rem) minmax(0, 1fr)" align="center">
        <StemTouch
          habit={lot.habit}
          colour={lot.colour}
          stage={stage.stage}
          droop={droop}
          flaws={props.flaws.flatMap((f) => (f.seen > 0 ? [f.kind] : []))}
          onDroop={(next) => touch({ stageAt, droop: next })}
          onHead={() => touch({ stageAt: (stageAt + 1) % STAGES.length, droop })}
        />
        {outlook && advice && (
          <LotMeans
            lot={lot}
            outlook={outlook}
            widestDays={Math.max(...Object.values(outlooks).map((o) => o.daysLeft.p90))}
            advice={advice}
          />
        )}
      </Columns>
      {feedback && <Feedback isWell={feedback.well}>{feedback.words}</Feedback>}
      <AtBench changes={outlook?.changes ?? []} />
      <Drawers props={props} advice={advice} />
      <ActionBar>
        <Button variant="main" onClick={() => void log()} disabled={busy} data-step-in-hand>
          {lot.looked ? 'Look again' : 'Looked at'}: {stage.word}, {droop}
          <Kbd>Enter</Kbd>
        </Button>
      </ActionBar>
    </section>
  );
}
