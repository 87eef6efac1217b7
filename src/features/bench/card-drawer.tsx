'use client';
import { Button, Group, Stack } from '@mantine/core';
import { useState } from 'react';
import * as v from 'valibot';
import { PURPOSES, type Purpose } from '@/core/protocol/ways';
import { Feedback } from '@/shell/feedback';
import { Choices } from '@/shell/choices';
import { DayInput } from '@/shell/day-input';
import { useShopForm } from '@/shell/form';
import { NumberStepper } from '@/shell/number-stepper';
import { useWords } from '@/shell/words';
import { useMeasures } from '@/shell/reader';
import type { BenchCard } from './bench-card';
import type { Log } from './use-log';
import { hasMeasures, UsedFigures, type Used } from './used-figures';

const SKIP_REASONS = ['not needed', 'done before it came', 'no time', 'nothing to do it with'] as const;
const VIEWS = ['skip', 'used', 'other', 'apart', 'recut', 'for', 'why'] as const;
type View = (typeof VIEWS)[number];

function Others({ card, log: { log, busy } }: { card: BenchCard; log: Log }) {
  const t = useWords();
  return (
    <Group gap="0.5rem" align="stretch" pb="0.5rem" role="group" aria-label={t('bench.another-is-done')}>
      {card.others
        .filter((o) => !o.needsPail)
        .map((o) => (
          <Button
            key={o.id}
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
            {o.against?.level === 'stop' && <span className="soft">: {o.against.says}</span>}
          </Button>
        ))}
      {card.others.length === 0 && <p className="soft">{t('bench.is-last')}</p>}
    </Group>
  );
}

/** Some stems go another way: set apart, they are a portion of the same lot, with their own steps. */
function Apart({ card, log: { log, busy } }: { card: BenchCard; log: Log }) {
  const t = useWords();
  const [stems, setStems] = useState(Math.max(1, Math.floor(card.stems / 2)));
  if (card.stems < 2) return <p className="soft">{t('bench.single-stem')}</p>;
  return (
    <Group gap="0.5rem" align="stretch" pb="0.5rem">
      <NumberStepper
        label={t('bench.set-apart')}
        fewer={t('bench.fewer-apart')}
        more={t('bench.more-apart')}
        value={stems}
        min={1}
        max={card.stems - 1}
        onChange={setStems}
      >
        <span className="soft">{t('bench.out-of', { all: card.stems })}</span>
      </NumberStepper>
      <Button
        disabled={busy}
        onClick={() =>
          void log(
            'bench/apart',
            { portionId: card.portionId, stems, handsId: card.hands.personId },
            `${stems} set apart`,
          )
        }
      >
        {t('bench.set-n-apart', { n: stems })}
      </Button>
    </Group>
  );
}

function Recut({ card, log: { log, busy } }: { card: BenchCard; log: Log }) {
  const t = useWords();
  const { told } = useMeasures();
  const [warned, setWarned] = useState<number | null>(null);
  const cut = (cm: number) =>
    void log(
      'bench/recut',
      { portionId: card.portionId, cm, handsId: card.hands.personId },
      `cut ${told('cm', cm)} again`,
    );
  return (
    <Group gap="0.5rem" align="stretch" pb="0.5rem" role="group" aria-label={t('bench.view.recut')}>
      {[1, 2, 3].map((cm) => (
        <Button key={cm} disabled={busy} onClick={() => (card.bleeds ? setWarned(cm) : cut(cm))}>
          {t('bench.cm-off', { cm })}
        </Button>
      ))}
      {warned !== null && (
        <Feedback isAlert>
          <p>{t('bench.sap-runs-again')}</p>
          <Button disabled={busy} onClick={() => cut(warned)}>
            {t('bench.cut-all-the-same', { cm: warned })}
          </Button>
        </Feedback>
      )}
    </Group>
  );
}

function ForWhat({ card, log: { log, busy } }: { card: BenchCard; log: Log }) {
  const t = useWords();
  const form = useShopForm(v.object({ day: v.pipe(v.string(), v.minLength(1, t('bench.which-day'))) }), {
    day: card.eventOn ?? '',
  });
  const [wanted, setWanted] = useState<Purpose>(card.purpose);
  const set = (purpose: Purpose, eventOn: string | null) =>
    void log('bench/purpose', { portionId: card.portionId, purpose, eventOn }, `for: ${purpose}`);
  return (
    <Group gap="0.5rem" align="stretch" pb="0.5rem">
      <Choices
        label={t('bench.view.for')}
        value={wanted}
        onChange={(purpose) => {
          setWanted(purpose);
          if (purpose !== 'event' && !busy) set(purpose, null);
        }}
        options={PURPOSES.map((p) => ({ value: p, words: t(`bench.for.${p}`) }))}
      />
      {wanted === 'event' && (
        <form className="row low" onSubmit={form.onSubmit(({ day }) => set('event', day))}>
          <DayInput
            label={t('bench.the-day')}
            value={form.values.day || null}
            error={form.errors.day}
            onChange={(day) => form.setFieldValue('day', day ?? '')}
          />
          <Button type="submit" disabled={busy}>
            {t('bench.for-that-day')}
          </Button>
        </form>
      )}
    </Group>
  );
}

const DIFFERS = {
  'left out': 'bench.not-done',
  added: 'bench.added',
  changed: 'bench.changed',
} as const;

function Why({ card }: { card: BenchCard }) {
  const t = useWords();
  if (card.differences.length === 0)
    return <p className="soft">{t('bench.as-plain', { name: card.name.toLowerCase() })}</p>;
  return (
    <ul className="stack bare" aria-label={t('bench.what-differs')}>
      {card.differences.map((d) => (
        <li key={`${d.what} ${d.kind} ${d.title ?? ''}`}>
          <strong>{t(DIFFERS[d.what])}:</strong> {d.title ?? d.plain}
          {d.what === 'changed' && (
            <span className="soft"> ({t('bench.plain', { plain: d.plain ?? '' })})</span>
          )}
          {d.because.map((b) => (
            <span key={b.says} className="says">
              {b.says} <em>{t(`bench.source.${b.because}`)}</em>
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
  const t = useWords();
  const [view, setView] = useState<View>('skip');
  return (
    <Stack gap="sm">
      <Choices
        label={t('bench.something-else')}
        value={view}
        onChange={setView}
        options={VIEWS.map((value) => ({ value, words: t(`bench.view.${value}`) }))}
      />
      {view === 'skip' && (
        <Group
          gap="0.5rem"
          align="stretch"
          pb="0.5rem"
          role="group"
          aria-label={t('bench.leave-out-because')}
        >
          {SKIP_REASONS.map((reason) => (
            <Button
              key={reason}
              disabled={log.busy}
              onClick={() =>
                void log.log(
                  'bench/tap',
                  { stepId: card.step.id, to: 'skipped', reason, handsId: card.hands.personId },
                  `left out: ${reason}`,
                )
              }
            >
              {t(`bench.skip.${reason}`)}
            </Button>
          ))}
        </Group>
      )}
      {view === 'used' &&
        (hasMeasures(card.step.step.params) ? (
          <div className="row">
            <span className="soft">{t('bench.really-used')}</span>
            <UsedFigures params={card.step.step.params} used={used} onUsed={onUsed} />
          </div>
        ) : (
          <p className="soft">{t('bench.no-figures')}</p>
        ))}
      {view === 'other' && <Others card={card} log={log} />}
      {view === 'apart' && <Apart card={card} log={log} />}
      {view === 'recut' && <Recut card={card} log={log} />}
      {view === 'for' && <ForWhat card={card} log={log} />}
      {view === 'why' && <Why card={card} />}
    </Stack>
  );
}
