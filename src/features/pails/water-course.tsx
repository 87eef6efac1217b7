import { area, curveMonotoneX, line } from 'd3-shape';
import { linear } from '@/drawing/linear';
import { DUE_FOR_CHANGE_LOG10 } from '@/core/water/vessel-water';
import type { CoursePoint } from './pail-view';

const [W, H, LEFT, RIGHT, TOP, BOTTOM] = [300, 132, 8, 292, 18, 104];
const [LEAST, MOST] = [2.5, 8.5];

interface Props {
  readonly course: readonly CoursePoint[];
  /** Hours since it was filled. */
  readonly nowHour: number;
}

/** The count from the fill on as a line with its band, and where it is to be changed. */
export function WaterCourse({ course, nowHour }: Props) {
  const last = course.at(-1)?.[0] ?? 1;
  const x = linear([0, last], [LEFT, RIGHT]);
  const y = linear([LEAST, MOST], [BOTTOM, TOP]);
  const band = area<CoursePoint>()
    .x(([atHour]) => x(atHour))
    .y0(([, p10]) => y(Math.max(LEAST, p10)))
    .y1(([, , , p90]) => y(Math.min(MOST, p90)))
    .curve(curveMonotoneX)(course);
  const middle = line<CoursePoint>()
    .x(([atHour]) => x(atHour))
    .y(([, , p50]) => y(Math.max(LEAST, p50)))
    .curve(curveMonotoneX)(course);
  const limit = y(DUE_FOR_CHANGE_LOG10);
  const now = x(Math.min(last, nowHour));
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label="Predicted count of bacteria from the fill to four days ahead, with its band and the limit for a change"
    >
      <path d={band ?? ''} fill="var(--water)" />
      <path d={middle ?? ''} fill="none" stroke="var(--blue)" strokeWidth={2} />
      <line x1={LEFT} x2={RIGHT} y1={limit} y2={limit} stroke="var(--rust)" strokeDasharray="6 4" />
      <text x={LEFT} y={limit - 4} className="axis">
        change
      </text>
      <line x1={now} x2={now} y1={TOP} y2={BOTTOM} stroke="var(--ink)" />
      <text x={LEFT} y={H - 10} className="axis">
        filled
      </text>
      <text x={Math.min(RIGHT - 60, Math.max(LEFT + 48, now))} y={TOP - 5} className="axis">
        now
      </text>
      <text x={RIGHT} y={H - 10} textAnchor="end" className="axis">
        in 4 days
      </text>
    </svg>
  );
}
