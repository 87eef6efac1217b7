'use client';
import { Button, Group, TextInput } from '@mantine/core';
import { typedNumber } from '@/core/numbers/read-number';
import { useState } from 'react';
import { useActions } from '@/shell/actions';
import { Choices } from '@/shell/choices';
import { useHalfDone } from '@/shell/half-done';
import { NumberStepper } from '@/shell/number-stepper';
import type { LotView } from '@/server/stock';
import type { GramsFound } from '@/core/dock/grams';
import { stemsByWeight } from '@/core/dock/grams';
import { Feedback } from '@/shell/feedback';

interface Counting {
  readonly how: 'bunches' | 'stems' | 'weight';
  readonly bunches: number;
  readonly perBunch: number;
  readonly stems: number;
  readonly grams: string;
  readonly bunchGrams: string;
}

const asNumber = (text: string): number | null => {
  const value = typedNumber(text);
  return text.trim() !== '' && Number.isFinite(value) && value > 0 ? value : null;
};
/** The bunch size that divides the count as the note has it into more than one; ten is the commonest. */
const guessPerBunch = (stems: number): number =>
  [10, 25, 20, 5].find((n) => n < stems && stems % n === 0) ?? Math.min(10, stems);

function Grams({ label, value, onChange }: { label: string; value: string; onChange: (v: string) => void }) {
  return (
    <TextInput
      label={label}
      inputMode="decimal"
      maxLength={8}
      w="12rem"
      rightSection="g"
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

function countOf(c: Counting, grams: GramsFound | null): number | null {
  if (c.how === 'stems') return c.stems;
  if (c.how === 'bunches') return c.bunches * c.perBunch;
  const weight = asNumber(c.grams);
  return weight === null || grams === null ? null : stemsByWeight(weight, grams).stems;
}

/** What is set for the way it is counted: bunches of so many, stems, or what all of it weighs. */
function Fields({ c, setC, grams }: { c: Counting; setC: (c: Counting) => void; grams: GramsFound | null }) {
  if (c.how === 'weight')
    return grams ? (
      <>
        <Grams label="All of it weighs" value={c.grams} onChange={(g) => setC({ ...c, grams: g })} />
        <span className="soft">
          {grams.grams.toFixed(0)} g a stem, {grams.basis}
        </span>
      </>
    ) : (
      <span className="soft">Nobody has weighed these yet: count a bunch by stems, and weigh it there.</span>
    );
  const isLoose = c.how === 'stems';
  return (
    <>
      {!isLoose && (
        <>
          <NumberStepper
            label="Bunches"
            fewer="One bunch fewer"
            more="One more bunch"
            value={c.bunches}
            min={1}
            max={9999}
            onChange={(bunches) => setC({ ...c, bunches })}
          />
          <span className="soft">bunches of</span>
        </>
      )}
      <NumberStepper
        label={isLoose ? 'Stems in the box' : 'Stems a bunch'}
        fewer="One stem fewer"
        more="One stem more"
        value={isLoose ? c.stems : c.perBunch}
        min={1}
        max={99_999}
        onChange={(n) => setC(isLoose ? { ...c, stems: n } : { ...c, perBunch: n })}
      />
      <Grams
        label={`A bunch of ${c.perBunch} weighs, if you have it on the scale`}
        value={c.bunchGrams}
        onChange={(g) => setC({ ...c, bunchGrams: g })}
      />
    </>
  );
}

/** The count against the note's, in words. */
function againstNote(stems: number, noted: number): string {
  if (stems === noted) return 'as the note says';
  return stems < noted
    ? `${noted - stems} short of the ${noted} on the note`
    : `${stems - noted} over the ${noted} on the note`;
}

/** What is really in the box: by bunches, by stems, or by what it weighs; a weighed bunch teaches the scale. */
export function CountForm({ lot, grams }: { lot: LotView; grams: GramsFound | null }) {
  const { act } = useActions();
  const noted = lot.stemsBooked + lot.stemsShort;
  const perBunch = guessPerBunch(noted);
  const [c, setC, done] = useHalfDone<Counting>(`count ${lot.id}`, {
    how: 'bunches',
    bunches: Math.max(1, Math.round(lot.stemsBooked / perBunch)),
    perBunch,
    stems: lot.stemsBooked,
    grams: '',
    bunchGrams: '',
  });
  const [feedback, setFeedback] = useState<string | null>(null);
  const stems = countOf(c, grams);
  const bunchGrams = c.how === 'weight' ? null : asNumber(c.bunchGrams);
  const log = async () => {
    if (stems === null)
      return setFeedback('Put all of it on the scale first: its grams say how many stems it is.');
    const weighed = bunchGrams === null ? null : { stems: c.perBunch, grams: bunchGrams };
    const outcome = await act(
      'dock/count',
      { lotId: lot.id, stems, weighed },
      `lot ${lot.number} counted: ${stems}`,
    );
    if (outcome.ok) done();
    setFeedback(outcome.ok ? `Counted: ${stems}. Z takes it back.` : outcome.message);
  };
  const claimShort = async () => {
    const outcome = await act(
      'dock/claim',
      { lotId: lot.id, kind: 'short' },
      `claim for lot ${lot.number}: short`,
    );
    setFeedback(outcome.ok ? 'Claim opened: short of the note. It stands under Claims.' : outcome.message);
  };
  return (
    <>
      <Choices
        label="Counted by"
        value={c.how}
        onChange={(how) => setC({ ...c, how })}
        options={[
          { value: 'bunches', words: 'by bunches' },
          { value: 'stems', words: 'by stems' },
          { value: 'weight', words: 'by weight' },
        ]}
      />
      <Group gap="0.75rem" pt="0.5rem" pb="0.5rem">
        <Fields c={c} setC={setC} grams={grams} />
        <p className="grow" role="status">
          {stems === null ? 'How much does it weigh?' : `${stems} stems`}
          <span className="says">{againstNote(stems ?? noted, noted)}</span>
        </p>
        <Button onClick={() => void log()}>Log the count</Button>
        {lot.stemsShort > 0 && (
          <Button onClick={() => void claimShort()}>Claim {lot.stemsShort} short</Button>
        )}
      </Group>
      <Feedback>{feedback}</Feedback>
    </>
  );
}
