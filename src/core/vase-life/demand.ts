import { SHIPPED, type Figures } from '../model/figures';
import type { Species } from '../species/species';
import type { AirHours } from './air';
import type { CareEvent } from './types';

/** Demand for water of a line's stems, hour by hour, as its leaves are stripped. */
export function demandByHour(
  species: Species,
  air: AirHours,
  leafShare: number,
  events: readonly CareEvent[],
  { constants }: Figures = SHIPPED,
): Float64Array {
  const strips = new Map(
    events.flatMap((e) => (e.type === 'strip' ? [[Math.floor(e.atHour), e.leafShare] as const] : [])),
  );
  const { bareDemand, leafDemand, referenceLeafiness } = constants;
  let leaves = leafShare;
  return Float64Array.from(air.pull, (pull, hour) => {
    leaves = strips.get(hour) ?? leaves;
    return (bareDemand + (leafDemand * leaves * species.leafiness) / referenceLeafiness) * pull;
  });
}
