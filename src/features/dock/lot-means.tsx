'use client';
import { Stack } from '@mantine/core';
import type { DockAdvice } from '@/core/dock/flaws';
import { useSay } from '@/shell/words';
import { useMeasures } from '@/shell/reader';
import { LifeAxis, LifeLine, daysInWords } from '@/drawing/life-line';
import type { LotView } from '@/server/stock';
import type { Outlook } from './outlook';

const ADVICE_WORDS: Readonly<Record<DockAdvice['advice'], string>> = {
  accept: 'Accept.',
  'use first': 'Use first:',
  'reduced price': 'Accept, and ask for less:',
  claim: 'Claim:',
  refuse: 'Refuse:',
};

/** Where a lot's promise is told for: a table in a usual home. */
const TABLE_C = 21;

/** Whole days since, as somebody says them. */
const daysAgo = (days: number): string => {
  const whole = Math.round(days);
  return whole < 1 ? 'today' : whole === 1 ? 'yesterday' : `${whole} days ago`;
};

/** What the lot means as it is being seen: days left on its line, how it compares, what to do with it. */
export function LotMeans({
  lot,
  outlook,
  widestDays,
  advice,
}: {
  lot: LotView;
  outlook: Outlook;
  /** The longest the lot could last however it is seen: the line keeps one scale under the finger. */
  widestDays: number;
  advice: DockAdvice;
}) {
  const { daysLeft, lotDaysLeft } = outlook;
  const scale = {
    pastDays: Math.max(4, Math.ceil(lot.daysSinceCut)),
    aheadDays: Math.max(8, Math.ceil(widestDays) + 1),
  };
  const { told } = useMeasures();
  const say = useSay();
  const words = daysInWords(daysLeft);
  return (
    <Stack component="section" gap="0.5rem" aria-label="What it means">
      <div
        className="aside"
        data-grave={advice.advice === 'claim' || advice.advice === 'refuse' || undefined}
      >
        <p>
          <strong>{ADVICE_WORDS[advice.advice]}</strong> <span className="soft">{say(advice.because)}</span>
        </p>
      </div>
      <p>
        <span className="numeral">{daysInWords(lotDaysLeft)}</span>{' '}
        <span className="soft">
          until half of it has ended, on a table at {told('tempC', TABLE_C)}, kept well; a single stem {words}
        </span>
      </p>
      <LifeLine
        scale={scale}
        daysSinceCut={lot.daysSinceCut}
        daysSinceArrival={lot.daysSinceArrival}
        shareByDay={outlook.shareByDay}
        {...daysLeft}
        label={`Cut ${daysAgo(lot.daysSinceCut)}; half of it lasts ${daysInWords(lotDaysLeft)}, a stem ${words}`}
      />
      <LifeAxis scale={scale} />
      {lot.staysAsBought && <p>It does not go on opening: it stays at the stage it came in.</p>}
      <p className="soft">
        About {Math.round(100 * outlook.lifeUsed)}&nbsp;% of a usual life is used
        {outlook.usual === null
          ? `; too little of ${lot.supplier} came before to compare.`
          : `; ${outlook.usual}`}
      </p>
    </Stack>
  );
}
