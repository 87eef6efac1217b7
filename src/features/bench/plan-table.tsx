import { PlainTable } from '@/shell/plain-table';
import type { BenchPlan } from '@/core/bench/tell';
import type { LanguageTag } from '@/core/words/catalogues';
import { say } from '@/core/words/say';

/** When a lot comes into water, and how late that is. */
function WetCell({
  wet,
  clock,
}: {
  wet: BenchPlan['lots'][number] | undefined;
  clock: (min: number) => string;
}) {
  if (!wet) return <td />;
  const isLate = wet.lateMin > 0;
  return (
    <td className={isLate ? 'late' : undefined}>
      {wet.wetAtMin === null ? 'no pail' : clock(wet.wetAtMin)}
      {isLate && `, ${Math.round(wet.lateMin)} min late`}
    </td>
  );
}

/** The plan row by row: the same as its chart, for whoever reads. */
export function PlanTable({
  plan,
  lotName,
  clock,
  language,
}: {
  plan: BenchPlan;
  language: LanguageTag;
  lotName: (id: string) => string;
  clock: (min: number) => string;
}) {
  return (
    <PlainTable mt="md">
      <caption>Who, what and when, with the room each has</caption>
      <thead>
        <tr>
          <th scope="col">From</th>
          <th scope="col">Hands</th>
          <th scope="col">Lot</th>
          <th scope="col">Work</th>
          <th scope="col">May slip</th>
          <th scope="col">In water</th>
          <th scope="col">Pail</th>
          <th scope="col">Then to</th>
        </tr>
      </thead>
      <tbody>
        {plan.assignment.map((w) => {
          const pails = plan.pails.filter((p) => p.lot === w.lot);
          return (
            <tr key={`${w.lot} ${w.fromMin}`}>
              <td>{clock(w.fromMin)}</td>
              <td>{w.hands}</td>
              <th scope="row">{lotName(w.lot)}</th>
              <td>
                {say(w.steps[0] ?? '', language)}
                {w.steps.length > 1 && ` … ${w.steps.length} steps`},{' '}
                {Math.max(1, Math.round(w.toMin - w.fromMin))} min
              </td>
              <td>{w.slackMin < 1 ? 'no' : `${Math.round(w.slackMin)} min`}</td>
              <WetCell wet={plan.lots.find((l) => l.lot === w.lot)} clock={clock} />
              <td>{pails.length > 0 ? pails.map((p) => p.pail).join(', ') : 'none free'}</td>
              <td>{plan.rooms.find((r) => r.lot === w.lot)?.room ?? ''}</td>
            </tr>
          );
        })}
      </tbody>
    </PlainTable>
  );
}
