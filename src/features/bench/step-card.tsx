'use client';
import { Group, Stack, Title } from '@mantine/core';

import { stepOf } from '@/core/steps/steps';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Beaker } from '@/drawing/beaker';
import { Stem } from '@/drawing/stem';
import { clockWords, useShopNow } from '@/shell/clock';
import { useActions } from '@/shell/actions';
import { Feedback } from '@/shell/feedback';
import { useWords, type SayWords } from '@/shell/words';
import type { BenchCard } from './bench-card';
import css from './bench.module.css';
import { CautionLine } from './caution-line';
import { LookOutcomes } from './look-outcomes';
import { PailPicker } from './pail-picker';
import { asksForPail, binsWhatHangs, StepButton, type Chosen } from './step-button';
import { useLog } from './use-log';
import { NotThis } from './not-this';

const CardDrawer = dynamic(() => import('./card-drawer').then((m) => m.CardDrawer), { ssr: false });

function Clock({ dueAt }: { dueAt: number }) {
  const now = useShopNow();
  const t = useWords();
  if (now === null) return null;
  const { words, late } = clockWords(dueAt, now);
  return (
    <p>
      <span className={late ? 'big late' : 'big'}>{words}</span>{' '}
      <span className="soft">{t(late ? 'bench.it-is-due' : 'bench.to-go')}</span>
    </p>
  );
}

function Head({ card }: { card: BenchCard }) {
  const t = useWords();
  return (
    <Group component="header" gap="0.125rem 0.875rem" align="baseline" justify="space-between">
      <p className="serif">{card.hands.name}</p>
      <span>
        <strong>
          {card.name}
          {card.variety && ` ‘${card.variety}’`}
        </strong>{' '}
        <span className="soft">
          {t('bench.lot-stems', { lot: card.lotLabel, stems: card.stems })}
          {card.pail && ` · ${t('bench.pail', { pail: card.pail })}`}
        </span>
      </span>
    </Group>
  );
}

/** The tool these hands cut with, where the house goes by what each was shown. */
function toolWords({ step: { step }, hands }: BenchCard, t: SayWords): string | null {
  if (step.params.kind !== 'cut') return null;
  if (step.params.tool === 'knife or snips')
    return t(hands.hasKnife ? 'bench.tool.clean knife' : 'bench.tool.sharp snips');
  return t(`bench.tool.${step.params.tool}`);
}

function Figures({ card }: { card: BenchCard }) {
  const { step } = card.step;
  const tool = toolWords(card, useWords());
  return (
    <>
      {tool && (
        <p>
          <strong>{tool}</strong>
        </p>
      )}
      <ul className={`row bare ${css.figures}`}>
        {step.figures.map((f) => (
          <li key={f.of + f.value} className="row" data-figure>
            <Beaker figure={f} />
            <span>
              <strong className="serif">{f.value}</strong>
              <span className="soft">{f.of}</span>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Filled so far where no pail says otherwise, L. */
const USUAL_LITRES = 4;

const WHOSE = {
  state: 'bench.whose.state',
  house: null,
  purpose: null,
  equipment: 'bench.whose.equipment',
  'own protocol': 'bench.whose.own protocol',
  species: null,
} as const;

/** The step by its title, clock and numbers, and the stem it is done to. */
function Step({ card }: { card: BenchCard }) {
  const { step, status, dueAt } = card.step;
  return (
    <div className={css.cardBody}>
      <div className="stack">
        <Title order={2} fz="clamp(1.75rem, 3.2vw, 2.5rem)">
          {step.title}
        </Title>
        {status === 'running' && dueAt !== null && <Clock dueAt={dueAt} />}
        <Figures card={card} />
      </div>
      <div className={css.drawing}>
        <Stem
          habit={card.habit}
          colour={card.colour}
          stage={card.stage}
          droop={card.droop}
          height={215}
          cutMark={stepOf(step.kind).isDrawnCut}
          water={step.pail ? step.pail.depthCm / 24 : 0}
        />
      </div>
    </div>
  );
}

/** Why it is done, whose doing that is, and what to be careful of. */
function Why({ card }: { card: BenchCard }) {
  const t = useWords();
  const { step } = card.step;
  const whose = WHOSE[step.because];
  return (
    <>
      <p className="aside">
        {step.reason}
        {whose && <span className="soft"> {t(whose)}</span>}
      </p>
      {card.isSapOpen && step.kind !== 'sap-soak' && <p className="todo">{t('bench.sap-runs')}</p>}
      <CautionLine caution={step.caution} more={card.moreCaution} />
    </>
  );
}

/** The pails it may go into, one of them chosen, or the stems dealt out. */
function Pails({
  card,
  chosen,
  onChosen,
}: {
  card: BenchCard;
  chosen: Chosen;
  onChosen: (chosen: Chosen) => void;
}) {
  const pail = card.pails.find((p) => p.id === chosen.pailId);
  return (
    <PailPicker
      pails={card.pails}
      pailId={chosen.pailId}
      stems={card.stems}
      dealt={card.dealt}
      isDealt={chosen.isDealt}
      onDealt={(isDealt) => onChosen({ ...chosen, isDealt })}
      litres={chosen.litres ?? pail?.litres ?? USUAL_LITRES}
      onPail={(pailId) => onChosen({ ...chosen, pailId, litres: null, isDealt: false })}
      onLitres={(litres) => onChosen({ ...chosen, litres })}
      film={card.film}
      isAcid={card.isAcid}
      solution={card.solution}
      foods={card.foods}
    />
  );
}

/** A space at which no line ends. */
const NO_BREAK = '\u00a0';

/** What comes after it: this lot's next step, and whose turn it is then. */
function After({ card }: { card: BenchCard }) {
  const t = useWords();
  return (
    <span>
      {card.then[0] ? (
        <>
          {t('bench.then')} <strong>{card.then[0].toLowerCase()}</strong>
        </>
      ) : (
        t('bench.last-step')
      )}
      <span className="soft">
        {' '}
        · {t('bench.of', { n: card.stepNo, all: card.stepCount }).replaceAll(' ', NO_BREAK)}
      </span>
      {card.next.length > 0 && (
        <span className="says">{t('bench.after-that', { lots: card.next.join('; ') })}</span>
      )}
    </span>
  );
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
  const { kept } = useActions();
  const t = useWords();
  const log = useLog(`lot ${card.lotLabel}`);
  const { step, id } = card.step;
  const [chosen, setChosen] = useState<Chosen>({
    pailId: card.pails.find((p) => p.id !== avoidPail)?.id ?? null,
    litres: null,
    isDealt: card.dealt.length > 0,
    used: {},
    also: [],
    besideId: null,
    binned: binsWhatHangs(step.params) ? card.stems : 0,
  });
  const isKept = kept.some((k) => (k.body as { stepId?: string }).stepId === id);
  const isLook = step.kind === 'look-back';
  return (
    <article
      className={`stack ${css.card}`}
      aria-label={t('bench.of-lot', { name: card.name, lot: card.lotLabel })}
      data-step={step.kind}
    >
      <Head card={card} />
      <Step card={card} />
      <Stack gap="0.875rem">
        <Why card={card} />
        {asksForPail(card) && <Pails card={card} chosen={chosen} onChosen={setChosen} />}
        <Feedback isAlert>{log.said}</Feedback>
      </Stack>
      {/* No box of its own: the main action keeps in sight for as long as any of its card is. */}
      <div style={{ display: 'contents' }}>
        {isLook ? (
          <LookOutcomes card={card} log={log} isKept={isKept} />
        ) : (
          <StepButton
            card={card}
            log={log}
            chosen={chosen}
            onChosen={setChosen}
            isKept={isKept}
            inHand={inHand}
          />
        )}
        <Group wrap="nowrap" justify="space-between" mih={52} pt="xs">
          <After card={card} />
          <NotThis words={t('bench.not-this')}>
            <CardDrawer
              card={card}
              log={log}
              used={chosen.used}
              onUsed={(used) => setChosen({ ...chosen, used })}
            />
          </NotThis>
        </Group>
      </div>
    </article>
  );
}
