import type { SpeciesRegistry } from '@/core/species/registry';
import { hasStoodTooLong } from '@/core/hygiene/ready';
import { HOUR_MS } from '@/core/calendar/spans';
import { hasTrait } from '@/core/species/traits';
import { solutionWords } from '@/core/water/solution-words';
import { solutionOf } from '@/core/water/solutions';
import { localeOf, type LanguageTag } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import { learntDemand } from '@/core/sanitising/strip';
import { USUAL_AIR, type PailWater } from '@/core/water/pail-water';
import type { WaterLimits } from '@/core/protocol/ways';
import { USUAL_TAP, type TapWater } from '@/core/water/dose-reading';
import type { Foods } from '@/core/water/food';
import { drunkInDay } from '@/core/water/water-level';
import { maybeTap } from '@/data/tap';
import { manyTools } from '@/data/tools';
import { manyWaterSeen, type WaterSeen } from '@/data/water-seen';
import { houseOf } from '@/server/house';
import { lotLabel, manyPortionsInStock, type PortionRow } from '@/data/portions';
import { manyExpected } from '@/data/expected';
import { manyPails, type PailRow } from '@/data/pails';
import { manyRooms, type RoomRow } from '@/data/rooms';
import { manyStripMeans, maybeOpenRelay } from '@/data/sanitising';
import { inZone } from '@/server/clock';
import { groupBy } from '@/server/group-by';
import { once, type Reads } from '@/server/once';
import { pailWaterKept } from '@/server/pail-water-kept';
import { foodsOf } from '@/server/foods';
import { sanitiserOf } from '@/server/sanitiser';
import { seenOf, waterEvents } from '@/server/water-seen';
import { pageWords } from '@/server/words';
import { tell } from '@/shell/told';
import { PageWordsProvider } from '@/shell/words';
import { inMyShop, type SignedIn } from '@/server/session';
import { nextVan } from './next-van';
import { PailRacks } from './pail-racks';
import { courseText, type PailView, type WaterView } from './pail-view';

/** What a pail's view is made from. */
interface Around {
  /** What stands in it. */
  readonly lots: readonly PortionRow[];
  /** What was seen in the water that stands in it, in its order. */
  readonly seen: readonly WaterSeen[];
  readonly tap: TapWater;
  readonly foods: Foods;
  readonly room: RoomRow | undefined;
  readonly limits: WaterLimits;
  readonly readyDays: number;
  readonly at: Date;
  readonly species: SpeciesRegistry;
  readonly language: LanguageTag;
}

/** What the last look said of it. */
const lookedLike = (seen: readonly WaterSeen[]): PailView['looked'] =>
  seen.flatMap((s) => seenOf(s, 0)).findLast((s) => s.kind === 'look')?.look ?? null;

/** The pail's water as it stands by the model and what was seen in it; null where it has none. */
function waterNow(pail: PailRow, around: Around): PailWater | null {
  const { lots, seen, room, limits, at, species, tap, foods } = around;
  const { filledAt, start, litres } = pail;
  if (!filledAt || !start || !pail.solution || !litres) return null;
  const solution = solutionOf(pail.solution);
  const air = room ?? USUAL_AIR;
  const drinkers = lots.map((l) => ({
    stems: l.stemsLeft,
    leafiness: species.byKey(l.speciesKey).leafiness,
  }));
  return pailWaterKept({
    ...{ start, litres, solution, tempC: air.tempC },
    ageHours: (at.getTime() - filledAt.getTime()) / HOUR_MS,
    events: waterEvents(seen, filledAt, { solution, tap, foods }),
    open: {
      shape: { litres: pail.sizeL, heightCm: pail.heightCm, form: pail.form },
      humidityPct: air.humidityPct,
      drunkADay: drunkInDay(drinkers, air),
    },
    holdsLilies: lots.some((l) => hasTrait(species.byKey(l.speciesKey), 'lily')),
    longestUse: limits,
  });
}

/** A course stands for an hour as it is (`pailWaterKept`), and is written once. */
const courses = new WeakMap<PailWater['course'], string>();
function writtenCourse(course: PailWater['course']): string {
  const written = courses.get(course) ?? courseText(course);
  courses.set(course, written);
  return written;
}

const drawn = (log10: number): number => Math.round(log10 * 100) / 100;
const waterView = (water: PailWater): WaterView => {
  const { looks, dueInHours, because, course, litresLeft, dose, without, count } = water;
  return {
    ...{ looks, dueInHours, because, litresLeft: drawn(litresLeft), dose: drawn(dose) },
    without: without && { ...without, log10: drawn(without.log10), dose: drawn(without.dose) },
    log10: drawn(count.p50),
    course: writtenCourse(course),
  };
};

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
    form: pail.form,
    colour: pail.colour,
    state: pail.state,
    litres: pail.litres ?? 0,
    water: water && waterView(water),
    looked: lookedLike(around.seen),
    solution: pail.solution ? say(solutionWords(pail.solution), around.language) : null,
    solutionKey: pail.solution ? solutionOf(pail.solution) : null,
    tempC: pail.fillTempC,
    filledAt: msOf(pail.filledAt),
    sanitisedAt: msOf(pail.sanitisedAt),
    isStale: pail.state === 'sanitised' && hasStoodTooLong(pail.sanitisedAt, around.at, around.readyDays),
    contactUntil: msOf(pail.contactUntil),
    reservedFor: pail.reservedFor,
    lots: lots.map((l) => lotIn(l, around)),
  };
}

/** What the page reads of the shop. */
async function readPails(from: Reads, me: SignedIn, at: Date) {
  const today = inZone(at, me.shop.timeZone).date;
  const [
    pails,
    lots,
    rooms,
    seen,
    { limits, readyDays },
    sanitiser,
    relay,
    strips,
    foods,
    expected,
    tap,
    tools,
  ] = await Promise.all([
    once(from, manyPails),
    once(from, manyPortionsInStock),
    once(from, manyRooms),
    once(from, manyWaterSeen),
    once(from, houseOf),
    once(from, sanitiserOf),
    once(from, maybeOpenRelay),
    once(from, manyStripMeans),
    once(from, foodsOf),
    once(from, manyExpected, today),
    once(from, maybeTap),
    once(from, manyTools),
  ]);
  const { species, language } = me;
  return {
    from,
    pails,
    room: (pail: PailRow) => rooms.find((r) => r.id === pail.roomId) ?? rooms.find((r) => r.kind === 'bench'),
    around: { lots, seen, foods, tap: tap ?? USUAL_TAP, limits, readyDays, at, species, language },
    tools: tools.map(({ id, name, everyH, addedAt, cleanedAt }) => ({
      ...{ id, name, everyH, addedAt: addedAt.getTime(), cleanedAt: msOf(cleanedAt) },
    })),
    relay: relay ? { id: relay.id, job: relay.job } : null,
    sanitiser,
    foods,
    language,
    currency: me.shop.currency,
    learnt: learntDemand(strips),
    today,
    van: nextVan(expected, pails, species, { today, locale: localeOf(language), rooms }),
  };
}

/** Each pail as it stands now. */
function viewsOf({
  pails,
  room,
  around,
}: Pick<Awaited<ReturnType<typeof readPails>>, 'pails' | 'room' | 'around'>): PailView[] {
  const lotsIn = groupBy(around.lots, (l) => l.fillId ?? '');
  const seenIn = groupBy(around.seen, (s) => s.fillId);
  return pails.map((pail) => {
    const lots = (pail.fillId && lotsIn.get(pail.fillId)) || [];
    const seen = (pail.fillId && seenIn.get(pail.fillId)) || [];
    return viewOf(pail, { ...around, lots, seen, room: room(pail) });
  });
}

/** Which pails are clean, what to wash, what is in them, how old the water is. */
export async function PailsPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const read = await inMyShop(readPails, [manyRooms, manyWaterSeen]);
  const { from, tools, relay, sanitiser, foods, learnt, today, van, language, currency } = read;
  // The water of sixty pails takes longer than a page may keep a connection.
  const views = await from.made('pails', [language], read.around.at, () => Promise.resolve(viewsOf(read)));
  const asked = typeof search.pail === 'string' ? search.pail : null;
  return (
    <PageWordsProvider told={tell(pageWords(['food', 'solution'], language))} locale={localeOf(language)}>
      <PailRacks
        told={tell(views)}
        tools={tools}
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
