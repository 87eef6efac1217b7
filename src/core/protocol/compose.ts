import { idealArrivalStage, type Species } from '../species/species';
import { forHouse } from './for-house';
import { forPurpose } from './for-purpose';
import { forEquipment, forOwnProtocol } from './for-shop';
import { forState } from './for-state';
import { DEPTH_CM } from '../species/depths';
import { ordinarySteps } from './ordinary';
import type { ParamsOf } from '../steps/steps';
import { rendered } from './render';
import type { LeftOut, DraftProtocol } from './draft-protocol';
import type { LotState, ProtocolStep } from './types';
import { DEFAULT_WAYS, type Ways } from './ways';

/** A lot's protocol, and what of its species' plain one it leaves out and why. */
export interface Protocol {
  readonly steps: readonly ProtocolStep[];
  readonly leftOut: readonly LeftOut[];
}

/**
 * The protocol of one lot: the species' own steps, changed by the state it came in, the house's
 * schools, what it is for and the shop's own protocol, and bounded by what the shop has. Each step
 * carries every change made to it with its reason.
 */
export function protocolOf(lot: LotState, ways: Ways = DEFAULT_WAYS): Protocol {
  const { species } = lot;
  const plain: DraftProtocol = { steps: ordinarySteps(species, ways.limits), leftOut: [] };
  const seen = forState(plain, lot, ways);
  const wanted = forPurpose(forHouse(seen, lot, ways), lot, ways);
  const { steps, leftOut } = forEquipment(forOwnProtocol(wanted, ways, species), ways);
  const drink = steps.find((d) => d.params.kind === 'drink')?.params as ParamsOf<'drink'> | undefined;
  const depthCm = drink?.depthCm ?? DEPTH_CM[species.depth];
  return { steps: steps.map((d) => rendered(d, species, depthCm)), leftOut };
}

/** The steps for one lot, in order. */
export function composeProtocol(lot: LotState, ways: Ways = DEFAULT_WAYS): ProtocolStep[] {
  return [...protocolOf(lot, ways).steps];
}

/** What a plain lot of the species gets: as it should arrive, in a shop that takes every default and has everything. */
export function ordinaryProtocol(species: Species): Protocol {
  return protocolOf({ species, stage: idealArrivalStage(species), droop: 'firm', packing: '', hoursDry: 0 });
}
