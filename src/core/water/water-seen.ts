import { isLook } from './count-filter';
import { chlorineByStrip, doseByConductivity, doseByPh, type Belief, type TapWater } from './dose-reading';
import { doseMeant, type Foods } from './food';
import { SOLUTIONS, type SolutionKey } from './solutions';
import type { WaterEvent } from './water-events';

/** What was seen or read in a pail's water, or done to it, by the hour since it was filled. */
export type Seen = { readonly atHour: number } & (
  | { readonly kind: 'look'; readonly look: string }
  | {
      readonly kind: 'reading';
      readonly ph: number | null;
      readonly us: number | null;
      readonly chlorinePpm: number | null;
    }
  | { readonly kind: 'top-up'; readonly litres: number }
  | { readonly kind: 'fouled' }
);

/** What readings are held against. */
export interface HeldAgainst {
  readonly solution: SolutionKey;
  readonly tap: TapWater;
  readonly foods: Foods;
}

/** A share of a full dose as a share of the dose that was meant. */
const ofMeant = ({ mean, sd }: Belief, share: number, most: number): Belief => ({
  mean: Math.min(most, mean / share),
  sd: sd / share,
});

/** What a reading says, thing by thing; nothing of what it cannot say of such water. */
function read(seen: Extract<Seen, { kind: 'reading' }>, against: HeldAgainst): WaterEvent[] {
  const { atHour, ph, us, chlorinePpm } = seen;
  const { solution, tap, foods } = against;
  const { share, stepUs } = doseMeant(solution, foods);
  const bySourness = ph === null || !SOLUTIONS[solution].isFood ? null : doseByPh(ph, tap);
  const byStep = us === null || stepUs === null ? null : doseByConductivity(us, tap, stepUs);
  return [
    ...(bySourness ? [{ atHour, kind: 'dose' as const, dose: ofMeant(bySourness, share, 1) }] : []),
    ...(byStep ? [{ atHour, kind: 'dose' as const, dose: ofMeant(byStep, share, 2 / share) }] : []),
    ...(chlorinePpm === null
      ? []
      : [{ atHour, kind: 'chlorine' as const, ppm: chlorineByStrip(chlorinePpm) }]),
  ];
}

/** What the water's law makes of what was seen: a look of a kind that no version now knows says nothing. */
export const eventsOf = (seen: readonly Seen[], against: HeldAgainst): WaterEvent[] =>
  seen.flatMap((one): WaterEvent[] => {
    if (one.kind === 'reading') return read(one, against);
    if (one.kind !== 'look') return [one];
    return isLook(one.look) ? [{ atHour: one.atHour, kind: 'look', look: one.look }] : [];
  });
