import { VisuallyHidden } from '@mantine/core';
import { byWhatGoesFirst } from '@/core/stock/goes-first';
import { localeOf } from '@/core/words/catalogues';
import { m } from '@/core/words/message';
import { say } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import { manyExpected } from '@/data/expected';
import { manyActivePeople } from '@/data/people';
import { inZone } from '@/server/clock';
import { lotLabel } from '@/data/portions';
import { once } from '@/server/once';
import { lotView, readStock, stockNow, type Reader } from '@/server/stock';
import { inMyShop, type SignedIn } from '@/server/session';
import { pageWords, speakerOf } from '@/server/words';
import { PageWordsProvider } from '@/shell/words';
import { tell } from '@/shell/told';
import css from './bench.module.css';
import type { BenchCard } from './bench-card';
import { cardOf } from './cards';
import { ClearBench } from './clear-bench';
import { FLOOR_READS, isAsked, readFloor, type Floor, type FloorLot } from './floor';
import { madeFrom } from './plan-input';
import { PlanStrip } from './plan-strip';
import { Rest, type RestRow } from './rest';
import { StepCard } from './step-card';

const restRow = ({ lot, current }: FloorLot, { language, species }: Reader): RestRow => ({
  id: lot.id,
  name: speciesName(species.byKey(lot.speciesKey), language),
  variety: lot.variety,
  label: lotLabel(lot),
  stems: lot.stemsLeft,
  next:
    current.status === 'running'
      ? say(m('bench.its-clock-runs'), language)
      : say(current.step.title, language).toLowerCase(),
});

/** Lots by what comes of them: what the plan says first, then the dry, the running, the rest. */
function inOrder(lots: readonly FloorLot[], order: readonly string[]): FloorLot[] {
  const at = (l: FloorLot): number => {
    const planned = order.indexOf(l.lot.id);
    if (l.current.status === 'running') return 2e6;
    return planned >= 0 ? planned : 1e6;
  };
  return [...lots].sort((a, b) => at(a) - at(b));
}

/** The card that keys tap: of the lot that was asked for, else of whoever looks, else the first. */
function cardInHand(
  floor: Floor,
  cards: readonly BenchCard[],
  me: SignedIn,
  asked: string | null,
): BenchCard | undefined {
  const wanted = floor.handed.find((h) =>
    floor.lots.some((l) => l.lot.id === h.lot && isAsked(l.lot, asked)),
  )?.lot;
  const isMine = (c: BenchCard): boolean =>
    asked ? c.portionId === wanted : c.hands.personId === me.personId;
  return cards.find(isMine) ?? cards[0];
}

/** A card for each pair of hands that has something in hand. */
const cardsOn = (floor: Floor, me: SignedIn, at: Date): BenchCard[] =>
  floor.handed.flatMap(({ hands, lot, next }) => {
    const hand = floor.hands.find((h) => h.name === hands);
    return hand ? (cardOf(floor, hand, lot, next, me, at) ?? []) : [];
  });

/** Who does what now: a big card a pair of hands, the plan's sum under them, the rest below. */
export async function BenchPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const asked = typeof search.lot === 'string' ? search.lot : null;
  const { floor, cards, people, expected, stock, today, me, at } = await inMyShop(
    async (from, me, at) => {
      const [{ floor, cards }, people] = await Promise.all([
        from.made('bench', [me.personId, me.language, asked], at, async () => {
          const floor = await readFloor(from, me, at, asked);
          return { floor, cards: cardsOn(floor, me, at) };
        }),
        once(from, manyActivePeople),
      ]);
      const { date: today } = inZone(at, me.shop.timeZone);
      const isClear = cards.length === 0;
      const expected = isClear ? await once(from, manyExpected, today) : [];
      const stock = isClear ? await readStock(from, me, at) : null;
      return { floor, cards, people, expected, stock, today, me, at };
    },
    [...FLOOR_READS, manyActivePeople],
  );
  const lots = stock && (await stockNow(stock)).map((s) => lotView(s, at, me)).sort(byWhatGoesFirst);
  const t = speakerOf(me.language);
  const inHand = cardInHand(floor, cards, me, asked);
  const shown = new Set(cards.map((c) => c.portionId));
  const idle = floor.handed.filter((h) => h.lot === null && cards.length > 0).map((h) => h.hands);
  return (
    <PageWordsProvider told={tell(pageWords(['bench', 'food'], me.language))} locale={localeOf(me.language)}>
      {lots ? (
        <ClearBench floor={floor} expected={expected} lots={lots} today={today} me={me} />
      ) : (
        <div className={css.bench}>
          <VisuallyHidden component="h1">Bench</VisuallyHidden>
          {cards.map((card) => (
            <StepCard
              key={card.step.id + card.step.status + card.hands.personId}
              card={card}
              inHand={card === inHand}
              avoidPail={card === inHand ? null : (inHand?.pails[0]?.id ?? null)}
            />
          ))}
        </div>
      )}
      {idle.length > 0 && <p className="soft">{t('bench.nothing-waits-for', { names: idle })}</p>}
      <PlanStrip
        madeFrom={madeFrom(floor.input)}
        version={floor.planVersion}
        plan={floor.plan}
        madeAt={floor.planMadeAt?.getTime() ?? null}
        at={at.getTime()}
        currency={floor.lots.find((l) => l.lot.currency)?.lot.currency ?? me.shop.currency}
        timeZone={me.shop.timeZone}
        people={people.map((p) => ({
          id: p.id,
          name: p.name,
          isHere: floor.hands.some((h) => h.personId === p.id),
        }))}
      />
      <Rest
        told={tell(
          inOrder(
            floor.lots.filter((l) => !shown.has(l.lot.id)),
            floor.plan?.order ?? [],
          ).map((l) => restRow(l, me)),
        )}
      />
    </PageWordsProvider>
  );
}
