'use client';
import type { ArrangementForecast } from '@/core/arrangement/types';
import { daysInWords } from '@/drawing/life-line';
import css from './make.module.css';
import { ShareChart } from './share-chart';

interface Props {
  readonly live: {
    readonly forecast: ArrangementForecast | null;
    readonly isWorking: boolean;
    readonly failed: boolean;
  };
  /** Names of the lines, in the forecast's order. */
  readonly names: readonly string[];
  readonly confidence: number;
  readonly now: number;
}

function dateIn(now: number, days: number): string {
  return new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', timeZone: 'UTC' }).format(
    now + Math.floor(days) * 86_400_000,
  );
}

/** The three dates, the promise, the curve, and what ends first. */
export function ForecastPanel({ live, names, confidence, now }: Props) {
  const { forecast } = live;
  if (!forecast)
    return (
      <div className={css.waiting} role="status">
        <h2>
          {live.failed
            ? 'The forecast could not be made'
            : live.isWorking
              ? 'Working it out …'
              : 'How long will it last?'}
        </h2>
        <p className="soft">
          {live.failed
            ? 'It can still be made; its forecast is worked out again when it is.'
            : live.isWorking
              ? 'A hundred ways it could go, hour by hour.'
              : 'Take stems from the left; the answer stands here as you go.'}
        </p>
      </div>
    );
  const dates = [
    ['first fade', forecast.firstFade],
    ['still a gift', forecast.stillAGift],
    ['last stand', forecast.lastStand],
  ] as const;
  const limiting = names[forecast.limitingLine];
  return (
    <div className={css.forecast}>
      <dl className={css.dates}>
        {dates.map(([word, q]) => (
          <div key={word}>
            <dd className={css.date}>{dateIn(now, q.p50)}</dd>
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
          {forecast.promiseDays} {forecast.promiseDays === 1 ? 'day' : 'days'}
        </strong>{' '}
        <span className="soft">
          kept {Math.round(confidence * 100)} times in 100, as customers mixed keep flowers
        </span>
      </p>
      {names.length > 1 && limiting && (
        <p className={css.ends}>
          {limiting} ends it first:{' '}
          {daysInWords(forecast.lines[forecast.limitingLine]?.daysLeft ?? forecast.firstFade)}.
        </p>
      )}
      <details>
        <summary className={css.summary}>The same as a table</summary>
        <table className={css.table}>
          <thead>
            <tr>
              <th>Line</th>
              <th>1 in 10 ends by day</th>
              <th>Half by</th>
              <th>9 in 10 by</th>
            </tr>
          </thead>
          <tbody>
            {forecast.lines.map((l, i) => (
              <tr key={`${l.species}${i}`}>
                <th>{names[i]}</th>
                <td>{l.daysLeft.p10.toFixed(1)}</td>
                <td>{l.daysLeft.p50.toFixed(1)}</td>
                <td>{l.daysLeft.p90.toFixed(1)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </div>
  );
}
