import type { SpeciesRegistry } from '@/core/species/registry';
import { HOUR_MS } from '@/core/calendar/spans';
import { hasTrait } from '@/core/species/traits';
import { solutionWords } from '@/core/water/solution-words';
import { solutionOf } from '@/core/water/solutions';
import { localeOf, type LanguageTag } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import { LOOKS } from '@/core/water/count-filter';
import { learntDemand } from '@/core/sanitising/strip';
import { pailWater, type PailWater } from '@/core/water/pail-water';
import type { WaterLimits } from '@/core/protocol/ways';
import { manyWaterLooks, type WaterLook } from '@/data/water-looks';
import { houseOf } from '@/server/house';
import { lotLabel, manyPortionsInStock, type PortionRow } from '@/data/portions';
import { manyExpected } from '@/data/expected';
import { manyPails, type PailRow } from '@/data/pails';
import { manyRooms, type RoomRow } from '@/data/rooms';
import { manyStripMeans, maybeOpenRelay } from '@/data/sanitising';
import { inZone } from '@/server/clock';
import { once } from '@/server/once';
import { foodsOf } from '@/server/foods';
import { sanitiserOf } from '@/server/sanitiser';
import { pageWords } from '@/server/words';
import { tell } from '@/shell/told';
import { PageWordsProvider } from '@/shell/words';
import { inMyShop } from '@/server/session';
import { nextVan } from './next-van';
import { PailRacks } from './pail-racks';
import type { PailView, WaterView } from './pail-view';

/** Air of a room that is not known, °C (estimate). */
const USUAL_C = 18;

/** What a pail's view is made from. */
interface Around {
  readonly lots: readonly PortionRow[];
  readonly looks: readonly WaterLook[];
  readonly room: RoomRow | undefined;
  readonly limits: WaterLimits;
  readonly at: Date;
  readonly species: SpeciesRegistry;
  readonly language: LanguageTag;
}

/** Looks at the water of a fill, in the order they were taken. */
const looksAt = (looks: readonly WaterLook[], fillId: string | null) =>
  looks.flatMap(({ fillId: of, look, at }) => {
    const kind = LOOKS.find((l) => l === look);
    return of === fillId && kind ? [{ kind, at }] : [];
  });

/** The pail's water as it stands by the model and the looks at it; null where it has none. */
function waterNow(pail: PailRow, { lots, looks, room, limits, at, species }: Around): PailWater | null {
  const { filledAt, start, solution, litres, fillId } = pail;
  if (!filledAt || !start || !solution || !litres) return null;
  const hoursAt = (moment: Date): number => (moment.getTime() - filledAt.getTime()) / HOUR_MS;
  return pailWater({
    start,
    litres,
    solution: solutionOf(solution),
    tempC: room?.tempC ?? USUAL_C,
    ageHours: hoursAt(at),
    looks: looksAt(looks, fillId).map(({ kind, at }) => ({ atHour: hoursAt(at), kind })),
    holdsLilies: lots.some((l) => hasTrait(species.byKey(l.speciesKey), 'lily')),
    longestUse: limits,
  });
}

const drawn = (log10: number): number => Math.round(log10 * 100) / 100;
const waterView = ({ looks, dueInHours, because, course }: PailWater): WaterView => ({
  ...{ looks, dueInHours, because },
  course: course.map((c) => [c.atHour, drawn(c.p10), drawn(c.p50), drawn(c.p90)]),
});

const msOf = (at: Date | null): number | null => at?.getTime() ?? null;

const lotIn = (l: PortionRow, { species, language }: Around): PailView['lots'][number] => ({
  id: l.id,
  words: `${speciesName(species.byKey(l.speciesKey), language)}${l.variety ? ` ‘${l.variety}’` : ''}, lot ${lotLabel(l)}, ${l.stemsLeft} stems`,
  colour: l.colour,
  stems: l.stemsLeft,
});

function viewOf(pail: PailRow, around: Around): PailView {
  const { lots } = around;
  const water = waterNow(pail, around);
  return {
    id: pail.id,
    name: pail.name,
    room: around.room?.name ?? '',
    sizeL: pail.sizeL,
    heightCm: pail.heightCm,
    state: pail.state,
    litres: pail.litres ?? 0,
    water: water && waterView(water),
    looked: looksAt(around.looks, pail.fillId).at(-1)?.kind ?? null,
    solution: pail.solution ? say(solutionWords(pail.solution), around.language) : null,
    solutionKey: pail.solution ? solutionOf(pail.solution) : null,
    tempC: pail.fillTempC,
    filledAt: msOf(pail.filledAt),
    sanitisedAt: msOf(pail.sanitisedAt),
    contactUntil: msOf(pail.contactUntil),
    reservedFor: pail.reservedFor,
    lots: lots.map((l) => lotIn(l, around)),
  };
}

/** Which pails are clean, what to wash, what is in them, how old the water is. */
export async function PailsPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const { views, relay, sanitiser, foods, learnt, today, van, language, currency } = await inMyShop(
    async (trx, me, at) => {
      const today = inZone(at, me.shop.timeZone).date;
      const [pails, lots, rooms, looks, { limits }, sanitiser, relay, strips, foods, expected] =
        await Promise.all([
          once(trx, manyPails),
          once(trx, manyPortionsInStock),
          once(trx, manyRooms),
          once(trx, manyWaterLooks),
          houseOf(trx),
          sanitiserOf(trx),
          maybeOpenRelay(trx),
          manyStripMeans(trx),
          foodsOf(trx),
          manyExpected(trx, today),
        ]);
      const views = pails.map((pail) => {
        const standing = lots.filter((l) => l.fillId !== null && l.fillId === pail.fillId);
        const room = rooms.find((r) => r.id === pail.roomId) ?? rooms.find((r) => r.kind === 'bench');
        return viewOf(pail, {
          lots: standing,
          looks,
          room,
          limits,
          at,
          species: me.species,
          language: me.language,
        });
      });
      return {
        views,
        relay: relay ? { id: relay.id, job: relay.job } : null,
        sanitiser,
        foods,
        language: me.language,
        currency: me.shop.currency,
        learnt: learntDemand(strips),
        today,
        van: nextVan(expected, pails, me.species, today, localeOf(me.language)),
      };
    },
    [manyRooms, manyWaterLooks],
  );
  const asked = typeof search.pail === 'string' ? search.pail : null;
  // A label scanned here takes another pail in hand.
  return (
    <PageWordsProvider told={tell(pageWords(['food', 'solution'], language))} locale={localeOf(language)}>
      <PailRacks
        key={asked}
        told={tell(views)}
        chosenId={asked}
        relay={relay}
        sanitiser={sanitiser}
        currency={currency}
        foods={foods}
        learnt={learnt}
        today={today}
        van={van}
      />
    </PageWordsProvider>
  );
}
