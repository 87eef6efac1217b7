/** What tells of a species whether it opens. */
interface Opening {
  readonly opensAfterCut: boolean;
  /** Days at 20 °C to fully open; 0 where it opens no further. */
  readonly openDays20C: number;
}

/** Whether heads of the species go on opening in a vase. */
export function opensInVase(species: Opening): boolean {
  return species.opensAfterCut && species.openDays20C > 0;
}

/** Whether it is bought at the stage that is wanted: a flower that does not go on opening once it is cut. */
export const staysAsBought = (species: Opening & { readonly role: string }): boolean =>
  !opensInVase(species) && species.role !== 'foliage';
