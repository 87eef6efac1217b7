'use client';
import { Button, NativeSelect, TextInput } from '@mantine/core';
import * as v from 'valibot';
import type { SpeciesFile } from '@/core/door/species-schema';
import { typedNumber } from '@/core/numbers/read-number';
import type { ProtocolEdit } from '@/core/protocol/edits';
import type { ProtocolStep } from '@/core/protocol/types';
import { STEP_KINDS, stepOf, type StepKind } from '@/core/steps/steps';
import { fromTypedMeasure, typedMeasure, type Measure, type Units } from '@/core/units/measures';
import type { Spoken } from '@/core/words/say';
import { aNumber, aReason, useShopForm } from '@/shell/form';
import { useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import { ReasonInput } from './reason-input';
import { useProtocol } from './use-protocol';

/** A step in the words of whoever reads it. */
export type StepShown = Spoken<ProtocolStep>;

/** A kind's own numbers, which a hand at the desk may type. */
function numbersOf(step: StepShown): [string, number][] {
  return Object.entries(step.params).flatMap(([key, value]): [string, number][] =>
    typeof value === 'number' ? [[key, value]] : [],
  );
}
const WORDS: Readonly<Record<string, string>> = {
  cm: 'off',
  tempC: 'at',
  depthCm: 'deep',
  hours: 'hours',
  seconds: 'seconds',
  minutes: 'minutes',
  everyHours: 'every so many hours',
  angleDeg: 'degrees of slant',
  keepsShare: 'share of leaves that stay',
  lowC: 'from',
  highC: 'to',
  afterHours: 'after hours',
  days: 'days',
};

/** Numbers that are told in their reader's units. */
const MEASURE_OF: Readonly<Record<string, Measure>> = {
  cm: 'cm',
  tempC: 'tempC',
  depthCm: 'cm',
  lowC: 'tempC',
  highC: 'tempC',
};
const typedOf = (key: string, n: number, units: Units): string => {
  const measure = MEASURE_OF[key];
  return measure && units === 'us' ? typedMeasure(measure, n, units) : String(n);
};
const readOf = (key: string, text: string, units: Units): number => {
  const measure = MEASURE_OF[key];
  return measure ? fromTypedMeasure(measure, typedNumber(text), units) : typedNumber(text);
};

/** Steps that need no parameters of their own, which a house may add. */
const SIMPLE = STEP_KINDS.filter((kind) => Object.keys(stepOf(kind).params).length === 0);

const SCHEMA = v.object({
  title: v.pipe(v.string(), v.trim(), v.minLength(3, 'How is it said at the bench?')),
  numbers: v.record(v.string(), aNumber),
  reason: aReason,
  adds: v.string(),
  addsTitle: v.string(),
});

/** Changes one step of a protocol, leaves it out, or adds another after it; each with its reason. */
export function StepForm({ step, file }: { step: StepShown; file: SpeciesFile }) {
  const { problem, put } = useProtocol(file);
  const { units, unit } = useMeasures();
  const labelOf = (key: string): string => {
    const measure = MEASURE_OF[key];
    return [WORDS[key] ?? key, measure && unit(measure)].filter(Boolean).join(', ');
  };
  const form = useShopForm(SCHEMA, {
    title: step.title,
    numbers: Object.fromEntries(numbersOf(step).map(([key, value]) => [key, typedOf(key, value, units)])),
    reason: '',
    adds: 'rinse',
    addsTitle: '',
  });
  const rest = file.edits.filter((e) => e.op === 'add' || e.kind !== step.kind);
  const change = ({ title, numbers, reason }: typeof form.values) => {
    const params = Object.fromEntries(
      numbersOf(step).flatMap(([key, was]) => {
        const typed = numbers[key] ?? '';
        // Untouched, it is what it was to its last decimal.
        return typed === typedOf(key, was, units) ? [] : [[key, readOf(key, typed, units)]];
      }),
    );
    const edit: ProtocolEdit = {
      op: 'change',
      kind: step.kind,
      reason,
      ...(Object.keys(params).length > 0 ? { params } : {}),
      ...(title === step.title ? {} : { title }),
    };
    void put([...rest, edit], reason);
  };
  const leaveOut = () => {
    const { reason } = form.values;
    if (!form.validateField('reason').hasError)
      void put([...rest, { op: 'leave out', kind: step.kind, reason }], reason);
  };
  const add = () => {
    const { reason, adds, addsTitle } = form.values;
    if (addsTitle.trim().length < 3) return form.setFieldError('addsTitle', 'How is it said at the bench?');
    if (form.validateField('reason').hasError) return;
    const kind = STEP_KINDS.find((k) => k === adds) ?? ('rinse' satisfies StepKind);
    const added = { op: 'add', after: step.kind, step: { kind } as never, title: addsTitle, reason } as const;
    void put([...file.edits, added], reason);
  };
  return (
    <form className="row low tray" onSubmit={form.onSubmit(change)}>
      <TextInput label="Said at the bench" flex="1 1 16rem" maxLength={90} {...form.getInputProps('title')} />
      {numbersOf(step).map(([key]) => (
        <TextInput
          key={key}
          label={labelOf(key)}
          w="9rem"
          inputMode="decimal"
          {...form.getInputProps(`numbers.${key}`)}
        />
      ))}
      <ReasonInput {...form.getInputProps('reason')} />
      <Button type="submit">Do it so</Button>
      <Button onClick={leaveOut}>Leave it out</Button>
      <NativeSelect label="Add after it" data={SIMPLE} {...form.getInputProps('adds')} />
      <TextInput label="said as" flex="1 1 16rem" maxLength={90} {...form.getInputProps('addsTitle')} />
      <Button onClick={add}>Add it</Button>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}
