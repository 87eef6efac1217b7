import { manyActivePeople } from '@/data/people';
import { inMyShop } from '@/server/session';
import { FLOOR_READS, readFloor } from './floor';
import { PlanChart } from './plan-chart';

/** The plan over time, on a page of its own: who works has no need of its script. */
export async function PlanPage() {
  const { floor, at, me } = await inMyShop(
    async (from, me, at) => ({ floor: await readFloor(from, me, at, null), at, me }),
    [...FLOOR_READS, manyActivePeople],
  );
  return <PlanChart floor={floor} at={at} timeZone={me.shop.timeZone} language={me.language} />;
}
