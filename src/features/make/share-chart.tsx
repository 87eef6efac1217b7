'use client';
import { area, curveMonotoneX, line } from 'd3-shape';
import { linear } from '@/drawing/linear';
import type { ArrangementForecast, LineForecast } from '@/core/arrangement/types';
import { weekdayOf } from './days';

const W = 520;
const H = 214;
const LEFT = 8;
const RIGHT = W - 8;
const BOTTOM = 186;
const TOP = 24;

interface Named {
  readonly name: string;
  readonly forecast: LineForecast;
  readonly isLimiting: boolean;
}

/** Day, a fraction too, on which a share falls through a level; the last day when it never does. */
function dayBelow(share: readonly number[], level: number, lastDay: number): number {
  const after = share.findIndex((s) => s < level);
  if (after <= 0) return after < 0 ? lastDay : 0;
  const [high, low] = [share[after - 1] ?? 1, share[after] ?? 0];
  return Math.min(lastDay, after - 1 + (high - level) / Math.max(1e-9, high - low));
}

/** The limiting line and the one that lasts longest carry their names; the rest are in the table. */
function labelled(lines: readonly Named[]): Named[] {
  const longest = [...lines].sort((a, b) => b.forecast.daysLeft.p50 - a.forecast.daysLeft.p50)[0];
  return lines.filter((l) => l.isLimiting || l === longest);
}

type Scale = (n: number) => number;

/** The names of lines, each where its share is low enough to leave room. */
function Labels({ lines, x, y, lastDay }: { lines: readonly Named[]; x: Scale; y: Scale; lastDay: number }) {
  return (
    <>
      {lines.map(({ name, forecast: l, isLimiting }, i) => {
        const level = isLimiting ? 0.12 : 0.5;
        const at = x(dayBelow(l.presentableShareByDay, level, lastDay));
        return (
          <text
            key={`${name}${i}`}
            x={isLimiting ? Math.max(LEFT + 60, at - 8) : Math.min(RIGHT - 4, at + 8)}
            y={y(level) + 4}
            textAnchor={isLimiting || at > W * 0.72 ? 'end' : 'start'}
            fontSize={16.5}
            fontWeight={isLimiting ? 650 : 400}
            fill={isLimiting ? 'var(--rust)' : 'var(--ink-soft)'}
            stroke="var(--paper)"
            strokeWidth={4}
            paintOrder="stroke"
          >
            {name.toLowerCase()}
          </text>
        );
      })}
    </>
  );
}

/** The day that is promised. */
function PromiseMark({ days, x }: { days: number; x: Scale }) {
  if (days <= 0) return null;
  return (
    <>
      <path d={`M${x(days)} ${BOTTOM} V12`} stroke="var(--ink)" strokeWidth={2.6} />
      <text x={x(days) + 7} y={15} fontSize={17} fontWeight={650} fill="var(--ink)">
        promise {days}
      </text>
    </>
  );
}

/** Share of the weight presentable over the days, with its band, over each line's own. */
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
  const x = linear([0, lastDay], [LEFT, RIGHT]);
  const y = linear([0, 1], [BOTTOM, TOP]);
  const days = Array.from({ length: lastDay + 1 }, (_, d) => d);
  const shareLine = (share: readonly number[]): string =>
    line<number>()
      .x((d) => x(d))
      .y((d) => y(share[d] ?? 0))
      .curve(curveMonotoneX)(days) ?? '';
  const band = area<number>()
    .x((d) => x(d))
    .y0((d) => y(forecast.presentableBandByDay[d]?.p10 ?? 0))
    .y1((d) => y(forecast.presentableBandByDay[d]?.p90 ?? 0))
    .curve(curveMonotoneX)(days);
  const lines = forecast.lines.map((l, i): Named => ({
    name: names[i] ?? l.species,
    forecast: l,
    isLimiting: i === forecast.limitingLine,
  }));
  const shown = lines.length > 1 ? lines : [];
  const everyDays = lastDay > 16 ? 4 : 2;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`Share presentable by day; the promise stands at day ${forecast.promiseDays}. The same stands as a table below.`}
    >
      <path d={band ?? ''} fill="var(--green)" fillOpacity={0.2} />
      <path
        d={`M${LEFT} ${y(0.75)} H${RIGHT}`}
        stroke="var(--ink-soft)"
        strokeDasharray="2 5"
        strokeWidth={1.6}
      />
      <text x={RIGHT} y={y(0.75) - 6} textAnchor="end" fontSize={16.5} fill="var(--ink-soft)">
        still a gift
      </text>
      {shown.map(({ name, forecast: l, isLimiting }, i) => (
        <path
          key={`${name}${i}`}
          d={shareLine(l.presentableShareByDay)}
          fill="none"
          stroke={isLimiting ? 'var(--rust)' : 'var(--ink-soft)'}
          strokeWidth={isLimiting ? 2.6 : 1.3}
          strokeDasharray={isLimiting ? '7 5' : undefined}
        />
      ))}
      <path d={shareLine(forecast.presentableShareByDay)} fill="none" stroke="var(--green)" strokeWidth={4} />
      <Labels lines={labelled(shown)} x={x} y={y} lastDay={lastDay} />
      <path d={`M${LEFT} ${BOTTOM} H${RIGHT}`} stroke="var(--ink)" strokeWidth={1.6} />
      <PromiseMark days={forecast.promiseDays} x={x} />
      {days
        .filter((d) => d % everyDays === 0 && d < lastDay)
        .map((d) => (
          <text
            key={d}
            x={x(d)}
            y={BOTTOM + 20}
            fontSize={16.5}
            textAnchor={d === 0 ? 'start' : 'middle'}
            fill="var(--ink-soft)"
          >
            {d === 0 ? 'today' : weekdayOf(now, d)}
          </text>
        ))}
    </svg>
  );
}
