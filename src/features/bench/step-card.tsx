'use client';
import { useEffect, useState } from 'react';
import { Beaker } from '@/drawing/beaker';
import { Stem } from '@/drawing/stem';
import { clockWords, useShopNow } from '@/shell/clock';
import { useDeeds } from '@/shell/deeds';
import type { BenchCard } from './bench-card';
import css from './bench.module.css';
import { PailPicker } from './pail-picker';
import { Said } from '@/shell/said';

/** Longer than the second tap of a double tap takes to follow the first. */
const SETTLE_MS = 400;
let lastTapAt = -SETTLE_MS;

/** False for a moment after a tap has brought a new step under the finger: a double tap must not log it too. */
function useSettled(): boolean {
  const [settled, setSettled] = useState(() => performance.now() - lastTapAt > SETTLE_MS);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(true), SETTLE_MS);
    return () => clearTimeout(timer);
  }, []);
  return settled;
}

const SKIP_REASONS = ['not needed', 'done before it came', 'no time', 'nothing to do it with'] as const;

function Clock({ dueAt }: { dueAt: number }) {
  const now = useShopNow();
  if (now === null) return null;
  const { words, late } = clockWords(dueAt, now);
  return (
    <p className={css.clock}>
      <span className={late ? 'big late' : 'big'}>{words}</span>{' '}
      <span className="soft">{late ? 'it is due' : 'to go'}</span>
    </p>
  );
}

/** What the button says and what the tap means, by where the step is. */
function suggestion(card: BenchCard, pailName: string | null): { words: string; to: 'running' | 'done' } {
  const { step, status } = card.step;
  if (status === 'running')
    return {
      words:
        step.kind === 'hot-dip'
          ? 'Out of the hot water'
          : step.kind === 'sap-soak'
            ? 'Tipped out, rinsed'
            : 'It has had its time',
      to: 'done',
    };
  const into = step.pail && pailName ? `, pail ${pailName}` : '';
  return { words: `${step.doneWord}${into}`, to: step.waitSeconds > 0 ? 'running' : 'done' };
}

/** One lot, one step, said large, with its numbers, its reason, its caution and one thing to tap. */
export function StepCard({
  card,
  inHand,
  avoidPail,
}: {
  card: BenchCard;
  inHand: boolean;
  avoidPail: string | null;
}) {
  const { tap, kept } = useDeeds();
  const { step, status, id, dueAt } = card.step;
  const [pailId, setPailId] = useState<string | null>(card.pails.find((p) => p.id !== avoidPail)?.id ?? null);
  const [litres, setLitres] = useState<number | null>(null);
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const [skipping, setSkipping] = useState(false);
  const pail = card.pails.find((p) => p.id === pailId) ?? null;
  const settled = useSettled();
  const isKept = kept.some((k) => (k.body as { stepId?: string }).stepId === id);
  const needsPail = step.pail !== null && status === 'waiting';
  const { words, to } = suggestion(card, pail?.name ?? null);

  const log = async (body: Record<string, unknown>, about: string) => {
    lastTapAt = performance.now();
    setBusy(true);
    setSaid(null);
    const outcome = await tap('bench/tap', { stepId: id, ...body }, `lot ${card.lotNumber}, ${about}`);
    setBusy(false);
    if (!outcome.ok && outcome.why !== 'unavailable') setSaid(outcome.message);
  };
  const done = () =>
    void log(
      { to, ...(needsPail && pail ? { pailId: pail.id, litres: litres ?? pail.litres } : {}) },
      words.toLowerCase(),
    );

  return (
    <article className={css.card} aria-label={`${card.name}, lot ${card.lotNumber}`}>
      <header className={css.cardHead}>
        <h2>
          {card.name}
          {card.variety && ` ‘${card.variety}’`}
        </h2>
        <span className="soft">
          lot {card.lotNumber} · {card.stems} stems{card.pail ? ` · pail ${card.pail}` : ''}
        </span>
      </header>
      <div className={css.cardBody}>
        <div>
          <h1>{step.title}</h1>
          {status === 'running' && dueAt !== null && <Clock dueAt={dueAt} />}
          <ul className={css.figures}>
            {step.figures.map((f) => (
              <li key={f.of + f.value}>
                <Beaker figure={f} />
                <span>
                  <strong>{f.value}</strong>
                  <span className="soft">{f.of}</span>
                </span>
              </li>
            ))}
          </ul>
        </div>
        <div className={css.drawing}>
          <Stem
            habit={card.habit}
            colour={card.colour}
            stage={card.stage}
            droop={card.droop}
            height={290}
            cutMark={step.kind === 'cut'}
            water={step.pail ? step.pail.depthCm / 24 : 0}
          />
        </div>
      </div>
      <div className={css.why}>
        <p className={css.reason}>
          {step.reason}
          {step.because === 'state' && <span className="soft"> Changed for the state it came in.</span>}
          {step.because === 'house' && <span className="soft"> House way.</span>}
        </p>
        {step.caution && (
          <p className={css.caution}>
            <svg viewBox="0 0 28 26" width={28} aria-hidden="true">
              <path
                d="M14 3 L26 23 H2Z M14 10 V16 M14 19.4 V20"
                fill="none"
                stroke="currentColor"
                strokeWidth={2.6}
                strokeLinejoin="round"
                strokeLinecap="round"
              />
            </svg>
            {step.caution}
          </p>
        )}
        {needsPail && (
          <PailPicker
            pails={card.pails}
            pailId={pailId}
            litres={litres ?? pail?.litres ?? 4}
            onPail={(p) => {
              setPailId(p);
              setLitres(null);
            }}
            onLitres={setLitres}
          />
        )}
        <Said isAlert>{said}</Said>
      </div>
      <div>
        <button
          type="button"
          className="deed"
          disabled={busy || isKept || !settled || (needsPail && !pail)}
          data-settling={settled ? undefined : true}
          onClick={done}
          data-step-in-hand={inHand ? true : undefined}
        >
          {isKept ? 'Kept here, not yet in the record' : busy ? 'Logging …' : words}
          {inHand && !isKept && <kbd>.</kbd>}
        </button>
        <div className={css.after}>
          <span>
            {card.then[0] ? (
              <>
                then <strong>{card.then[0].toLowerCase()}</strong>
              </>
            ) : (
              'the last step of this lot'
            )}
            <span className="soft">
              {' '}
              · {card.stepNo} of {card.stepCount}
            </span>
          </span>
          {status === 'waiting' && (
            <button
              type="button"
              className="quiet"
              aria-expanded={skipping}
              onClick={() => setSkipping(!skipping)}
            >
              not this …
            </button>
          )}
        </div>
        {skipping && (
          <div className={css.skip} role="group" aria-label="Leave this step out, because">
            {SKIP_REASONS.map((reason) => (
              <button
                key={reason}
                type="button"
                className="plain"
                onClick={() => void log({ to: 'skipped', reason }, `left out: ${reason}`)}
              >
                {reason}
              </button>
            ))}
          </div>
        )}
      </div>
    </article>
  );
}
