import { standsMm } from '@/core/bench/pail-fit';
import { SimpleGrid, Text, Title } from '@mantine/core';
import type { ReactNode } from 'react';
import { addDays } from '@/core/calendar/dates';
import { saidDate, saidDay } from '@/core/calendar/said-dates';
import { pailsForOrder } from '@/core/bench/pails-for-order';
import { localeOf } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import type { ExpectedDelivery } from '@/data/expected';
import { lotLabel } from '@/data/portions';
import type { SignedIn } from '@/server/session';
import { speakerOf } from '@/server/words';
import { LinkButton } from '@/shell/link-button';
import type { Floor, FloorLot } from './floor';
import { inZone } from '@/server/clock';

const SHOWN = 4;

interface Props {
  readonly floor: Floor;
  readonly expected: readonly ExpectedDelivery[];
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
        : saidDay(next.dueOn, 'weekday, day and month', localeOf(me.language));
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

function Lots({
  lots,
  note,
  me,
}: {
  lots: readonly FloorLot[];
  note: (l: FloorLot) => string;
  me: SignedIn;
}) {
  return (
    <ul className="rowlist">
      {lots.slice(0, SHOWN).map((l) => (
        <li key={l.lot.id}>
          <LinkButton variant="quiet" px={0} href={`/bench?lot=${l.lot.id}`}>
            {speciesName(me.species.byKey(l.lot.speciesKey), me.language)}
            {l.lot.variety ? ` ‘${l.lot.variety}’` : ''} {lotLabel(l.lot)}
          </LinkButton>
          <Text className="soft" mt="-0.5rem" pb="0.625rem">
            {note(l)}
          </Text>
        </li>
      ))}
    </ul>
  );
}

/** Nothing waits for hands: what comes next, what is still due today, what should go first. */
export function ClearBench(props: Props) {
  const { floor, today, me } = props;
  const t = speakerOf(me.language);
  const { timeZone } = me.shop;
  const dueAt = (l: FloorLot): number => l.current.dueAt?.getTime() ?? Infinity;
  const due = floor.lots
    .filter((l) => l.current.status === 'running' && l.current.dueAt !== null)
    .sort((a, b) => dueAt(a) - dueAt(b));
  const isFirst = (l: FloorLot): number => Number(l.lot.decision === 'use first');
  const first = [...floor.lots].sort(
    (a, b) => isFirst(b) - isFirst(a) || a.lot.arrivedAt.getTime() - b.lot.arrivedAt.getTime(),
  );
  const isToday = (at: Date): boolean => inZone(at, timeZone).date === today;
  return (
    <section>
      <h1>{t('bench.is-clear')}</h1>
      <p className="soft">{t('bench.all-in-water')}</p>
      <SimpleGrid cols={{ base: 1, sm: 3 }} spacing="xl" mt="lg">
        <Part title={t('clear.next-van')}>
          <NextVan {...props} />
        </Part>
        <Part title={t('clear.still-due')}>
          {due.length === 0 ? (
            <p className="soft">{t('clear.nothing-due')}</p>
          ) : (
            <Lots
              lots={due}
              me={me}
              note={({ current }) =>
                `${say(current.step.title, me.language).toLowerCase()}, ${saidDate(
                  current.dueAt?.getTime() ?? 0,
                  timeZone,
                  current.dueAt && isToday(current.dueAt) ? 'clock' : 'weekday and clock',
                  localeOf(me.language),
                )}`
              }
            />
          )}
        </Part>
        <Part title={t('clear.goes-first')}>
          <Lots
            lots={first}
            me={me}
            note={({ lot }) =>
              lot.decision === 'use first'
                ? t('clear.use-first', { stems: lot.stemsLeft })
                : t('clear.came', {
                    stems: lot.stemsLeft,
                    day: saidDate(
                      lot.arrivedAt.getTime(),
                      timeZone,
                      'weekday, day and month',
                      localeOf(me.language),
                    ),
                  })
            }
          />
        </Part>
      </SimpleGrid>
    </section>
  );
}
