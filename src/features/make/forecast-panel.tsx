'use client';
import { Stack } from '@mantine/core';
import { HORIZON_DAYS } from '@/core/model/constants';
import type { ArrangementForecast, Care } from '@/core/arrangement/types';
import { useMeasures } from '@/shell/reader';
import { daysInWords } from '@/drawing/life-line';
import { endOf } from './days';
import { ShareChart } from './share-chart';
import type { Live } from './use-forecast';

interface Props {
  readonly live: Live;
  /** Whether anything stands in the vessel. */
  readonly isEmpty: boolean;
  /** Names of the lines, in the forecast's order. */
  readonly names: readonly string[];
  readonly confidence: number;
  readonly care: Care;
  readonly now: number;
}

const LASTS_BY: Readonly<Record<Care, string>> = {
  mixed: 'whoever keeps it',
  careful: 'kept with care',
  usual: 'kept as most do',
  careless: 'kept carelessly',
};

function Waiting({ failed, isEmpty }: { failed: boolean; isEmpty: boolean }) {
  const [title, words] = failed
    ? ['The forecast could not be made', 'It can still be made; its forecast is worked out again when it is.']
    : isEmpty
      ? ['How long will it last?', 'Take stems from the left; the answer stands here as you go.']
      : ['Working it out …', 'Hundreds of ways it could go, hour by hour.'];
  return (
    <Stack justify="center" mih={380} gap="xs" role="status">
      <h2>{title}</h2>
      <p className="soft">{words}</p>
    </Stack>
  );
}

/** The days that are promised, and how that was come by. */
function Promised({ forecast: { promiseDays }, how }: { forecast: ArrangementForecast; how: string }) {
  return (
    <p>
      Promise{' '}
      <strong className="serif">
        {promiseDays >= HORIZON_DAYS ? 'more than ' : ''}
        {promiseDays} {promiseDays === 1 ? 'day' : 'days'}
      </strong>{' '}
      <span className="soft">{how}</span>
    </p>
  );
}

/** A vessel that does not hold what its stems drink in a day. */
function TooSmall({ firstDay }: Pick<ArrangementForecast, 'firstDay'>) {
  const { told } = useMeasures();
  if (!firstDay.isTooSmall) return null;
  return (
    <p className="late">
      Its stems drink {told('litres', Number(firstDay.drinksLitres.toFixed(1)))} a day and it gives them{' '}
      {firstDay.givesLitres.toFixed(1)}: too small for a day. More water, or fewer stems.
    </p>
  );
}

/** Days more under which it is not told what a line costs the rest. */
const WORTH_TELLING_DAYS = 0.3;

/** Which of its flowers ends it, and by how much; nothing where there is but one. */
function EndsFirst({ forecast, names }: { forecast: ArrangementForecast; names: readonly string[] }) {
  const limiting = names.length > 1 ? names[forecast.limitingLine] : undefined;
  if (limiting === undefined) return null;
  const gain = forecast.lines[forecast.limitingLine]?.gainIfReplacedDays ?? 0;
  return (
    <p className="late">
      {limiting} ends it first
      {gain >= WORTH_TELLING_DAYS ? `: ${gain.toFixed(1)} days more, were it like the rest.` : '.'}
    </p>
  );
}

/** The three dates, the promise, the curve, what ends first and what each habit buys. */
export function ForecastPanel({ live, isEmpty, names, confidence, care, now }: Props) {
  const { forecast } = live;
  if (!forecast || isEmpty || live.failed) return <Waiting failed={live.failed} isEmpty={isEmpty} />;
  const dates = [
    ['first fade', forecast.firstFade],
    ['still a gift', forecast.stillAGift],
    ['last stand', forecast.lastStand],
  ] as const;
  const isPartial = live.isStale || live.share < 1;
  return (
    <div className="stack" aria-busy={isPartial} style={{ opacity: live.isStale ? 0.45 : 1 }}>
      <dl className="abreast bare">
        {dates.map(([word, q]) => (
          <div key={word}>
            <dd className="numeral bare">{endOf(now, q.p50)}</dd>
            <dt>
              {word}
              <br />
              <span className="soft">{daysInWords(q)}</span>
            </dt>
          </div>
        ))}
      </dl>
      <ShareChart forecast={forecast} names={names} now={now} />
      <Promised
        forecast={forecast}
        how={
          isPartial
            ? `so far, from ${forecast.draws} draws`
            : `${Math.round(confidence * 100)} times in 100, ${LASTS_BY[care]}`
        }
      />
      <TooSmall firstDay={forecast.firstDay} />
      <EndsFirst forecast={forecast} names={names} />
    </div>
  );
}
