'use client';
import { Button, Group, NativeSelect, TextInput, VisuallyHidden } from '@mantine/core';
import { typedNumber } from '@/core/numbers/read-number';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { SpeciesFile } from '@/core/door/species-schema';
import type { ProtocolEdit } from '@/core/protocol/edits';
import { STEP_KINDS, stepOf, type StepKind } from '@/core/steps/steps';
import type { ProtocolStep } from '@/core/protocol/types';
import type { Spoken } from '@/core/words/say';
import { useActions } from '@/shell/actions';
import { Said } from '@/shell/said';
import css from './desk.module.css';
import { isReasoned, ReasonInput } from './reason-input';

/** A step in the words of whoever reads it. */
type SaidStep = Spoken<ProtocolStep>;

interface Props {
  readonly steps: readonly SaidStep[];
  readonly file: SpeciesFile;
  readonly mayChange: boolean;
}

/** A kind's own numbers, which a hand at the desk may type. */
function numbersOf(step: SaidStep): [string, number][] {
  return Object.entries(step.params).flatMap(([key, value]): [string, number][] =>
    typeof value === 'number' ? [[key, value]] : [],
  );
}
const WORDS: Readonly<Record<string, string>> = {
  cm: 'cm off',
  tempC: '°C',
  depthCm: 'cm deep',
  hours: 'hours',
  seconds: 'seconds',
  minutes: 'minutes',
  everyHours: 'every so many hours',
  angleDeg: 'degrees of slant',
  keepsShare: 'share of leaves that stay',
  lowC: 'from °C',
  highC: 'to °C',
  afterHours: 'after hours',
  days: 'days',
};

/** Steps that need no parameters of their own, which a house may add. */
const SIMPLE = STEP_KINDS.filter((kind) => Object.keys(stepOf(kind).params).length === 0);

function useProtocol(file: SpeciesFile) {
  const router = useRouter();
  const { act } = useActions();
  const [problem, setProblem] = useState<string | null>(null);
  return {
    problem,
    put: async (edits: readonly ProtocolEdit[], reason: string): Promise<boolean> => {
      const outcome = await act('desk/set-protocol', { file: { ...file, edits }, reason });
      setProblem(outcome.ok ? null : outcome.message);
      if (outcome.ok) router.refresh();
      return outcome.ok;
    },
  };
}

function StepForm({ step, file }: { step: SaidStep; file: SpeciesFile }) {
  const { problem, put } = useProtocol(file);
  const [title, setTitle] = useState(step.title);
  const [reason, setReason] = useState('');
  const [numbers, setNumbers] = useState<Record<string, string>>({});
  const [adds, setAdds] = useState<StepKind>('rinse');
  const [addsTitle, setAddsTitle] = useState('');
  const rest = file.edits.filter((e) => e.op === 'add' || e.kind !== step.kind);
  const change = () => {
    const params = Object.fromEntries(
      Object.entries(numbers).map(([key, typed]) => [key, typedNumber(typed)]),
    );
    const edit: ProtocolEdit = {
      op: 'change',
      kind: step.kind,
      reason,
      ...(Object.keys(params).length > 0 ? { params } : {}),
      ...(title !== step.title ? { title } : {}),
    };
    void put([...rest, edit], reason);
  };
  return (
    <div className={css.change}>
      <TextInput
        label="Said at the bench"
        flex="1 1 16rem"
        value={title}
        maxLength={90}
        onChange={(e) => setTitle(e.target.value)}
      />
      {numbersOf(step).map(([key, value]) => (
        <TextInput
          key={key}
          label={WORDS[key] ?? key}
          w="9rem"
          inputMode="decimal"
          value={numbers[key] ?? String(value)}
          onChange={(e) => setNumbers({ ...numbers, [key]: e.target.value })}
        />
      ))}
      <ReasonInput value={reason} onChange={setReason} />
      <Button disabled={!isReasoned(reason)} onClick={change}>
        Do it so
      </Button>
      <Button
        disabled={!isReasoned(reason)}
        onClick={() => void put([...rest, { op: 'leave out', kind: step.kind, reason }], reason)}
      >
        Leave it out
      </Button>
      <NativeSelect
        label="Add after it"
        value={adds}
        onChange={(e) => setAdds(STEP_KINDS.find((k) => k === e.target.value) ?? 'rinse')}
        data={SIMPLE}
      />
      <TextInput
        label="said as"
        flex="1 1 16rem"
        value={addsTitle}
        maxLength={90}
        onChange={(e) => setAddsTitle(e.target.value)}
      />
      <Button
        disabled={!isReasoned(reason) || addsTitle.trim().length < 3}
        onClick={() =>
          void put(
            [
              ...file.edits,
              { op: 'add', after: step.kind, step: { kind: adds } as never, title: addsTitle, reason },
            ],
            reason,
          )
        }
      >
        Add it
      </Button>
      <Said isAlert>{problem}</Said>
    </div>
  );
}

/** The steps the bench is told, each with its reason; for a manager the means to do it otherwise. */
export function ProtocolEditor({ steps, file, mayChange }: Props) {
  const [open, setOpen] = useState<number | null>(null);
  const { problem, put } = useProtocol(file);
  return (
    <>
      <ol className={css.steps}>
        {steps.map((step, i) => (
          <li key={`${step.kind} ${step.title}`}>
            <Group gap="1rem" wrap="nowrap" justify="space-between">
              <span>
                <strong>{step.title}</strong>
                {step.figures.length > 0 && (
                  <span className="soft"> {step.figures.map((f) => `${f.value} ${f.of}`).join(', ')}</span>
                )}
                <span className={css.says}>
                  {step.reason}
                  {step.who && ` Wants ${step.who}.`}
                  {step.risk && ` ${step.risk}`}
                </span>
              </span>
              {mayChange && (
                <Button aria-expanded={open === i} onClick={() => setOpen(open === i ? null : i)}>
                  Change<VisuallyHidden>: {step.title}</VisuallyHidden>
                </Button>
              )}
            </Group>
            {open === i && <StepForm step={step} file={file} />}
          </li>
        ))}
      </ol>
      {mayChange && file.edits.length > 0 && (
        <Group gap="0.75rem" align="end">
          <p>
            {file.edits.length === 1 ? 'One change' : `${file.edits.length} changes`} of our own:{' '}
            {file.edits
              .map((e) => `${e.op} ${e.op === 'add' ? (e.title ?? e.step.kind) : e.kind}`)
              .join('; ')}
            .
          </p>
          <Button onClick={() => void put([], 'as the product has it')}>The product’s again</Button>
          <Said isAlert>{problem}</Said>
        </Group>
      )}
    </>
  );
}
