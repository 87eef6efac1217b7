import type { SpeciesRegistry } from '@/core/species/registry';
import { HOUR_MS } from '@/core/calendar/spans';
import { hasTrait } from '@/core/species/traits';
import { SOLUTIONS, type SolutionKey } from '@/core/water/solutions';
import {
  clarity,
  freshWater,
  hoursUntilDue,
  houseLimitHours,
  waterAnHourLater,
  type VesselWater,
} from '@/core/water/vessel-water';
import { lotLabel, manyPortionsInStock, type PortionRow } from '@/data/portions';
import { manyPails, type PailRow } from '@/data/pails';
import { manyRooms } from '@/data/rooms';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { PailRacks } from './pail-racks';
import type { PailView } from './pail-view';

/** The pail's water as it stands by the model, from the hour it was filled. */
function waterNow(pail: PailRow, roomTempC: number, at: Date): VesselWater | null {
  if (!pail.filledAt || !pail.start || !pail.solution) return null;
  let water = freshWater(pail.start, pail.solution as SolutionKey);
  const hours = Math.min(60 * 24, Math.floor((at.getTime() - pail.filledAt.getTime()) / HOUR_MS));
  for (let h = 0; h < hours; h++) water = waterAnHourLater(water, roomTempC, 0);
  return water;
}

/** Hours until its water is due: by the predicted count or by the house's limit, whichever comes first. */
function dueIn(
  pail: PailRow,
  water: VesselWater,
  lots: readonly PortionRow[],
  roomTempC: number,
  at: Date,
  species: SpeciesRegistry,
): number {
  const age = (at.getTime() - (pail.filledAt?.getTime() ?? at.getTime())) / HOUR_MS;
  const limit = houseLimitHours(
    water.solution,
    lots.some((l) => hasTrait(species.byKey(l.speciesKey), 'lily')),
  );
  return Math.max(0, Math.floor(Math.min(hoursUntilDue(water, roomTempC, 0) ?? Infinity, limit - age)));
}

function viewOf(
  pail: PailRow,
  lots: readonly PortionRow[],
  roomTempC: number,
  at: Date,
  species: SpeciesRegistry,
): PailView {
  const water = waterNow(pail, roomTempC, at);
  return {
    id: pail.id,
    name: pail.name,
    sizeL: pail.sizeL,
    heightCm: pail.heightCm,
    state: pail.state,
    litres: pail.litres ?? 0,
    clarity: water ? clarity(water.bacteriaLog10) : 'clear',
    dueInHours: water && dueIn(pail, water, lots, roomTempC, at, species),
    solution: pail.solution ? SOLUTIONS[pail.solution as SolutionKey].name : null,
    tempC: pail.fillTempC,
    filledAt: pail.filledAt?.getTime() ?? null,
    sanitisedAt: pail.sanitisedAt?.getTime() ?? null,
    contactUntil: pail.contactUntil?.getTime() ?? null,
    lots: lots.map((l) => ({
      id: l.id,
      words: `${species.byKey(l.speciesKey).name}${l.variety ? ` ‘${l.variety}’` : ''}, lot ${lotLabel(l)}, ${l.stemsLeft} stems`,
      colour: l.colour,
      stems: l.stemsLeft,
    })),
  };
}

/** Which pails are clean, what to wash, what is in them, how old the water is. */
export async function PailsPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const views = await inMyShop(
    async (trx, me, at) => {
      const [pails, lots, rooms] = await Promise.all([
        once(trx, manyPails),
        once(trx, manyPortionsInStock),
        once(trx, manyRooms),
      ]);
      return pails.map((pail) => {
        const standing = lots.filter((l) => l.fillId !== null && l.fillId === pail.fillId);
        const room = rooms.find((r) => r.id === pail.roomId) ?? rooms.find((r) => r.kind === 'bench');
        return viewOf(pail, standing, room?.tempC ?? 18, at, me.species);
      });
    },
    [manyRooms],
  );
  const asked = typeof search.pail === 'string' ? search.pail : null;
  // A label scanned here takes another pail in hand.
  return <PailRacks key={asked} pails={views} chosenId={asked} />;
}
