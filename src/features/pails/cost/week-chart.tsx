import { scaleBand } from 'd3-scale';
import { formatDate } from '@/core/calendar/format-date';
import type { WaterLosses } from '@/core/hygiene/water-losses';
import { WATER_CAUSES, type WaterCause } from '@/core/hygiene/water-worth';
import { linear } from '@/drawing/linear';
import css from './cost.module.css';

const [W, H, TOP, BOTTOM] = [520, 220, 26, 172];
/** A week that cost less than this is drawn against as much: a stem-day is no mountain. */
const LEAST_TOP = 10;
const INK: Readonly<Record<WaterCause, string>> = {
  'pail not sanitised': 'var(--rust)',
  'water stood too long': 'var(--blue)',
};

interface Props {
  readonly weeks: WaterLosses['byWeek'];
  readonly timeZone: string;
  readonly locale: string;
}

/** Stem-days lost by week, each cause a part of its bar, the last week at the right. */
export function WeekChart({ weeks, timeZone, locale }: Props) {
  const x = scaleBand<number>()
    .domain(weeks.map((w) => w.of))
    .range([0, W])
    .paddingInner(0.32)
    .paddingOuter(0.12);
  const most = Math.max(LEAST_TOP, ...weeks.map((w) => w.stemDays));
  const y = linear([0, most], [BOTTOM, TOP]);
  const said = weeks.map((w) => `${formatDate(w.of, timeZone, 'day', locale)}: ${Math.round(w.stemDays)}`);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className={css.chart}
      role="img"
      aria-label={`Stem-days lost in the week from each day on. ${said.join(', ')}.`}
    >
      <line x1={0} x2={W} y1={BOTTOM} y2={BOTTOM} stroke="var(--ink-soft)" />
      {weeks.map((week) => {
        let foot = 0;
        return (
          <g key={week.of} transform={`translate(${x(week.of) ?? 0} 0)`}>
            {WATER_CAUSES.map((cause) => {
              const from = foot;
              foot += week.byCause[cause];
              return (
                <rect
                  key={cause}
                  width={x.bandwidth()}
                  y={y(foot)}
                  height={Math.max(0, y(from) - y(foot))}
                  fill={INK[cause]}
                />
              );
            })}
            <text
              x={x.bandwidth() / 2}
              y={y(foot) - 6}
              textAnchor="middle"
              className="serif"
              fill="var(--ink)"
            >
              {week.stemDays < 0.5 ? '' : Math.round(week.stemDays)}
            </text>
            <text x={x.bandwidth() / 2} y={BOTTOM + 22} textAnchor="middle" className="axis">
              {formatDate(week.of, timeZone, 'day', locale)}
            </text>
          </g>
        );
      })}
      <text x={0} y={H - 4} className="axis">
        in the week from that day on
      </text>
    </svg>
  );
}

/** What a cause's part of a bar looks like. */
export function CauseMark({ cause }: { cause: WaterCause }) {
  return (
    <svg width="14" height="14" aria-hidden>
      <rect width="14" height="14" fill={INK[cause]} />
    </svg>
  );
}
