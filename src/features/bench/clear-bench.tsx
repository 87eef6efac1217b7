import { standsMm } from '@/core/bench/pail-fit';
import { SimpleGrid, Text, Title } from '@mantine/core';
import type { ReactNode } from 'react';
import { addDays } from '@/core/calendar/dates';
import { formatDate, formatDay } from '@/core/calendar/format-date';
import { formatDays } from '@/core/vase-life/format-days';
import { pailsForOrder } from '@/core/bench/pails-for-order';
import { localeOf } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import type { ExpectedDelivery } from '@/data/expected';
import { lotLabel } from '@/data/portions';
import type { SignedIn } from '@/server/session';
import type { LotView } from '@/server/stock';
import { speakerOf } from '@/server/words';
import { LinkButton } from '@/shell/link-button';
import type { Floor } from './floor';
import { inZone } from '@/server/clock';

const SHOWN = 4;

interface Props {
  readonly floor: Floor;
  readonly expected: readonly ExpectedDelivery[];
  /** The stock, what goes first first. */
  readonly lots: readonly LotView[];
  /** ISO date. */
  readonly today: string;
  readonly me: SignedIn;
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <Title order={2} size="1.375rem" mb="xs">
        {title}
      </Title>
      {children}
    </section>
  );
}

/** The van that comes next, and whether the pails for it stand clean. */
function NextVan({ floor, expected, today, me }: Props) {
  const t = speakerOf(me.language);
  const [next] = expected;
  if (!next) return <p className="soft">{t('clear.no-van')}</p>;
  const ready = floor.pails.filter((p) => p.state === 'sanitised');
  const { needed, short } = pailsForOrder(
    next.lines.map((l) => ({ stems: l.stems, stemMm: standsMm(floor.species.byKey(l.speciesKey)) })),
    ready.map((p) => ({ id: p.id, litres: p.sizeL })),
  );
  const when =
    next.dueOn <= today
      ? t('clear.today')
      : next.dueOn === addDays(today, 1)
        ? t('clear.tomorrow')
        : formatDay(next.dueOn, 'weekday, day and month', localeOf(me.language));
  return (
    <>
      <p>
        <strong>{next.supplier}</strong>, {when}{' '}
        <span className="soft">
          {t('clear.order', {
            ref: next.orderRef,
            lines: next.lines.length,
            stems: next.lines.reduce((n, l) => n + l.stems, 0),
          })}
        </span>
      </p>
      <p className={short > 0 ? 'late' : 'soft'}>
        {t(short > 0 ? 'clear.pails-short' : 'clear.pails-enough', {
          needed,
          short,
          ready: ready.length,
        })}
      </p>
      {short > 0 && (
        <LinkButton href="/pails" mt="sm">
          {t('clear.to-the-pails')}
        </LinkButton>
      )}
    </>
  );
}

interface Row {
  readonly portionId: string;
  readonly name: string;
  readonly note: string;
}

function Rows({ rows }: { rows: readonly Row[] }) {
  return (
    <ul className="rowlist">
      {rows.map(({ portionId, name, note }) => (
        <li key={portionId}>
          <LinkButton variant="quiet" px={0} href={`/bench?lot=${portionId}`}>
            {name}
          </LinkButton>
          <Text className="soft" mt="-0.5rem" pb="0.625rem">
            {note}
          </Text>
        </li>
      ))}
    </ul>
  );
}

const named = (name: string, variety: string | null, label: string): string =>
  `${name}${variety ? ` ‘${variety}’` : ''} ${label}`;

/** What a clock still runs for, the next to ring first. */
function dueRows({ floor, me, today }: Props): Row[] {
  const { timeZone } = me.shop;
  const locale = localeOf(me.language);
  return floor.lots
    .flatMap(({ lot, current }) =>
      current.status === 'running' && current.dueAt ? [{ lot, current, dueAt: current.dueAt }] : [],
    )
    .sort((a, b) => a.dueAt.getTime() - b.dueAt.getTime())
    .slice(0, SHOWN)
    .map(({ lot, current, dueAt }) => {
      const how = inZone(dueAt, timeZone).date === today ? 'clock' : 'weekday and clock';
      const when = formatDate(dueAt.getTime(), timeZone, how, locale);
      const name = speciesName(me.species.byKey(lot.speciesKey), me.language);
      return {
        portionId: lot.id,
        name: named(name, lot.variety, lotLabel(lot)),
        note: `${say(current.step.title, me.language).toLowerCase()}, ${when}`,
      };
    });
}

function firstRows({ lots, me }: Props): Row[] {
  const t = speakerOf(me.language);
  return lots.slice(0, SHOWN).map((l) => ({
    portionId: l.portionId,
    name: named(l.name, l.variety, l.label),
    note:
      l.decision === 'use first'
        ? t('clear.use-first', { stems: l.stemsLeft })
        : t('clear.days-left', { stems: l.stemsLeft, ...formatDays(l.daysLeft) }),
  }));
}

/** Nothing waits for hands: what comes next, what is still due today, what should go first. */
export function ClearBench(props: Props) {
  const t = speakerOf(props.me.language);
  const due = dueRows(props);
  return (
    <section>
      <h1>{t('bench.is-clear')}</h1>
      {props.lots.length > 0 && <p className="soft">{t('bench.all-in-water')}</p>}
      <SimpleGrid cols={{ base: 1, sm: 3 }} spacing="xl" mt="lg">
        <Part title={t('clear.next-van')}>
          <NextVan {...props} />
        </Part>
        <Part title={t('clear.still-due')}>
          {due.length === 0 ? <p className="soft">{t('clear.nothing-due')}</p> : <Rows rows={due} />}
        </Part>
        <Part title={t('clear.goes-first')}>
          {props.lots.length === 0 ? (
            <p className="soft">{t('clear.nothing-stands')}</p>
          ) : (
            <Rows rows={firstRows(props)} />
          )}
        </Part>
      </SimpleGrid>
    </section>
  );
}
