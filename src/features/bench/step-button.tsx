'use client';
import { Button, Kbd } from '@mantine/core';
import { Choices } from '@/shell/choices';
import { NumberStepper } from '@/shell/number-stepper';
import { useWords, type SayWords } from '@/shell/words';
import type { StepParams } from '@/core/steps/steps';
import type { BenchCard } from './bench-card';
import type { Used } from './used-figures';
import { useSettled, type Log } from './use-log';
import { ActionBar } from '@/shell/action-bar';

/** What was chosen on a card before its main action is tapped. */
export interface Chosen {
  readonly pailId: string | null;
  /** Null: by the pail’s shape, for the depth the step asks. */
  readonly litres: number | null;
  /** Dealt out into the pails the card proposes. */
  readonly isDealt: boolean;
  readonly used: Used;
  /** Steps of other lots that are done with it. */
  readonly also: readonly string[];
  readonly besideId: string | null;
  readonly binned: number;
}

interface Props {
  readonly card: BenchCard;
  readonly log: Log;
  readonly chosen: Chosen;
  readonly onChosen: (chosen: Chosen) => void;
  readonly isKept: boolean;
  readonly inHand: boolean;
}

const ENDED: Readonly<Record<string, 'bench.ended.hot-dip' | 'bench.ended.sap-soak' | 'bench.ended.plunge'>> =
  {
    'hot-dip': 'bench.ended.hot-dip',
    'sap-soak': 'bench.ended.sap-soak',
    plunge: 'bench.ended.plunge',
  };

/** Whether the stems that hang go into the bin with it. */
export const binsWhatHangs = (params: StepParams): boolean =>
  params.kind === 'discard' && (params.what === 'dropped necks' || params.what === 'done for');

/** Whether it goes into a pail of the rack, which somebody is to choose. */
export const asksForPail = ({ pails, step: { step, status } }: BenchCard): boolean =>
  pails.length > 0 || (step.pail !== null && status === 'waiting');

/** What the button says and what the tap means, by where the step is. */
function suggestion(card: BenchCard, chosen: Chosen, t: SayWords): { words: string; to: 'running' | 'done' } {
  const { step, status } = card.step;
  const isDealt = chosen.isDealt && card.dealt.length > 0;
  const pailName = card.pails.find((p) => p.id === chosen.pailId)?.name;
  const into = pailName && !isDealt ? `, ${t('bench.pail', { pail: pailName })}` : '';
  if (step.kind === 'recut') return { words: `${step.doneWord}${into}`, to: 'done' };
  if (status === 'running') return { words: t(ENDED[step.kind] ?? 'bench.ended'), to: 'done' };
  if (isDealt)
    return {
      words: t('bench.standing-in-pails', { n: card.dealt.length }),
      to: step.waitSeconds > 0 ? 'running' : 'done',
    };
  return { words: `${step.doneWord}${into}`, to: step.waitSeconds > 0 ? 'running' : 'done' };
}

function Also({ card, chosen, onChosen }: Pick<Props, 'card' | 'chosen' | 'onChosen'>) {
  const t = useWords();
  if (card.also.length === 0) return null;
  const toggle = (stepId: string) =>
    onChosen({
      ...chosen,
      also: chosen.also.includes(stepId) ? chosen.also.filter((a) => a !== stepId) : [...chosen.also, stepId],
    });
  return (
    <div className="row" role="group" aria-label={t('bench.same-at-once')}>
      <span className="soft">{t('bench.same-for')}</span>
      {card.also.map((a) => (
        <Button key={a.stepId} aria-pressed={chosen.also.includes(a.stepId)} onClick={() => toggle(a.stepId)}>
          {t('bench.of-lot', { name: a.name, lot: a.lotLabel })}
        </Button>
      ))}
    </div>
  );
}

/** Hands that were not shown a thing do it with somebody beside them who was. */
function Beside({ card: { hands }, chosen, onChosen }: Pick<Props, 'card' | 'chosen' | 'onChosen'>) {
  const t = useWords();
  if (hands.unshown === null) return null;
  return (
    <div className="stack late">
      <p>
        {t('bench.not-shown', { name: hands.name, skill: t(`bench.skill.${hands.unshown}`) })}
        {hands.beside.length === 0 && ` ${t('bench.nobody-beside')}`}
      </p>
      {hands.beside.length > 0 && (
        <Choices
          label={t('bench.who-beside')}
          value={chosen.besideId}
          onChange={(besideId) => onChosen({ ...chosen, besideId })}
          options={hands.beside.map((b) => ({
            value: b.id,
            words: t('bench.is-beside-me', { name: b.name }),
          }))}
        />
      )}
    </div>
  );
}

/** The pails the tap names: those dealt out, or the one that was chosen; none where none is. */
function pouredInto(card: BenchCard, chosen: Chosen) {
  const pail = card.pails.find((p) => p.id === chosen.pailId);
  const last = card.dealt.length - 1;
  // The last takes the rest: what was binned or counted meanwhile is no slip in the sum.
  if (chosen.isDealt && last >= 0)
    return card.dealt.map((d, i) => ({
      pailId: d.id,
      stems: i === last ? null : d.stems,
      litres: d.litres,
    }));
  return pail ? [{ pailId: pail.id, ...(pail.shares ? {} : { litres: chosen.litres ?? pail.litres }) }] : [];
}

const binnedOf = (card: BenchCard, { binned }: Chosen): number =>
  binsWhatHangs(card.step.step.params) ? binned : 0;

const usedOf = ({ used }: Chosen): Used | null => (Object.keys(used).length > 0 ? used : null);

/** What the button says, with how many other lots are done at the same time. */
const withOthers = (words: string, { also }: Chosen, t: SayWords): string =>
  also.length > 0 ? t('bench.and-more', { words, n: also.length }) : words;

/** What still stands against the tap, in words for the button; null where nothing does. */
function whatIsLacking(
  { isKept, mayNot, lacksPail }: { isKept: boolean; mayNot: boolean; lacksPail: boolean },
  t: SayWords,
): string | null {
  if (isKept) return t('bench.kept-here');
  if (mayNot) return t('bench.who-is-beside-first');
  return lacksPail ? t('bench.pail-first') : null;
}

/** How many of those that hang go into the bin with it. */
function Binned({ card, chosen, onChosen }: Pick<Props, 'card' | 'chosen' | 'onChosen'>) {
  const t = useWords();
  return (
    <div className="row ends">
      <NumberStepper
        label={t('bench.into-bin')}
        fewer={t('bench.fewer-into-bin')}
        more={t('bench.more-into-bin')}
        value={chosen.binned}
        min={0}
        max={card.stems}
        onChange={(binned) => onChosen({ ...chosen, binned })}
      >
        <span>{t('bench.n-into-bin', { all: card.stems })}</span>
      </NumberStepper>
    </div>
  );
}

/** The one thing to tap, with what may be said before it. */
export function StepButton({ card, log, chosen, onChosen, isKept, inHand }: Props) {
  const { step, id } = card.step;
  const settled = useSettled();
  const t = useWords();
  const needsPail = asksForPail(card);
  const mayNot = card.hands.unshown !== null && chosen.besideId === null;
  const { words, to } = suggestion(card, chosen, t);
  const poured = pouredInto(card, chosen);
  const lacking = whatIsLacking({ isKept, mayNot, lacksPail: needsPail && poured.length === 0 }, t);
  const isBusy = log.busy;
  const done = () =>
    void log.log(
      'bench/tap',
      {
        stepId: id,
        to,
        also: [...chosen.also],
        handsId: card.hands.personId,
        withId: chosen.besideId,
        used: usedOf(chosen),
        binned: binnedOf(card, chosen),
        ...(needsPail ? { pails: poured } : {}),
      },
      words.toLowerCase(),
    );
  return (
    <>
      <Beside card={card} chosen={chosen} onChosen={onChosen} />
      <Also card={card} chosen={chosen} onChosen={onChosen} />
      {binsWhatHangs(step.params) && <Binned card={card} chosen={chosen} onChosen={onChosen} />}
      <ActionBar>
        <Button
          variant="main"
          disabled={isBusy || !settled || lacking !== null}
          data-settling={settled ? undefined : true}
          onClick={done}
          data-step-in-hand={inHand ? true : undefined}
        >
          {lacking ?? (isBusy ? t('bench.logging') : withOthers(words, chosen, t))}
          {inHand && !isKept && <Kbd>.</Kbd>}
        </Button>
      </ActionBar>
    </>
  );
}
