'use client';
import { Button, Fieldset, SimpleGrid, NativeSelect, Radio, VisuallyHidden } from '@mantine/core';
import { useState } from 'react';
import type { Question } from '@/core/protocol/questions';
import type { Spoken } from '@/core/words/say';
import type { QuestionKey } from '@/core/protocol/schools';
import { Said } from '@/shell/said';
import css from './desk.module.css';
import kit from '@/shell/theme/kit.module.css';
import { isReasoned, ReasonInput } from './reason-input';
import { useWay } from './use-way';

const days = (n: number): string =>
  Math.abs(n) < 0.05 ? 'no difference' : `${n > 0 ? '+' : '−'}${Math.abs(n).toFixed(1)} days`;

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

/** One question: its sides as those who hold them put them, the default's reason, what each is worth. */
export function QuestionForm(props: QuestionProps) {
  const { question, inForce, setting, exceptions, worth, speciesName, species, mayChange } = props;
  const { problem, set } = useWay();
  const [chosen, setChosen] = useState(inForce);
  const [subject, setSubject] = useState('');
  const [reason, setReason] = useState('');
  const standard = question.schools[0]?.key ?? '';
  const put = async (of: string, value: string | null) => {
    if (await set({ kind: 'school', key: question.key, subject: of, value, reason })) setReason('');
  };
  return (
    <Fieldset className={css.question} legend={question.asks} variant="unstyled">
      <p className="soft">{question.why}</p>
      <Radio.Group
        label={question.asks}
        classNames={{ label: kit.unseen }}
        value={chosen}
        onChange={setChosen}
      >
        <SimpleGrid
          cols={{ base: 1, xs: 2, lg: question.schools.length > 3 ? 4 : question.schools.length }}
          spacing="sm"
        >
          {question.schools.map((s) => (
            <Radio.Card key={s.key} value={s.key} className={css.side} disabled={!mayChange}>
              <Radio.Indicator />
              <span>
                <strong>{s.name}</strong>
                {s.key === standard && <span className="soft"> default</span>}
                {s.key === inForce && s.key !== standard && <span className="soft"> our way</span>}
                <span className={css.says}>{s.says}</span>
                {worth && s.key !== standard && (
                  <span className={css.worth}>
                    {speciesName}: {days(worth[s.key] ?? 0)}
                  </span>
                )}
              </span>
            </Radio.Card>
          ))}
        </SimpleGrid>
      </Radio.Group>
      {!worth && <p className={css.says}>The model cannot put days on this one.</p>}
      {setting && (
        <p className={css.why}>
          {setting.reason} ({setting.setByName})
        </p>
      )}
      {exceptions.map((e) => (
        <p key={e.species}>
          <strong>{e.name}</strong>: {question.schools.find((s) => s.key === e.school)?.name.toLowerCase()}{' '}
          <span className={css.why}>{e.reason}</span>
          {mayChange && (
            <Button variant="quiet" disabled={!isReasoned(reason)} onClick={() => void put(e.species, null)}>
              as the rest again<VisuallyHidden>: {e.name}</VisuallyHidden>
            </Button>
          )}
        </p>
      ))}
      {mayChange && (
        <form
          className={css.change}
          onSubmit={(event) => {
            event.preventDefault();
            void put(subject, subject === '' && chosen === standard ? null : chosen);
          }}
        >
          {question.bySpecies && (
            <NativeSelect
              label="For"
              value={subject}
              onChange={(e) => setSubject(e.target.value)}
              data={[
                { value: '', label: 'all' },
                ...species.map((s) => ({ value: s.key, label: `only ${s.name}` })),
              ]}
            />
          )}
          <ReasonInput value={reason} onChange={setReason} />
          <Button type="submit" disabled={!isReasoned(reason) || (subject === '' && chosen === inForce)}>
            {subject === '' ? 'Our way from now' : 'Its exception from now'}
          </Button>
          <Said isAlert>{problem}</Said>
        </form>
      )}
    </Fieldset>
  );
}
