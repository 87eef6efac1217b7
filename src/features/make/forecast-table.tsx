'use client';
import { Box, Table } from '@mantine/core';
import type { ArrangementForecast } from '@/core/arrangement/types';
import { Unfolds } from '@/shell/unfolds';
import { dateOf, daysOrMore } from './days';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

interface Props {
  readonly forecast: ArrangementForecast;
  readonly names: readonly string[];
  readonly now: number;
}

/** Until when each line lasts. */
function ByLine({ forecast, names }: Pick<Props, 'forecast' | 'names'>) {
  return (
    <Table>
      <caption className="soft">Days until stems of each line have ended</caption>
      <thead>
        <tr>
          <th scope="col">Line</th>
          <th scope="col">1 in 10 by</th>
          <th scope="col">Half by</th>
          <th scope="col">9 in 10 by</th>
          <th scope="col">Were it like the rest</th>
        </tr>
      </thead>
      <tbody>
        {forecast.lines.map((l, i) => (
          <tr key={`${l.species}${i}`}>
            <th scope="row">{names[i]}</th>
            <td>{daysOrMore(l.daysLeft.p10)}</td>
            <td>{daysOrMore(l.daysLeft.p50)}</td>
            <td>{daysOrMore(l.daysLeft.p90)}</td>
            <td>{forecast.lines.length > 1 ? `${l.gainIfReplacedDays.toFixed(1)} d` : '–'}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** What share is presentable, day by day until nothing is. */
function ByDay({ forecast, names, now }: Props) {
  const gone = forecast.presentableShareByDay.findIndex((s) => s < 0.02);
  const lastDay = gone < 0 ? forecast.horizonDays : gone;
  const days = Array.from({ length: lastDay + 1 }, (_, d) => d);
  return (
    <Box
      mah={320}
      mt="sm"
      style={{ overflow: 'auto' }}
      role="region"
      aria-label="Share presentable by day"
      tabIndex={0}
    >
      <Table>
        <caption className="soft">Share presentable as each day begins</caption>
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Whole</th>
            <th scope="col">From to</th>
            {names.map((name, i) => (
              <th scope="col" key={`${name}${i}`}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {days.map((d) => (
            <tr key={d}>
              <th scope="row">{d === 0 ? 'today' : dateOf(now, d)}</th>
              <td>{percent(forecast.presentableShareByDay[d] ?? 0)}</td>
              <td>
                {percent(forecast.presentableBandByDay[d]?.p10 ?? 0)}–
                {percent(forecast.presentableBandByDay[d]?.p90 ?? 0)}
              </td>
              {forecast.lines.map((l, i) => (
                <td key={`${l.species}${i}`}>{percent(l.presentableShareByDay[d] ?? 0)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </Box>
  );
}

/** The chart as tables: each line's days, and the share presentable day by day. */
export function ForecastTable(props: Props) {
  const { forecast } = props;
  return (
    <Unfolds summary="The same as a table">
      <ByLine {...props} />
      <ByDay {...props} />
      <p className="soft">
        From {forecast.draws} draws: another {forecast.draws} would move “still a gift” by about{' '}
        {Math.max(0.1, forecast.errors.stillAGift.p50).toFixed(1)} day. Model {forecast.modelVersion}; its
        figures are estimates.
      </p>
    </Unfolds>
  );
}
