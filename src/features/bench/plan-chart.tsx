import { MINUTE_MS } from '@/core/calendar/spans';
import { formatDate } from '@/core/calendar/format-date';
import { ShopLink as Link } from '@/shell/shop-link';
import { LinkButton } from '@/shell/link-button';
import { scaleLinear } from 'd3-scale';
import type { BenchPlan, PlannedWork } from '@/core/bench/tell';
import type { LanguageTag } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import { PlanTable } from './plan-table';
import type { Floor } from './floor';

const WIDTH = 900;
const LEFT = 92;
const ROW = 46;
const PAIL_ROW = 28;
const TOP = 34;
const BAR = 26;
/** Words on a bar. */
const PLAIN = { fill: 'var(--ink)' };
const LATE = { fill: 'var(--rust)', fontWeight: 700 };

interface Row {
  readonly name: string;
  readonly height: number;
  readonly work: readonly PlannedWork[];
}

function rowsOf(plan: BenchPlan): Row[] {
  const hands = [...new Set(plan.assignment.map((w) => w.hands))];
  return [
    ...hands.map((name) => ({ name, height: ROW, work: plan.assignment.filter((w) => w.hands === name) })),
    ...(plan.kettleOnMin === null
      ? []
      : [{ name: 'Kettle', height: ROW, work: plan.assignment.filter((w) => w.kettle) }]),
  ];
}

const clockOf =
  (madeAt: Date, timeZone: string) =>
  (min: number): string =>
    formatDate(madeAt.getTime() + min * MINUTE_MS, timeZone, 'clock');

function Bars({
  row,
  y,
  x,
  lotName,
  language,
}: {
  row: Row;
  language: LanguageTag;
  y: number;
  x: (min: number) => number;
  lotName: (id: string) => string;
}) {
  return (
    <>
      {row.work.map((w) => {
        const [from, to] = [x(w.fromMin), Math.max(x(w.fromMin) + 3, x(w.toMin))];
        const words = lotName(w.lot);
        return (
          <g key={`${w.lot} ${w.fromMin}`}>
            <title>{`${words}: ${w.steps.map((s) => say(s, language)).join(', ')}`}</title>
            {w.slackMin > 0.5 && (
              <path
                d={`M${to} ${y + BAR / 2} H${x(w.toMin + w.slackMin)}`}
                stroke="var(--ink-soft)"
                strokeWidth={1.5}
                strokeDasharray="2 4"
              />
            )}
            <rect
              x={from}
              y={y}
              width={to - from}
              height={BAR}
              rx={5}
              fill="var(--wash)"
              stroke={w.kettle ? 'var(--rust)' : 'var(--ink)'}
              strokeWidth={w.kettle ? 2.5 : 1.5}
            />
            {to - from > 26 && (
              <text x={from + 5} y={y + 18} className="axis" style={PLAIN}>
                {to - from > words.length * 7.2 ? words : words.split(' ').at(-1)}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
}

/** The pails under the hands: from when each holds what, and whether that is late. */
function PailRows({
  plan,
  pails,
  top,
  x,
  lotName,
}: {
  plan: BenchPlan;
  pails: readonly string[];
  top: number;
  x: (min: number) => number;
  lotName: (id: string) => string;
}) {
  return (
    <>
      <text x={0} y={top - 8} fontWeight={650} fill="var(--ink)">
        Pails
      </text>
      {pails.map((pail, i) => {
        const y = top + i * PAIL_ROW;
        const inIt = plan.pails.filter((p) => p.pail === pail);
        const from = Math.min(...inIt.map((p) => plan.lots.find((l) => l.lot === p.lot)?.wetAtMin ?? 0));
        const isLate = inIt.some((p) => (plan.lots.find((l) => l.lot === p.lot)?.lateMin ?? 0) > 0);
        const words = inIt.map((p) => `${lotName(p.lot)}, ${p.stems}`).join('; ');
        const isTight = WIDTH - x(from) < words.length * 7 + 20;
        return (
          <g key={pail}>
            <text x={34} y={y + 15} className="axis">
              {pail}
            </text>
            <rect
              x={x(from)}
              y={y + 2}
              width={Math.max(4, WIDTH - 20 - x(from))}
              height={16}
              rx={4}
              fill="var(--water)"
            />
            <text
              x={isTight ? x(from) - 8 : x(from) + 8}
              y={y + 15}
              textAnchor={isTight ? 'end' : 'start'}
              className="axis"
              style={isLate ? LATE : PLAIN}
            >
              {words}
              {isLate ? ', late' : ''}
            </text>
          </g>
        );
      })}
    </>
  );
}

/** People, kettle and pails over time. */
function Drawing({
  plan,
  madeAt,
  at,
  language,
  lotName,
  clock,
}: {
  plan: BenchPlan;
  madeAt: Date;
  at: Date;
  language: LanguageTag;
  lotName: (id: string) => string;
  clock: (min: number) => string;
}) {
  const rows = rowsOf(plan);
  const pails = [...new Set(plan.pails.map((p) => p.pail))];
  const end = Math.max(...plan.assignment.map((w) => w.toMin), plan.objective.finishMin, 10);
  const x = scaleLinear([0, end], [LEFT, WIDTH - 20]).nice();
  const tops = rows.map((_, i) => TOP + i * ROW);
  const pailTop = TOP + rows.length * ROW + 26;
  const height = pailTop + pails.length * PAIL_ROW + 14;
  const nowMin = (at.getTime() - madeAt.getTime()) / 60_000;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      width="100%"
      style={{ minWidth: 620 }}
      role="img"
      aria-label="People, kettle and pails over time; the table below says the same"
    >
      {x.ticks(8).map((min) => (
        <g key={min}>
          <path d={`M${x(min)} ${TOP - 8} V${height - 6}`} stroke="var(--line)" />
          <text x={x(min)} y={TOP - 14} textAnchor="middle" className="axis">
            {clock(min)}
          </text>
        </g>
      ))}
      {rows.map((row, i) => (
        <g key={row.name}>
          <text x={0} y={(tops[i] ?? 0) + 18} fontWeight={650} fill="var(--ink)">
            {row.name}
          </text>
          {row.name === 'Kettle' && plan.kettleOnMin !== null && (
            <path
              d={`M${x(plan.kettleOnMin)} ${(tops[i] ?? 0) + BAR / 2} H${x(row.work[0]?.fromMin ?? 0)}`}
              stroke="var(--rust)"
              strokeWidth={3}
              strokeDasharray="1 7"
              strokeLinecap="round"
            />
          )}
          <Bars language={language} row={row} y={tops[i] ?? 0} x={x} lotName={lotName} />
        </g>
      ))}
      <PailRows plan={plan} pails={pails} top={pailTop} x={x} lotName={lotName} />
      {nowMin >= 0 && nowMin <= end && (
        <path d={`M${x(nowMin)} ${TOP - 8} V${height - 6}`} stroke="var(--green)" strokeWidth={3} />
      )}
    </svg>
  );
}

/** The plan over time for whoever studies it: people, kettle and pails, with what may slip and what comes late. */
export function PlanChart({
  floor,
  at,
  timeZone,
  language,
}: {
  floor: Floor;
  at: Date;
  timeZone: string;
  language: LanguageTag;
}) {
  const { plan, planMadeAt } = floor;
  if (!plan || !planMadeAt || plan.assignment.length === 0)
    return (
      <section>
        <h1>No plan stands</h1>
        <p style={{ margin: '14px 0 24px' }}>It is made at the bench, as soon as a lot waits there.</p>
        <LinkButton href="/bench">To the bench</LinkButton>
      </section>
    );
  const lotName = (id: string): string => {
    const found = floor.lots.find((l) => l.lot.id === id)?.lot;
    return found ? `${speciesName(floor.species.byKey(found.speciesKey), language)} ${found.number}` : 'done';
  };
  const clock = clockOf(planMadeAt, timeZone);
  return (
    <section>
      <h1>The plan of the morning</h1>
      <p className="soft" style={{ margin: '10px 0 16px' }}>
        {Math.round(plan.objective.stemDays)} stem-days are lost in it,{' '}
        {Math.round(plan.firstComeFirstServed.stemDays)} as they came; no plan loses fewer than{' '}
        {Math.round(plan.bound.stemDays)}. A thin line is how far a piece of work may slip before another
        does. <Link href="/bench">To the bench</Link>
      </p>
      <div className="scrolls" role="region" aria-label="The chart" tabIndex={0}>
        <Drawing
          plan={plan}
          madeAt={planMadeAt}
          at={at}
          language={language}
          lotName={lotName}
          clock={clock}
        />
      </div>
      <div className="scrolls" role="region" aria-label="The plan as a table" tabIndex={0}>
        <PlanTable language={language} plan={plan} lotName={lotName} clock={clock} />
      </div>
    </section>
  );
}
