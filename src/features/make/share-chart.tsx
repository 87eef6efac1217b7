'use client';
import { scaleLinear } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';
import type { ArrangementForecast } from '@/core/arrangement/types';

const W = 520;
const H = 200;
const LEFT = 8;
const BOTTOM = 172;

/** Share of the weight presentable over the days, with its band; the line that ends first dashed beneath. */
export function ShareChart({
  forecast,
  names,
  now,
}: {
  forecast: ArrangementForecast;
  names: readonly string[];
  now: number;
}) {
  const lastDay = Math.min(forecast.horizonDays, Math.max(8, Math.ceil(forecast.lastStand.p90) + 3));
  const x = scaleLinear([0, lastDay], [LEFT, W - 8]);
  const y = scaleLinear([0, 1], [BOTTOM, 22]);
  const days = Array.from({ length: lastDay + 1 }, (_, d) => d);
  const shareLine = line<number>()
    .x((d) => x(d))
    .curve(curveMonotoneX);
  const whole = shareLine.y((d) => y(forecast.presentableShareByDay[d] ?? 0))(days);
  const band = area<number>()
    .x((d) => x(d))
    .y0((d) => y(forecast.presentableBandByDay[d]?.p10 ?? 0))
    .y1((d) => y(forecast.presentableBandByDay[d]?.p90 ?? 0))
    .curve(curveMonotoneX)(days);
  const limiting = forecast.lines[forecast.limitingLine];
  const worst =
    limiting && names.length > 1 ? shareLine.y((d) => y(limiting.presentableShareByDay[d] ?? 0))(days) : null;
  const everyDays = lastDay > 16 ? 4 : 2;
  const weekday = (day: number): string =>
    new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' }).format(now + day * 86_400_000);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`Share presentable by day; the promise stands at day ${forecast.promiseDays}`}
    >
      <path d={band ?? ''} fill="var(--green)" fillOpacity={0.2} />
      <path
        d={`M${LEFT} ${y(0.75)} H${W - 8}`}
        stroke="var(--ink-soft)"
        strokeDasharray="2 5"
        strokeWidth={1.6}
      />
      <text x={W - 10} y={y(0.75) - 6} textAnchor="end" fontSize={15} fill="var(--ink-soft)">
        still a gift
      </text>
      {worst && <path d={worst} fill="none" stroke="var(--rust)" strokeWidth={2.4} strokeDasharray="7 5" />}
      <path d={whole ?? ''} fill="none" stroke="var(--green)" strokeWidth={4} />
      <path d={`M${LEFT} ${BOTTOM} H${W - 8}`} stroke="var(--ink)" strokeWidth={1.6} />
      {forecast.promiseDays > 0 && (
        <>
          <path d={`M${x(forecast.promiseDays)} ${BOTTOM} V14`} stroke="var(--ink)" strokeWidth={2.6} />
          <text x={x(forecast.promiseDays) + 7} y={16} fontSize={16} fontWeight={650} fill="var(--ink)">
            promise {forecast.promiseDays}
          </text>
        </>
      )}
      {days
        .filter((d) => d % everyDays === 0 && d < lastDay)
        .map((d) => (
          <text
            key={d}
            x={x(d)}
            y={BOTTOM + 20}
            fontSize={15}
            textAnchor={d === 0 ? 'start' : 'middle'}
            fill="var(--ink-soft)"
          >
            {d === 0 ? 'today' : weekday(d)}
          </text>
        ))}
    </svg>
  );
}
