'use client';
import { typedNumber } from '@/core/numbers/read-number';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { InputOf } from '@/core/actions/actions';
import type { Question } from '@/core/protocol/questions';
import type { Spoken } from '@/core/words/say';
import type { QuestionKey } from '@/core/protocol/schools';
import type { WaterLimits } from '@/core/protocol/ways';
import { useActions } from '@/shell/actions';
import { Said } from '@/shell/said';
import css from './desk.module.css';

/** Sends one change of the house's ways, and says what came of it. */
function useWay() {
  const router = useRouter();
  const { act } = useActions();
  const [problem, setProblem] = useState<string | null>(null);
  return {
    problem,
    set: async (way: InputOf<'desk/set-way'>): Promise<boolean> => {
      const outcome = await act('desk/set-way', way);
      setProblem(outcome.ok ? null : outcome.message);
      if (outcome.ok) router.refresh();
      return outcome.ok;
    },
  };
}

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
    <fieldset className={css.question}>
      <legend>{question.asks}</legend>
      <p className="soft">{question.why}</p>
      <div className={css.sides}>
        {question.schools.map((s) => (
          <label key={s.key} className={css.side} data-chosen={s.key === chosen ? true : undefined}>
            <input
              type="radio"
              name={question.key}
              value={s.key}
              checked={s.key === chosen}
              disabled={!mayChange}
              onChange={() => setChosen(s.key)}
            />
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
          </label>
        ))}
      </div>
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
            <button
              type="button"
              className="quiet"
              disabled={reason.trim().length < 3}
              onClick={() => void put(e.species, null)}
            >
              as the rest again<span className="visually-hidden">: {e.name}</span>
            </button>
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
            <label>
              For
              <select value={subject} onChange={(e) => setSubject(e.target.value)}>
                <option value="">all</option>
                {species.map((s) => (
                  <option key={s.key} value={s.key}>
                    only {s.name}
                  </option>
                ))}
              </select>
            </label>
          )}
          <label className={css.reason}>
            Why
            <input value={reason} maxLength={200} onChange={(e) => setReason(e.target.value)} />
          </label>
          <button
            type="submit"
            className="plain"
            disabled={reason.trim().length < 3 || (subject === '' && chosen === inForce)}
          >
            {subject === '' ? 'Our way from now' : 'Its exception from now'}
          </button>
          <Said isAlert>{problem}</Said>
        </form>
      )}
    </fieldset>
  );
}

const LIMITS = [
  ['plainDays', 'In plain water'],
  ['foodDays', 'With food'],
  ['lilyDays', 'Lilies'],
] as const;

/** The house's own longest use of water, in days. */
export function LimitForm({ limits, mayChange }: { limits: WaterLimits; mayChange: boolean }) {
  const { problem, set } = useWay();
  const [values, setValues] = useState<Record<string, string>>({});
  const [reason, setReason] = useState('');
  const save = async () => {
    for (const [key] of LIMITS) {
      const typed = values[key];
      if (typed === undefined || typedNumber(typed) === limits[key]) continue;
      if (!(await set({ kind: 'limit', key, value: typedNumber(typed), reason }))) return;
    }
    setValues({});
    setReason('');
  };
  return (
    <form
      className={css.change}
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      {LIMITS.map(([key, words]) => (
        <label key={key}>
          {words}, days
          <input
            inputMode="decimal"
            size={5}
            disabled={!mayChange}
            value={values[key] ?? String(limits[key])}
            onChange={(e) => setValues({ ...values, [key]: e.target.value })}
          />
        </label>
      ))}
      {mayChange && (
        <>
          <label className={css.reason}>
            Why
            <input value={reason} maxLength={200} onChange={(e) => setReason(e.target.value)} />
          </label>
          <button type="submit" className="plain" disabled={reason.trim().length < 3}>
            Set them
          </button>
        </>
      )}
      <Said isAlert>{problem}</Said>
    </form>
  );
}

interface SwitchProps {
  readonly kind: 'has' | 'who may';
  readonly rows: readonly {
    readonly key: string;
    readonly isOn: boolean;
    readonly on: string;
    readonly off: string;
  }[];
  readonly mayChange: boolean;
}

/** What is one way or the other: what the shop has, and who may. */
export function SwitchForm({ kind, rows, mayChange }: SwitchProps) {
  const { problem, set } = useWay();
  return (
    <>
      <Said isAlert>{problem}</Said>
      <ul className="rowlist">
        {rows.map((row) => (
          <li key={row.key} className={css.switch}>
            <strong>{row.key}</strong>
            <span>{row.isOn ? row.on : row.off}</span>
            {mayChange && (
              <button
                type="button"
                className="plain"
                onClick={() =>
                  void set({
                    kind,
                    key: row.key,
                    value: row.isOn ? (kind === 'has' ? 'no' : 'anyone') : null,
                    reason: row.isOn ? row.off : row.on,
                    // Which keys go with which kind the page knows; the server checks it.
                  } as InputOf<'desk/set-way'>)
                }
              >
                {row.isOn ? row.off : row.on}
                <span className="visually-hidden">: {row.key}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
