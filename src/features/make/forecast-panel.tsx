'use client';
import { HORIZON_DAYS } from '@/core/model/constants';
import type { Care } from '@/core/arrangement/types';
import { useMeasures } from '@/shell/reader';
import { daysInWords } from '@/drawing/life-line';
import { endOf } from './days';
import css from './make.module.css';
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
    <div className={css.waiting} role="status">
      <h2>{title}</h2>
      <p className="soft">{words}</p>
    </div>
  );
}

/** The three dates, the promise, the curve, what ends first and what each habit buys. */
export function ForecastPanel({ live, isEmpty, names, confidence, care, now }: Props) {
  const { told } = useMeasures();
  const { forecast } = live;
  if (!forecast || isEmpty || live.failed) return <Waiting failed={live.failed} isEmpty={isEmpty} />;
  const dates = [
    ['first fade', forecast.firstFade],
    ['still a gift', forecast.stillAGift],
    ['last stand', forecast.lastStand],
  ] as const;
  const limiting = names.length > 1 ? names[forecast.limitingLine] : undefined;
  const gain = forecast.lines[forecast.limitingLine]?.gainIfReplacedDays ?? 0;
  const isPartial = live.isStale || live.share < 1;
  return (
    <div className={css.forecast} aria-busy={isPartial}>
      <div className={live.isStale ? css.stale : css.forecast}>
        <dl className={css.dates}>
          {dates.map(([word, q]) => (
            <div key={word}>
              <dd className={css.date}>{endOf(now, q.p50)}</dd>
              <dt>
                {word}
                <br />
                <span className="soft">{daysInWords(q)}</span>
              </dt>
            </div>
          ))}
        </dl>
        <ShareChart forecast={forecast} names={names} now={now} />
        <p className={css.promise}>
          Promise{' '}
          <strong>
            {forecast.promiseDays >= HORIZON_DAYS ? 'more than ' : ''}
            {forecast.promiseDays} {forecast.promiseDays === 1 ? 'day' : 'days'}
          </strong>{' '}
          <span className="soft">
            {isPartial
              ? `so far, from ${forecast.draws} draws`
              : `${Math.round(confidence * 100)} times in 100, ${LASTS_BY[care]}`}
          </span>
        </p>
        {forecast.firstDay.isTooSmall && (
          <p className={css.ends}>
            Its stems drink {told('litres', Number(forecast.firstDay.drinksLitres.toFixed(1)))} a day and it
            gives them {forecast.firstDay.givesLitres.toFixed(1)}: too small for a day. More water, or fewer
            stems.
          </p>
        )}
        {limiting && (
          <p className={css.ends}>
            {limiting} ends it first
            {gain >= 0.3 ? `: ${gain.toFixed(1)} days more, were it like the rest.` : '.'}
          </p>
        )}
      </div>
    </div>
  );
}
