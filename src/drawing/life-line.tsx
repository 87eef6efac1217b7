import { area, curveMonotoneX } from 'd3-shape';
import { formatDays } from '@/core/vase-life/format-days';
import { linear } from './linear';

export interface LifeScale {
  /** Days before now on the left edge. */
  readonly pastDays: number;
  /** Days after now on the right edge. */
  readonly aheadDays: number;
}

export interface LifeLineProps {
  readonly scale: LifeScale;
  readonly daysSinceCut: number;
  readonly daysSinceArrival: number;
  /** Share presentable on each day from now. */
  readonly shareByDay: readonly number[];
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
  /** What the line says in words. */
  readonly label: string;
}

const W = 400;
const H = 34;
const MID = 15;

/**
 * One horizontal line in days: cut, arrived, now, then a band that thins with the chance of being
 * presentable. Lines of one list share a scale, so that they compare by eye.
 */
export function LifeLine({
  scale,
  daysSinceCut,
  daysSinceArrival,
  shareByDay,
  p10,
  p50,
  p90,
  label,
}: LifeLineProps) {
  const x = linear([-scale.pastDays, scale.aheadDays], [6, W - 6]);
  const band = area<number>()
    .x((_, day) => x(day))
    .y0((share) => MID - share * 8)
    .y1((share) => MID + share * 8)
    .curve(curveMonotoneX);
  const end = shareByDay.findIndex((s) => s <= 0.005);
  const upTo = Math.min(Math.ceil(scale.aheadDays), end < 0 ? shareByDay.length - 1 : end);
  const now = x(0);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={label}
      preserveAspectRatio="none"
      style={{ display: 'block', height: H }}
    >
      <path
        d={`M${x(-daysSinceCut)} ${MID} H${now}`}
        stroke="var(--ink-soft)"
        strokeWidth={3}
        strokeLinecap="round"
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={`M${x(-daysSinceArrival)} ${MID - 7} V${MID + 7}`}
        stroke="var(--ink-soft)"
        strokeWidth={2}
        vectorEffect="non-scaling-stroke"
      />
      <path d={band(shareByDay.slice(0, upTo + 1)) ?? ''} fill="var(--green)" fillOpacity={0.45} />
      <path
        d={`M${now} ${MID} H${x(p10)}`}
        stroke="var(--green)"
        strokeWidth={8}
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={`M${x(p10)} ${MID} H${x(p90)}`}
        stroke="var(--green)"
        strokeWidth={2}
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={`M${x(p50)} ${MID - 9} V${MID + 9}`}
        stroke="var(--ink)"
        strokeWidth={2.5}
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={`M${now} ${MID - 9} V${MID + 9}`}
        stroke="var(--blue)"
        strokeWidth={4}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}

/** The scale's own words, once under a list. */
export function LifeAxis({ scale }: { scale: LifeScale }) {
  const x = linear([-scale.pastDays, scale.aheadDays], [1.5, 98.5]);
  const marks = [-scale.pastDays, 0, ...[5, 10, 15, 20, 25].filter((d) => d < scale.aheadDays - 1)];
  return (
    <div
      aria-hidden="true"
      style={{ position: 'relative', height: 24, fontSize: 15, color: 'var(--ink-soft)' }}
    >
      {marks.map((day, i) => (
        <span
          key={day}
          style={{
            position: 'absolute',
            left: `${x(day)}%`,
            transform: i === 0 ? undefined : 'translateX(-50%)',
            whiteSpace: 'nowrap',
          }}
        >
          {day < 0 ? 'cut' : day === 0 ? 'now' : `${day} d`}
        </span>
      ))}
    </div>
  );
}

/** "5 to 8 days". */
export function daysInWords(band: { p10: number; p90: number }): string {
  const { shape, from, to } = formatDays(band);
  if (shape === 'past') return `more than ${from} days`;
  if (shape === 'long') return `${from} to more than ${to} days`;
  return shape === 'about' ? `about ${from} day${from === 1 ? '' : 's'}` : `${from} to ${to} days`;
}
