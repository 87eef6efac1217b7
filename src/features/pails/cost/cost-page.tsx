import { moneyWords } from '@/core/opening/currency';
import { Group, SimpleGrid, Stack } from '@mantine/core';
import { PlainTable } from '@/shell/plain-table';
import type { ReactNode } from 'react';
import { waterLosses, type Loss, type LossOf, type WaterLosses } from '@/core/hygiene/water-losses';
import type { MoreCare, WaterCause } from '@/core/hygiene/water-worth';
import { localeOf } from '@/core/words/catalogues';
import { mayManage } from '@/core/actions/contract';
import { manyPails } from '@/data/pails';
import { areLossesByPerson } from '@/data/shops';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { COST_WEEKS, stemsAsStood, readWaterAsStood } from '@/server/water-costs';
import { ShopLink as Link } from '@/shell/shop-link';
import { ByPerson } from './by-person';
import { CauseMark, WeekChart } from './week-chart';

const MOST_ROWS = 8;
const SUM = { textAlign: 'right', whiteSpace: 'nowrap' } as const;
const CAUSE_WORDS: Readonly<Record<WaterCause, string>> = {
  'pail not sanitised': 'in pails that were not sanitised',
  'water stood too long': 'in water that stood too long',
};
const CARE_WORDS: Readonly<Record<MoreCare, string>> = {
  'a change every day': 'Fresh water every day in every pail',
  'food in every pail': 'Food wherever there was plain water',
  'every pail scrubbed': 'Every pail scrubbed and sanitised before it is filled',
};

/** Its money; nothing where there is no price. */
type Money = (loss: Loss) => string;
const stemDays = ({ stemDays: days }: Loss): string =>
  days < 0.05 ? 'nothing' : `${days < 9.5 ? days.toFixed(1) : Math.round(days)} stem-days`;

interface LossTableProps<K> {
  readonly title: string;
  readonly rows: readonly LossOf<K>[];
  readonly money: Money;
  readonly name: (of: K) => ReactNode;
}

function LossTable<K>({ title, rows, money, name }: LossTableProps<K>) {
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      {rows.length === 0 ? (
        <p className="soft">None.</p>
      ) : (
        <PlainTable aria-label={title}>
          <tbody>
            {rows.slice(0, MOST_ROWS).map((row, i) => (
              <tr key={i}>
                <td>{name(row.of)}</td>
                <td style={SUM}>{stemDays(row)}</td>
                <td style={SUM}>{money(row)}</td>
              </tr>
            ))}
          </tbody>
        </PlainTable>
      )}
    </section>
  );
}

function Lead({ losses, money }: { losses: WaterLosses; money: Money }) {
  if (losses.total.stemDays < 0.05)
    return (
      <p className="serif prose">
        Pails and their water cost nothing that the model can tell in the last {COST_WEEKS} weeks:{' '}
        {losses.lots} lots, {losses.stems} stems.
      </p>
    );
  const say = (loss: Loss): string => [stemDays(loss), money(loss)].filter(Boolean).join(', ');
  return (
    <>
      <p className="serif prose">
        In the last {COST_WEEKS} weeks pails and their water cost about {say(losses.total)} of {losses.stems}{' '}
        stems.
      </p>
      <Group gap="1.5rem">
        {losses.byCause
          .filter((c) => c.stemDays >= 0.05)
          .map((c) => (
            <Group key={c.of} gap="0.5rem" wrap="nowrap">
              <CauseMark cause={c.of} />
              <span>
                {say(c)} {CAUSE_WORDS[c.of]}
              </span>
            </Group>
          ))}
      </Group>
    </>
  );
}

/** What pails and water cost in days of flower life, by week, pail and lot, and what more care would have brought. */
export async function CostPage() {
  const { from, read, me, at, pails, isByPerson } = await inMyShop(async (from, me, at) => {
    const isByPerson = await once(from, areLossesByPerson);
    const read = await from.made('water as it stood', [isByPerson], at, async () =>
      readWaterAsStood(await from.trx(), at, isByPerson),
    );
    return { from, read, pails: await once(from, manyPails), me, at, isByPerson };
  });
  const losses = await from.made('water losses', [isByPerson, me.language], at, async () =>
    waterLosses(await stemsAsStood(read, me), at.getTime(), COST_WEEKS),
  );
  const currency = read.portions.find((p) => p.currency !== null)?.currency ?? me.shop.currency;
  const money: Money = (loss) => (loss.money < 0.005 ? '' : moneyWords(loss.money, currency));
  const idOf = new Map(pails.map((p) => [p.name, p.id]));
  return (
    <Stack component="section" gap="1.25rem">
      <p>
        <Link href="/pails">Back to the pails</Link>
      </p>
      <h1>What water cost</h1>
      <Lead losses={losses} money={money} />
      <SimpleGrid cols={{ base: 1, md: 2 }} spacing="2.5rem" verticalSpacing="1.25rem">
        <WeekChart weeks={losses.byWeek} timeZone={me.shop.timeZone} locale={localeOf(me.language)} />
        <LossTable
          title="What more would have brought"
          rows={losses.gains}
          money={money}
          name={(care) => CARE_WORDS[care]}
        />
        <LossTable
          title="The dearest pails"
          rows={losses.byPail}
          money={money}
          name={(pail) =>
            idOf.has(pail) ? <Link href={`/pails/${idOf.get(pail)}`}>Pail {pail}</Link> : `Pail ${pail}`
          }
        />
        <LossTable
          title="The dearest lots"
          rows={losses.byLot}
          money={money}
          name={({ lotId, lotNumber, product }) => (
            <Link href={`/dock?lot=${lotId}`}>
              {product}, lot {lotNumber}
            </Link>
          )}
        />
        {isByPerson && (
          <LossTable
            title="Filled unsanitised, by person"
            rows={losses.byPerson}
            money={money}
            name={(person) => person}
          />
        )}
      </SimpleGrid>
      {mayManage(me.role) && <ByPerson isTold={isByPerson} />}
      <p className="soft">
        Each lot is forecast twice with the same stems in the same luck: as it stood here, and in sanitised
        pails changed when they were due, each time at a usual customer’s. What differs is the water’s doing;
        money is the price of a stem for its usual days. An estimate, as the forecasts are; stems that were
        binned are not in it.
        {losses.somePriceless && ' Stems without a price count as none in the money.'}
        {!read.isAll && ' Only the newest lots are counted: there were too many.'}
      </p>
    </Stack>
  );
}
