'use client';
import { useState } from 'react';
import { PURPOSES, type Purpose } from '@/core/protocol/ways';
import { Choices } from '@/shell/choices';
import { Stepper } from '@/shell/stepper';
import type { BenchCard } from './bench-card';
import css from './bench.module.css';
import type { Log } from './use-log';
import { hasMeasures, UsedFigures, type Used } from './used-figures';

const SKIP_REASONS = ['not needed', 'done before it came', 'no time', 'nothing to do it with'] as const;
const VIEWS = [
  { value: 'skip', words: 'Leave it out' },
  { value: 'used', words: 'It was otherwise' },
  { value: 'other', words: 'Another step first' },
  { value: 'apart', words: 'Some of them' },
  { value: 'recut', words: 'Cut again' },
  { value: 'for', words: 'What it is for' },
  { value: 'why', words: 'Why these steps' },
] as const;
type View = (typeof VIEWS)[number]['value'];

function Others({ card, log: { log, busy } }: { card: BenchCard; log: Log }) {
  return (
    <div className={css.skip} role="group" aria-label="Another step of this lot is done">
      {card.others
        .filter((o) => !o.needsPail)
        .map((o) => (
          <button
            key={o.id}
            type="button"
            className="plain"
            disabled={busy || o.against?.level === 'stop'}
            onClick={() =>
              void log(
                'bench/tap',
                { stepId: o.id, to: 'done', handsId: card.hands.personId },
                o.title.toLowerCase(),
              )
            }
          >
            {o.title}
          </button>
        ))}
      {card.others.length === 0 && <p className="soft">This is its last step.</p>}
    </div>
  );
}

/** Some stems go another way: set apart, they are a portion of the same lot, with their own steps. */
function Apart({ card, log: { log, busy } }: { card: BenchCard; log: Log }) {
  const [stems, setStems] = useState(Math.max(1, Math.floor(card.stems / 2)));
  if (card.stems < 2) return <p className="soft">It is a single stem.</p>;
  return (
    <div className={css.skip}>
      <Stepper
        label="Stems set apart"
        fewer="One fewer apart"
        more="One more apart"
        value={stems}
        min={1}
        max={card.stems - 1}
        onChange={setStems}
      >
        <strong>
          {stems} of {card.stems}
        </strong>
      </Stepper>
      <button
        type="button"
        className="plain"
        disabled={busy}
        onClick={() =>
          void log(
            'bench/apart',
            { portionId: card.portionId, stems, handsId: card.hands.personId },
            `${stems} set apart`,
          )
        }
      >
        Set {stems} apart
      </button>
    </div>
  );
}

function Recut({ card, log: { log, busy } }: { card: BenchCard; log: Log }) {
  const [warned, setWarned] = useState<number | null>(null);
  const cut = (cm: number) =>
    void log(
      'bench/recut',
      { portionId: card.portionId, cm, handsId: card.hands.personId },
      `cut ${cm} cm again`,
    );
  return (
    <div className={css.skip} role="group" aria-label="Cut again">
      {[1, 2, 3].map((cm) => (
        <button
          key={cm}
          type="button"
          className="plain"
          disabled={busy}
          onClick={() => (card.bleeds ? setWarned(cm) : cut(cm))}
        >
          {cm} cm off
        </button>
      ))}
      {warned !== null && (
        <div className="said" role="alert">
          <p>Its sap runs again with every cut: it leaves its water and soaks anew, apart.</p>
          <button type="button" className="plain" disabled={busy} onClick={() => cut(warned)}>
            Cut {warned} cm all the same
          </button>
        </div>
      )}
    </div>
  );
}

function ForWhat({ card, log: { log, busy } }: { card: BenchCard; log: Log }) {
  const [day, setDay] = useState(card.eventOn ?? '');
  const [wanted, setWanted] = useState<Purpose>(card.purpose);
  const set = (purpose: Purpose, eventOn: string | null) =>
    void log('bench/purpose', { portionId: card.portionId, purpose, eventOn }, `for: ${purpose}`);
  return (
    <div className={css.skip}>
      <Choices
        label="What it is for"
        value={wanted}
        onChange={(purpose) => {
          setWanted(purpose);
          if (purpose !== 'event' && !busy) set(purpose, null);
        }}
        options={PURPOSES.map((p) => ({ value: p, words: p === 'dry' ? 'for drying' : p }))}
      />
      {wanted === 'event' && (
        <form
          className={css.pick}
          onSubmit={(e) => {
            e.preventDefault();
            set('event', day);
          }}
        >
          <label>
            The day <input type="date" value={day} required onChange={(e) => setDay(e.target.value)} />
          </label>
          <button type="submit" className="plain" disabled={busy || day === ''}>
            For that day
          </button>
        </form>
      )}
    </div>
  );
}

const SOURCE = {
  state: 'as it came',
  house: 'house way',
  purpose: 'what it is for',
  equipment: 'what we have',
  'own protocol': 'our own protocol',
} as const;

function Why({ card }: { card: BenchCard }) {
  if (card.differences.length === 0)
    return <p className="soft">Just as the plain protocol of {card.name.toLowerCase()} has it.</p>;
  return (
    <ul className={css.why2} aria-label="What differs from the plain protocol">
      {card.differences.map((d) => (
        <li key={`${d.what} ${d.kind} ${d.title ?? ''}`}>
          <strong>{d.what === 'left out' ? 'Not done' : d.what === 'added' ? 'Added' : 'Changed'}:</strong>{' '}
          {d.title ?? d.plain}
          {d.what === 'changed' && <span className="soft"> (plain: {d.plain})</span>}
          {d.because.map((b) => (
            <span key={b.says} className={css.source}>
              {b.says} <em>{SOURCE[b.because]}</em>
            </span>
          ))}
        </li>
      ))}
    </ul>
  );
}

interface Props {
  readonly card: BenchCard;
  readonly log: Log;
  readonly used: Used;
  readonly onUsed: (used: Used) => void;
}

/** What else may be done with the lot in hand, and why its steps are what they are. */
export function CardDrawer({ card, log, used, onUsed }: Props) {
  const [view, setView] = useState<View>('skip');
  return (
    <div className={css.drawer}>
      <Choices label="Something else" value={view} onChange={setView} options={VIEWS} />
      {view === 'skip' && (
        <div className={css.skip} role="group" aria-label="Leave this step out, because">
          {SKIP_REASONS.map((reason) => (
            <button
              key={reason}
              type="button"
              className="plain"
              disabled={log.busy}
              onClick={() =>
                void log.log(
                  'bench/tap',
                  { stepId: card.step.id, to: 'skipped', reason, handsId: card.hands.personId },
                  `left out: ${reason}`,
                )
              }
            >
              {reason}
            </button>
          ))}
        </div>
      )}
      {view === 'used' &&
        (hasMeasures(card.step.step.params) ? (
          <div className={css.measures}>
            <span className="soft">really used</span>
            <UsedFigures params={card.step.step.params} used={used} onUsed={onUsed} />
          </div>
        ) : (
          <p className="soft">This step has no figures.</p>
        ))}
      {view === 'other' && <Others card={card} log={log} />}
      {view === 'apart' && <Apart card={card} log={log} />}
      {view === 'recut' && <Recut card={card} log={log} />}
      {view === 'for' && <ForWhat card={card} log={log} />}
      {view === 'why' && <Why card={card} />}
    </div>
  );
}
