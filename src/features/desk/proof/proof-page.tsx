import { formatDate } from '@/core/calendar/format-date';
import { GAPS, type Proof } from '@/core/sanitising/proof';
import { inZone } from '@/server/clock';
import { inMyShop } from '@/server/session';
import { Feedback } from '@/shell/feedback';
import { DeskTabs } from '../desk-tabs';
import { hygieneProof } from './hygiene-proof';
import { periodOf } from './period';
import { PeriodForm } from './period-form';
import { ProofTable } from './proof-table';

/** Some screens; whoever wants it whole takes it as a file. */
const MOST_SHOWN = 60;

/** What the page shows of a proof: no more than that is kept, for whatever periods are asked for. */
const shownOf = ({ rows, gaps }: Proof) => ({
  gaps,
  lines: rows.length,
  washed: rows.filter((r) => r.what === 'sanitised').length,
  changed: rows.filter((r) => r.what === 'changed').length,
  last: rows.slice(-MOST_SHOWN).reverse(),
});

/** Sanitising, changes and readings of a period, as an inspector or a chain's auditor wants them. */
export async function ProofPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const { proof, period, timeZone } = await inMyShop(async (from, me, at) => {
    const { timeZone } = me.shop;
    const period = periodOf(search, inZone(at, timeZone).date);
    return {
      period,
      timeZone,
      proof: await from.made('proof', [period, me.language], at, async () => {
        const of = { timeZone, species: me.species, language: me.language };
        return shownOf(await hygieneProof(await from.trx(), period, of, at));
      }),
    };
  });
  const missing = GAPS.filter((gap) => proof.gaps[gap] > 0);
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk" />
      <h1>Pails, proved</h1>
      <p className="soft">
        What was sanitised, filled, changed and looked at in a period, by whom, and what is missing in it.
      </p>
      <PeriodForm key={`${period.from} ${period.to}`} period={period} />
      <p>
        <strong>{proof.washed}</strong> sanitised, <strong>{proof.changed}</strong> changes of water,{' '}
        <strong>{proof.lines}</strong> lines in all.
      </p>
      {missing.length > 0 && (
        <Feedback isNote>Gaps: {missing.map((gap) => `${gap} (${proof.gaps[gap]})`).join(', ')}.</Feedback>
      )}
      <ProofTable
        period={period}
        hasMore={proof.lines > MOST_SHOWN}
        rows={proof.last.map((r, i) => ({
          id: String(i),
          when: formatDate(r.at, timeZone, 'day and clock'),
          pail: r.pail,
          what: r.what,
          who: r.who,
          how: [
            r.how,
            r.minutes === null ? '' : `${r.minutes} min`,
            r.hours === null ? '' : `stood ${r.hours} h`,
          ]
            .filter(Boolean)
            .join(', '),
          gap: r.gap,
        }))}
      />
    </section>
  );
}
