'use client';
import { Progress, Stack, VisuallyHidden } from '@mantine/core';
import type { DayCosts, HabitWorth } from '@/core/habits/what-a-day-costs';
import { tenths } from '@/core/numbers/tenths';
import { gainInWords } from './days';

/** Under this a habit is not worth a line: nobody sees an hour. */
const WORTH_TELLING_DAYS = 0.1;
const SHOWN = 6;

function Bar({ worth, most }: { worth: HabitWorth; most: number }) {
  const share = (days: number): number => Math.max(0, Math.min(100, (days / most) * 100));
  const { low, high } = worth.interval;
  return (
    <svg className="whole" width="100%" height={14} aria-hidden="true">
      <rect width={`${share(worth.medianGainDays)}%`} height={14} rx={2} fill="var(--blue)" />
      <rect
        x={`${share(low)}%`}
        y={5}
        width={`${Math.max(0.5, share(high) - share(low))}%`}
        height={4}
        fill="var(--ink)"
        stroke="var(--paper)"
        strokeWidth={1.5}
      />
    </svg>
  );
}

/** The two that matter most, together: their sum is of the figures in the list, to a tenth as it has them. */
function together({ habits, interaction }: DayCosts): string | null {
  if (!interaction) return null;
  const [first, second] = interaction.habits.map((key) => habits.find((h) => h.habit === key));
  if (!first || !second || first.isPastHorizon || second.isPastHorizon) return null;
  const both = tenths(interaction.bothDays);
  const more = tenths(both - tenths(first.medianGainDays) - tenths(second.medianGainDays));
  if (Math.abs(more) < 0.3) return null;
  const name = `${first.name} and ${second.name.toLowerCase()}`;
  return `${name} together: ${both.toFixed(1)} days, ${Math.abs(more).toFixed(1)} ${more < 0 ? 'fewer' : 'more'} than the two one by one.`;
}

/** What each habit buys this vase, largest first; the interval of each is the thin line over its bar. */
export function HabitRanking({ costs, share }: { costs: DayCosts | null; share: number }) {
  if (!costs)
    return (
      <Stack gap="0.625rem">
        <h3>What each habit buys this vase</h3>
        <p className="soft" role="status">
          Trying each with and without …
        </p>
        <Progress value={100 * share} aria-label="Habits tried" />
      </Stack>
    );
  const telling = costs.habits.filter((h) => h.medianGainDays >= WORTH_TELLING_DAYS);
  const rest = costs.habits.filter((h) => !telling.includes(h));
  const most = Math.max(1, ...telling.map((h) => h.interval.high));
  const pair = together(costs);
  return (
    <Stack gap="0.625rem">
      <h3>What each habit buys this vase</h3>
      <ul className="bare stack">
        {telling.slice(0, SHOWN).map((h) => (
          <li key={h.habit} className="line">
            <span>
              {h.name}
              <span className="says">
                {h.withIt}
                <VisuallyHidden>, not {h.without}</VisuallyHidden>
              </span>
            </span>
            <strong>
              {h.isPastHorizon && 'over '}
              {gainInWords(h.medianGainDays)}
              <VisuallyHidden>
                , {h.interval.low.toFixed(1)} to {h.interval.high.toFixed(1)}
              </VisuallyHidden>
            </strong>
            <Bar worth={h} most={most} />
          </li>
        ))}
      </ul>
      {pair && <p>{pair}</p>}
      {rest.length > 0 && (
        <p className="soft">Little or nothing here: {rest.map((h) => h.name.toLowerCase()).join(', ')}.</p>
      )}
    </Stack>
  );
}
