'use client';
import { Button, Group, Kbd, Stack, TextInput } from '@mantine/core';
import { HOUR_MS } from '@/core/calendar/spans';
import { useState } from 'react';
import type { ActionName, InputOf } from '@/core/actions/actions';
import { depthOf, depthWord, litresFor } from '@/core/water/pail-shape';
import { SOLUTION_KEYS, SOLUTIONS, type SolutionKey } from '@/core/water/solutions';
import { clockWords, useShopNow } from '@/shell/clock';
import { Choices } from '@/shell/choices';
import { useActions } from '@/shell/actions';
import { NumberStepper } from '@/shell/number-stepper';
import type { PailView } from './pail-view';
import css from './pails.module.css';
import { Said } from '@/shell/said';
import { useIntoView } from '@/shell/use-into-view';
import { ShopLink as Link } from '@/shell/shop-link';

const SANITISER_CAUTION =
  'Never near acid, vinegar or flower food: poisonous gas. Gloves, eyes covered, window open; dose as the label says.';
const OFFERED: readonly SolutionKey[] = SOLUTION_KEYS.slice(0, 5);
const WARMTHS = [
  { value: 6, words: 'cold, 6 °C' },
  { value: 22, words: 'tepid, 22 °C' },
  { value: 40, words: 'warm, 40 °C' },
];
const WASH_STEP = {
  dirty: {
    to: 'scrubbed',
    words: 'Scrubbed',
    what: 'Scrub the slime off first: chlorine spent on it is not left for bacteria.',
    caution: null,
  },
  scrubbed: {
    to: 'contact',
    words: 'In the solution, start ten minutes',
    what: '200 ppm, as the label says, ten minutes of contact.',
    caution: SANITISER_CAUTION,
  },
  contact: {
    to: 'sanitised',
    words: 'Out, drained, upside down',
    what: 'Drain it, turn it upside down: the sign that it may be used.',
    caution: SANITISER_CAUTION,
  },
} as const;

function ago(at: number | null, now: number | null): string {
  if (at === null) return 'never in the record';
  if (now === null) return '';
  const hours = Math.floor((now - at) / HOUR_MS);
  return hours < 1 ? 'within the hour' : hours < 48 ? `${hours} h ago` : `${Math.floor(hours / 24)} days ago`;
}

type DoIt = <N extends ActionName>(name: N, body: InputOf<N>, words: string) => Promise<void>;

function FillForm({ pail, doIt }: { pail: PailView; doIt: DoIt }) {
  const shape = { litres: pail.sizeL, heightCm: pail.heightCm };
  const [solution, setSolution] = useState<SolutionKey>('flower-food');
  const [litres, setLitres] = useState(litresFor(shape, 'normal'));
  const [tempC, setTempC] = useState(22);
  const [reason, setReason] = useState('');
  const [isTried, setTried] = useState(false);
  const clean = pail.state === 'sanitised';
  const cm = depthOf(shape, litres);
  const depth = depthWord(shape, litres);
  const fill = () =>
    void doIt(
      'pails/fill',
      { pailId: pail.id, litres, solution, tempC, depth, ...(clean ? {} : { overrideReason: reason }) },
      `fill pail ${pail.name}`,
    );
  return (
    <Stack gap="0.875rem">
      <Choices
        label="In the water"
        value={solution}
        onChange={setSolution}
        options={OFFERED.map((s) => ({ value: s, words: SOLUTIONS[s].name }))}
      />
      <NumberStepper
        label="Litres"
        fewer="Half a litre less"
        more="Half a litre more"
        value={litres}
        min={0.5}
        max={pail.sizeL}
        by={0.5}
        suffix=" L"
        onChange={setLitres}
      >
        <span className="soft">about {Math.round(cm)} cm</span>
      </NumberStepper>
      <Choices label="How warm" value={tempC} onChange={setTempC} options={WARMTHS} />
      {!clean && (
        <TextInput
          label="It is not sanitised. Fill it all the same, because:"
          value={reason}
          error={isTried && reason.trim() === '' && 'Say why; it stands in the record.'}
          maxLength={200}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
      <Button
        variant={clean ? 'deed' : 'plain'}
        onClick={() => (clean || reason.trim() !== '' ? fill() : setTried(true))}
      >
        {clean ? `Fill pail ${pail.name}` : 'Fill it unsanitised'}
      </Button>
    </Stack>
  );
}

function Filled({ pail, clean, doIt }: { pail: PailView; clean: readonly PailView[]; doIt: DoIt }) {
  const now = useShopNow();
  const due = pail.dueInHours;
  return (
    <>
      <p>
        <span className="big">{pail.clarity}</span> <span className="soft">by the model</span>
      </p>
      <p>
        {pail.litres} L {pail.solution?.toLowerCase()}, filled {ago(pail.filledAt, now)} at {pail.tempC} °C.
      </p>
      <p className={due !== null && due < 24 ? 'late' : undefined}>
        {due === null
          ? ''
          : due === 0
            ? 'Due for a change now.'
            : `Due for a change in ${due < 48 ? `${due} h` : `${Math.floor(due / 24)} days`}.`}
      </p>
      {pail.lots.map((l) => (
        <p key={l.id}>
          <strong>{l.words}</strong>
        </p>
      ))}
      {pail.lots.length === 0 ? (
        <Button
          variant="deed"
          onClick={() => void doIt('pails/tip-out', { pailId: pail.id }, `tip out pail ${pail.name}`)}
          data-step-in-hand
        >
          Tip out <Kbd>.</Kbd>
        </Button>
      ) : clean.length === 0 ? (
        <Said isNote>No pail stands clean to turn it over into.</Said>
      ) : (
        <div>
          <p className="soft">Turn over into fresh water, pail:</p>
          <Group gap="0.5rem">
            {clean.slice(0, 6).map((to) => (
              <Button
                key={to.id}
                onClick={() =>
                  void doIt(
                    'pails/turn-over',
                    { pailId: pail.id, toPailId: to.id },
                    `turn pail ${pail.name} over into ${to.name}`,
                  )
                }
              >
                {to.name}
              </Button>
            ))}
          </Group>
        </div>
      )}
    </>
  );
}

/** The pail in hand: what it is, when it was sanitised and filled, and its next deed. */
export function PailInHand({ pail, clean }: { pail: PailView; clean: readonly PailView[] }) {
  const { act } = useActions();
  const now = useShopNow();
  const section = useIntoView<HTMLElement>('pail', pail.id);
  const [said, setSaid] = useState<string | null>(null);
  const doIt: DoIt = async (name, body, words) => {
    const outcome = await act(name, body, words);
    setSaid(
      outcome.ok
        ? null
        : outcome.why === 'unavailable'
          ? 'Kept on this tablet, not yet in the record.'
          : outcome.message,
    );
  };
  const wash =
    pail.state === 'dirty' || pail.state === 'scrubbed' || pail.state === 'contact'
      ? WASH_STEP[pail.state]
      : null;
  return (
    <section ref={section} className={css.hand} aria-label={`Pail ${pail.name}`}>
      <h2>Pail {pail.name}</h2>
      <p className="soft">
        {pail.sizeL} L, {pail.heightCm} cm tall. Sanitised {ago(pail.sanitisedAt, now)}.
      </p>
      {wash && (
        <>
          <p>{wash.what}</p>
          {pail.contactUntil !== null && now !== null && (
            <p className="big">{clockWords(pail.contactUntil, now).words}</p>
          )}
          {wash.caution && <p className="late">{wash.caution}</p>}
          <Button
            variant="deed"
            onClick={() =>
              void doIt(
                'pails/wash',
                { pailId: pail.id, to: wash.to },
                `pail ${pail.name}: ${wash.words.toLowerCase()}`,
              )
            }
            data-step-in-hand
          >
            {wash.words} <Kbd>.</Kbd>
          </Button>
        </>
      )}
      {pail.state === 'filled' && <Filled pail={pail} clean={clean} doIt={doIt} />}
      {pail.state === 'sanitised' && <FillForm pail={pail} doIt={doIt} />}
      {(pail.state === 'dirty' || pail.state === 'scrubbed') && (
        <details>
          <summary className={css.summary}>Fill it as it is …</summary>
          <FillForm pail={pail} doIt={doIt} />
        </details>
      )}
      <Said isAlert>{said}</Said>
      <Link href={`/desk?pail=${encodeURIComponent(pail.name)}`} className={css.labels}>
        Its record
      </Link>
    </section>
  );
}
