import { area, line } from 'd3-shape';
import { HOUR_MS } from '@/core/calendar/spans';
import { formatDate } from '@/core/calendar/format-date';
import { DUE_FOR_CHANGE_LOG10 } from '@/core/water/vessel-water';
import { linear } from '@/drawing/linear';
import css from '../cost/cost.module.css';
import type { PailHistory } from './history';

const [W, H, LEFT, RIGHT, TOP, BOTTOM] = [480, 178, 62, 474, 10, 134];
const [LEAST, MOST] = [3, 8.5];
const TICKS = 4;

interface Props {
  readonly history: PailHistory;
  readonly now: number;
  readonly timeZone: string;
  readonly locale: string;
}

/** A pail's predicted count over the weeks: a line for each water it held, and where it was washed and looked at. */
export function CountChart({ history: { fills, done, from }, now, timeZone, locale }: Props) {
  const x = linear([from, now], [LEFT, RIGHT]);
  const y = linear([LEAST, MOST], [BOTTOM, TOP]);
  const inside = (log10: number): number => y(Math.min(MOST, Math.max(LEAST, log10)));
  const days = Array.from({ length: TICKS }, (_, i) => from + ((now - from) * i) / (TICKS - 1));
  // A pail is out of the solution minutes after it went in: one mark tells both.
  const marks = done.filter((d) => d.what !== 'into the solution');
  const over = fills.filter((f) => f.course.some((c) => c.p50 >= DUE_FOR_CHANGE_LOG10)).length;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className={css.chart}
      role="img"
      aria-label={`Predicted count of bacteria in its ${fills.length} waters, each from its fill on; ${over} of them passed the limit for a change`}
    >
      {fills.map((fill) => {
        const at = (hour: number): number => Math.max(LEFT, x(fill.filledAt + hour * HOUR_MS));
        const shown = fill.course.filter((c) => fill.filledAt + c.atHour * HOUR_MS >= from);
        type Point = (typeof shown)[number];
        const band = area<Point>()
          .x((c) => at(c.atHour))
          .y0((c) => inside(c.p10))
          .y1((c) => inside(c.p90))(shown);
        const middle = line<Point>()
          .x((c) => at(c.atHour))
          .y((c) => inside(c.p50))(shown);
        return (
          <g key={fill.id}>
            <path d={band ?? ''} fill="var(--water)" />
            <path
              d={middle ?? ''}
              fill="none"
              stroke={fill.isClean ? 'var(--blue)' : 'var(--rust)'}
              strokeWidth={2.5}
            />
          </g>
        );
      })}
      <line
        x1={LEFT}
        x2={RIGHT}
        y1={y(DUE_FOR_CHANGE_LOG10)}
        y2={y(DUE_FOR_CHANGE_LOG10)}
        stroke="var(--rust)"
        strokeDasharray="6 4"
      />
      <text x={0} y={y(DUE_FOR_CHANGE_LOG10) + 4} className="axis">
        change
      </text>
      <text x={0} y={BOTTOM} className="axis">
        clean
      </text>
      <line x1={LEFT} x2={RIGHT} y1={BOTTOM + 6} y2={BOTTOM + 6} stroke="var(--ink-soft)" />
      {marks.map((d) => (
        <circle
          key={`${d.at} ${d.what}`}
          cx={x(d.at)}
          cy={BOTTOM + 6}
          r={4}
          fill={d.what === 'sanitised' ? 'var(--green)' : 'var(--paper)'}
          stroke="var(--ink)"
        />
      ))}
      {days.map((day, i) => (
        <text
          key={day}
          x={x(day)}
          y={BOTTOM + 32}
          textAnchor={i === TICKS - 1 ? 'end' : i === 0 ? 'start' : 'middle'}
          className="axis"
        >
          {formatDate(day, timeZone, 'day', locale)}
        </text>
      ))}
    </svg>
  );
}
