'use client';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import type { Droop } from '@/core/vase-life/types';
import { Stem } from '@/drawing/stem';
import { Choices } from '@/shell/choices';
import { useDeeds } from '@/shell/deeds';
import type { LotView } from '@/server/stock';
import type { FlawInLot } from '@/core/dock/flaws';
import { BinForm } from './bin-form';
import css from './dock.module.css';
import { FlawForm } from './flaw-form';
import { StemTouch } from './stem-touch';
import { STAGES } from './words';

const nearestStage = (stage: number): number =>
  STAGES.reduce(
    (best, s, i) => (Math.abs(s.stage - stage) < Math.abs((STAGES[best]?.stage ?? 9) - stage) ? i : best),
    0,
  );

/** One lot, drawn large: how open and how limp it is, set by touching the drawing. */
export function LotLook({
  lot,
  nextId,
  hazards,
  flaws,
  claimedKinds,
  children,
}: {
  lot: LotView;
  nextId: string | null;
  hazards: readonly string[];
  flaws: readonly FlawInLot[];
  claimedKinds: readonly string[];
  children: ReactNode;
}) {
  const router = useRouter();
  const { tap } = useDeeds();
  const [stageAt, setStageAt] = useState(nearestStage(lot.stage));
  const [droop, setDroop] = useState<Droop>(lot.droop);
  const [said, setSaid] = useState<{ words: string; well: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const stage = STAGES[stageAt] ?? STAGES[0];
  // A lot at its species' own stage, untouched, is logged at just that.
  const value = stageAt === nearestStage(lot.stage) ? lot.stage : stage.stage;

  const log = async () => {
    setBusy(true);
    const outcome = await tap(
      'dock/look',
      { lotId: lot.id, stage: value, droop },
      `look at lot ${lot.number}: ${stage.word}, ${droop}`,
    );
    setBusy(false);
    if (!outcome.ok)
      return setSaid({
        words:
          outcome.why === 'unavailable' ? 'Kept on this tablet, not yet in the record.' : outcome.message,
        well: false,
      });
    setSaid({ words: `Logged: ${stage.word}, ${droop}. The plan on the bench fits it now.`, well: true });
    if (nextId) router.push(`/dock?lot=${nextId}`, { scroll: false });
  };

  return (
    <section className={css.look} aria-label={`Lot ${lot.number}`}>
      <header>
        <p className="soft">
          lot {lot.number} · {lot.stemsLeft} stems · {lot.deliveryRef}
        </p>
        <h1>
          {lot.name}
          {lot.variety ? ` ‘${lot.variety}’` : ''}
        </h1>
        {hazards.map((hazard) => (
          <p key={hazard} className={css.hazard}>
            {hazard}
          </p>
        ))}
      </header>
      <Choices
        label="How open"
        value={stageAt}
        onChange={setStageAt}
        className={css.stages}
        optionClass={`plain ${css.stage}`}
        options={STAGES.map((s, i) => ({
          value: i,
          words: (
            <>
              <span className={css.stageDrawing}>
                <Stem
                  habit={lot.habit}
                  colour={lot.colour}
                  stage={s.stage}
                  droop="firm"
                  height={84}
                  closeUp
                />
              </span>
              {s.word}
            </>
          ),
        }))}
      />
      <div className={css.lookBody}>
        <StemTouch
          habit={lot.habit}
          colour={lot.colour}
          stage={stage.stage}
          droop={droop}
          onDroop={setDroop}
          onHead={() => setStageAt((stageAt + 1) % STAGES.length)}
        />
        {children}
      </div>
      {said && (
        <p className={said.well ? 'said well' : 'said'} role="status">
          {said.words}
        </p>
      )}
      <button type="button" className="deed" onClick={() => void log()} disabled={busy} data-step-in-hand>
        {lot.looked ? 'Look again' : 'Looked at'}: {stage.word}, {droop}
        <kbd>Enter</kbd>
      </button>
      <FlawForm lot={lot} flaws={flaws} claimedKinds={claimedKinds} />
      <BinForm lot={lot} />
    </section>
  );
}
