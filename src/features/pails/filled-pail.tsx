'use client';
import { Button, Group, Kbd } from '@mantine/core';
import { HOUR_MS } from '@/core/calendar/spans';
import { LOOKS } from '@/core/water/count-filter';
import type { Foods } from '@/core/water/food';
import { FoodLine } from '@/shell/food-line';
import { useShopNow } from '@/shell/clock';
import { useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import { ago } from './ago';
import type { DoIt } from './do-it';
import { pointsOf, type PailView, type WaterView } from './pail-view';
import { WaterCourse } from './water-course';
import { ChangedBy, LeftInIt, ReadForm, TopUpForm } from './water-forms';

const DUE_BECAUSE = {
  count: 'its predicted count passes the limit',
  house: 'the house’s longest use of such water',
} as const;

function dueWords({ dueInHours: due, because }: WaterView): string {
  const why = DUE_BECAUSE[because];
  if (due === 0) return `Due for a change now: ${why}.`;
  return `Due for a change in ${due < 48 ? `${due} h` : `${Math.floor(due / 24)} days`}: ${why}.`;
}

interface Props {
  readonly pail: PailView;
  readonly water: WaterView;
  /** Pails that stand clean. */
  readonly clean: readonly PailView[];
  readonly foods: Foods;
  readonly doIt: DoIt;
}

/** What the eye says of it, put together with what was predicted. */
function LookAtIt({ pail, doIt }: Pick<Props, 'pail' | 'doIt'>) {
  return (
    <div>
      <p className="soft">Look at it: what do you see?</p>
      <Group gap="0.5rem">
        {LOOKS.map((look) => (
          <Button
            key={look}
            onClick={() =>
              void doIt('pails/look', { pailId: pail.id, look }, `pail ${pail.name} looks ${look}`)
            }
          >
            {look}
          </Button>
        ))}
      </Group>
    </div>
  );
}

/** A pail with water in it: how that stands, when it is due and why, and what may be done. */
export function FilledPail({ pail, water, clean, foods, doIt }: Props) {
  const now = useShopNow();
  const { told } = useMeasures();
  const nowHour = now === null || pail.filledAt === null ? 0 : (now - pail.filledAt) / HOUR_MS;
  return (
    <>
      <p>
        <span className="big">{water.looks}</span>{' '}
        <span className="soft">
          {pail.looked === null ? 'by the model' : `by the model and your look (${pail.looked})`}
        </span>
      </p>
      <p>
        {told('litres', pail.litres)} {pail.solution?.toLowerCase()}, filled {ago(pail.filledAt, now)} at{' '}
        {told('tempC', pail.tempC ?? 0)}.
      </p>
      <LeftInIt pail={pail} water={water} />
      <p className={water.dueInHours < 24 ? 'late' : undefined}>{dueWords(water)}</p>
      <WaterCourse course={pointsOf(water.course)} nowHour={nowHour} />
      <LookAtIt pail={pail} doIt={doIt} />
      <ChangedBy water={water} />
      <ReadForm pail={pail} doIt={doIt} />
      <TopUpForm pail={pail} water={water} doIt={doIt} />
      {pail.lots.map((l) => (
        <p key={l.id}>
          <strong>{l.words}</strong>
        </p>
      ))}
      {pail.lots.length === 0 ? (
        <Button
          variant="main"
          onClick={() => void doIt('pails/tip-out', { pailId: pail.id }, `tip out pail ${pail.name}`)}
          data-step-in-hand
        >
          Tip out <Kbd>.</Kbd>
        </Button>
      ) : clean.length === 0 ? (
        <Feedback isNote>No pail stands clean to turn it over into.</Feedback>
      ) : (
        <div>
          <p className="soft">Turn over into fresh water, pail:</p>
          {pail.solutionKey && <FoodLine solution={pail.solutionKey} litres={pail.litres} foods={foods} />}
          <Group gap="0.5rem">
            {clean.slice(0, 6).map((to) => (
              <Button
                key={to.id}
                onClick={() =>
                  void doIt(
                    'pails/turn-over',
                    { pailId: pail.id, toPailId: to.id },
                    `turn pail ${pail.name} over into ${to.name}`,
                  )
                }
              >
                {to.name}
              </Button>
            ))}
          </Group>
        </div>
      )}
    </>
  );
}
