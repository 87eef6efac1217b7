'use client';
import { Button, Group } from '@mantine/core';
import { MINUTE_MS } from '@/core/calendar/spans';
import { formatDate } from '@/core/calendar/format-date';

import { LinkButton } from '@/shell/link-button';
import { useEffect, useState } from 'react';
import type { BenchPlan } from '@/core/bench/tell';
import { useActions } from '@/shell/actions';
import { useWords } from '@/shell/words';
import { usePlan } from './use-plan';

interface Props {
  /** Changes with what the plan is made from; null while nothing waits. */
  readonly madeFrom: string | null;
  readonly version: number;
  readonly plan: BenchPlan | null;
  readonly madeAt: number | null;
  /** The server's time when this was drawn. */
  readonly at: number;
  readonly currency: string | null;
  readonly timeZone: string;
  readonly people: readonly { readonly id: string; readonly name: string; readonly isHere: boolean }[];
}

const SLOW_MS = 1000;

function Clear({ plan, madeAt, timeZone }: { plan: BenchPlan; madeAt: number; timeZone: string }) {
  const t = useWords();
  const at = (min: number): string => formatDate(madeAt + min * MINUTE_MS, timeZone, 'clock');
  return (
    <>
      {' '}
      {t('bench.clear-about')} <strong>{at(plan.objective.finishMin)}</strong>.
      {plan.kettleOnMin !== null && (
        <>
          {' '}
          {t('bench.kettle-on')}{' '}
          <strong>
            {plan.kettleOnMin < 1 ? t('bench.now') : t('bench.at', { clock: at(plan.kettleOnMin) })}
          </strong>
          .
        </>
      )}
    </>
  );
}

/** What the order keeps against doing it as it came, in days of stems and in money. */
function Saved({ plan, currency }: { plan: BenchPlan; currency: string | null }) {
  const t = useWords();
  const { stemDays, money } = plan.saved;
  const days = Math.round(stemDays);
  if (days <= 0) return t('bench.nothing-lost');
  return (
    <>
      {t('bench.this-order-keeps')} <strong>{t('bench.stem-days', { n: days })}</strong>
      {money !== null && money > 0 && (
        <>
          {' '}
          (<strong>{`${money.toFixed(2)} ${currency ?? ''}`.trim()}</strong> {t('bench.of-flower-life')})
        </>
      )}{' '}
      {t('bench.would-lose')}
    </>
  );
}

/** Whether the planner has been looking for longer than a moment. */
function useIsSlow(isLooking: boolean): boolean {
  const [isSlow, setSlow] = useState(false);
  useEffect(() => {
    if (!isLooking) return;
    const timer = setTimeout(() => setSlow(true), SLOW_MS);
    return () => {
      clearTimeout(timer);
      setSlow(false);
    };
  }, [isLooking]);
  return isSlow;
}

/** The people of the shop, those who stand at the bench pressed; and the way to the knife card. */
function WhoIsHere({ people }: Pick<Props, 'people'>) {
  const { act } = useActions();
  const t = useWords();
  return (
    <Group gap="0.5rem" role="group" aria-label={t('bench.who-is-here')}>
      {people.map((p) => (
        <Button
          key={p.id}
          aria-pressed={p.isHere}
          onClick={() => void act('bench/stand', { personId: p.id, isHere: !p.isHere })}
        >
          {p.name}
        </Button>
      ))}
      <LinkButton variant="quiet" href="/bench/knife">
        {t('bench.knife-card')}
      </LinkButton>
    </Group>
  );
}

/** What this order keeps, when the bench is clear, when the kettle goes on, and who stands there. */
export function PlanStrip({ madeFrom, version, plan, madeAt, at, currency, timeZone, people }: Props) {
  const t = useWords();
  const { planning, best, stop } = usePlan({
    madeFrom,
    version,
    plan,
    planAgeMin: madeAt === null ? 0 : Math.max(0, (at - madeAt) / 60_000),
  });
  const isSlow = useIsSlow(planning === 'looking');
  const shown = plan ?? best;
  return (
    <section className="ruled row ends" aria-label={t('bench.the-plan')}>
      <p className="prose">
        {shown && shown.lots.length > 0 ? (
          <>
            <Saved plan={shown} currency={currency} />
            {madeAt !== null && plan && <Clear plan={plan} madeAt={madeAt} timeZone={timeZone} />}
          </>
        ) : (
          t('bench.nothing-to-plan')
        )}{' '}
        {planning === 'looking' && isSlow && (
          <span role="status">
            {t('bench.looking')}{' '}
            <Button variant="quiet" onClick={stop}>
              {t('bench.good-enough')}
            </Button>
          </span>
        )}
        {planning === 'failed' && <span role="status">{t('bench.no-plan')}</span>}
        {shown && shown.lots.length > 0 && (
          <LinkButton variant="quiet" href="/bench/plan">
            {t('bench.as-chart')}
          </LinkButton>
        )}
      </p>
      <WhoIsHere people={people} />
    </section>
  );
}
