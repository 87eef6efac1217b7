'use client';
import { Button, NativeSelect, Radio, SimpleGrid, Text, VisuallyHidden } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import type { Question } from '@/core/protocol/questions';
import type { Spoken } from '@/core/words/say';
import type { QuestionKey } from '@/core/protocol/schools';
import { aReason, useShopForm } from '@/shell/form';
import { useInPieces } from '@/shell/in-pieces';
import { Feedback } from '@/shell/feedback';
import kit from '@/shell/theme/kit.module.css';
import { ReasonInput } from './reason-input';
import { useWay } from './use-way';

const days = (n: number): string =>
  Math.abs(n) < 0.05 ? 'no difference' : `${n > 0 ? '+' : '−'}${Math.abs(n).toFixed(1)} days`;

const AT_TOP = { alignItems: 'flex-start', justifyContent: 'flex-start' } as const;

const SCHEMA = v.object({ subject: v.string(), reason: aReason });

interface QuestionProps {
  readonly question: Spoken<Question> & { readonly key: QuestionKey };
  readonly inForce: string;
  readonly setting: { readonly reason: string; readonly setByName: string } | null;
  readonly exceptions: readonly {
    readonly species: string;
    readonly name: string;
    readonly school: string;
    readonly reason: string;
  }[];
  readonly worth: Readonly<Record<string, number>> | null;
  readonly speciesName: string;
  readonly species: readonly { readonly key: string; readonly name: string }[];
  readonly mayChange: boolean;
}

/** So many are drawn with the page, what a screen shows of them; the rest as soon as it has time. */
const DRAWN_FIRST = 2;

/** The questions florists answer differently, in their order. */
export function QuestionList({
  questions,
  ...ofAll
}: Pick<QuestionProps, 'speciesName' | 'species' | 'mayChange'> & {
  readonly questions: readonly Omit<QuestionProps, 'speciesName' | 'species' | 'mayChange'>[];
}) {
  return useInPieces(questions, DRAWN_FIRST, 2).map((of) => (
    <QuestionForm key={of.question.key} {...of} {...ofAll} />
  ));
}

/** The sides of a question, one chosen: what each says for itself, and what it is worth. */
function Sides({
  question,
  inForce,
  worth,
  speciesName,
  mayChange,
  chosen,
  onChosen,
  standard,
}: Pick<QuestionProps, 'question' | 'inForce' | 'worth' | 'speciesName' | 'mayChange'> & {
  chosen: string;
  onChosen: (key: string) => void;
  standard: string;
}) {
  return (
    <Radio.Group label={question.asks} classNames={{ label: kit.unseen }} value={chosen} onChange={onChosen}>
      <SimpleGrid
        cols={{ base: 1, xs: 2, lg: question.schools.length > 3 ? 4 : question.schools.length }}
        spacing="sm"
      >
        {question.schools.map((s) => (
          <Radio.Card
            key={s.key}
            value={s.key}
            p="0.75rem 0.875rem"
            ta="left"
            style={AT_TOP}
            disabled={!mayChange}
          >
            <Radio.Indicator />
            <span>
              <strong>{s.name.replace(' °C', '\u00a0°C')}</strong>
              {s.key === standard && <span className="soft"> default</span>}
              {s.key === inForce && s.key !== standard && <span className="soft"> our way</span>}
              <span className="says">{s.says}</span>
              {worth && s.key !== standard && (
                <Text component="span" display="block" fw={650}>
                  {speciesName}: {days(worth[s.key] ?? 0)}
                </Text>
              )}
            </span>
          </Radio.Card>
        ))}
      </SimpleGrid>
    </Radio.Group>
  );
}

const useChange = () => useShopForm(SCHEMA, { subject: '', reason: '' });

/** What puts another way in force: for all or, where that is asked by species, for one; and why. */
function ChangeForm({
  form,
  species,
  problem,
  onPut,
}: Pick<QuestionProps, 'species'> & {
  readonly form: ReturnType<typeof useChange>;
  readonly problem: string | null;
  readonly onPut: (reason: string) => void;
}) {
  return (
    <form className="row low tray" onSubmit={form.onSubmit(({ reason }) => onPut(reason))}>
      {species.length > 0 && (
        <NativeSelect
          label="For"
          {...form.getInputProps('subject')}
          data={[
            { value: '', label: 'all' },
            ...species.map((s) => ({ value: s.key, label: `only ${s.name}` })),
          ]}
        />
      )}
      <ReasonInput {...form.getInputProps('reason')} />
      <Button type="submit">
        {form.values.subject === '' ? 'Our way from now' : 'Its exception from now'}
      </Button>
      <Feedback isAlert>{problem}</Feedback>
    </form>
  );
}

/** The exceptions that stand, each with the tap that ends it. */
function Exceptions({
  question,
  exceptions,
  mayChange,
  onEnd,
}: Pick<QuestionProps, 'question' | 'exceptions' | 'mayChange'> & {
  readonly onEnd: (species: string) => void;
}) {
  return exceptions.map((e) => (
    <p key={e.species}>
      <strong>{e.name}</strong>: {question.schools.find((s) => s.key === e.school)?.name.toLowerCase()}{' '}
      <span className="says late">{e.reason}</span>
      {mayChange && (
        <Button variant="quiet" onClick={() => onEnd(e.species)}>
          as the rest again<VisuallyHidden>: {e.name}</VisuallyHidden>
        </Button>
      )}
    </p>
  ));
}

/** One question: its sides as those who hold them put them, the default's reason, what each is worth. */
function QuestionForm(props: QuestionProps) {
  const { question, inForce, setting, worth, species, mayChange } = props;
  const { problem, set } = useWay();
  const [chosen, setChosen] = useState(inForce);
  const [isAsked, setAsked] = useState(false);
  const form = useChange();
  const { subject } = form.values;
  const standard = question.schools[0]?.key ?? '';
  const put = async (of: string, value: string | null, reason: string) => {
    if (await set({ kind: 'school', key: question.key, subject: of, value, reason }))
      form.setFieldValue('reason', '');
  };
  const withdraw = async (of: string) => {
    setAsked(true);
    if (!form.validateField('reason').hasError) await put(of, null, form.values.reason);
  };
  const isOpen = isAsked || chosen !== inForce;
  const isAsItIs = subject === '' && chosen === inForce;
  return (
    <section className="ruled stack" role="group" aria-label={question.asks}>
      <h2>{question.asks}</h2>
      <p className="soft">{question.why}</p>
      <Sides {...props} chosen={chosen} onChosen={setChosen} standard={standard} />
      {!worth && <p className="says">The model cannot put days on this one.</p>}
      {setting && (
        <p className="says late">
          {setting.reason} ({setting.setByName})
        </p>
      )}
      <Exceptions {...props} onEnd={(of) => void withdraw(of)} />
      {mayChange && !isOpen && (
        <div>
          <Button variant="quiet" aria-label={`Change it: ${question.asks}`} onClick={() => setAsked(true)}>
            Change it …
          </Button>
        </div>
      )}
      {mayChange && isOpen && (
        <ChangeForm
          form={form}
          species={question.bySpecies ? species : []}
          problem={problem}
          onPut={(reason) => {
            if (isAsItIs) form.setFieldError('reason', 'That is the way already; choose another first.');
            else void put(subject, subject === '' && chosen === standard ? null : chosen, reason);
          }}
        />
      )}
    </section>
  );
}
