/**
 * What rules may ask of a species beside its figures. A rule asks for a trait and never for a key:
 * a shop's own lily is a lily. Each with what it means and how far to trust it.
 */
export const TRAITS = {
  lily: { means: 'A true lily: its pollen stains and can kill a cat, its own gas opens it.', basis: 'trade' },
  'a rose': { means: 'A rose, where houses have their own ways with roses.', basis: 'practice' },
  'guard petals': { means: 'Its outer petals guard the rest until it is used.', basis: 'practice' },
  'pencil buds': { means: 'A thin green bud never opens; a fat coloured one does.', basis: 'practice' },
  'drinks by the head': { means: 'It takes water through the whole head.', basis: 'practice' },
  'acid dip': { means: 'The fresh cut is dipped in alum or hydrating acid.', basis: 'practice' },
  'neck is lost': { means: 'A neck that has dropped does not come back.', basis: 'trade' },
  'lifts in cold': {
    means: 'Hanging, it is wrapped upright in deep cold water; heat does nothing for it.',
    basis: 'practice',
  },
  'lifts by a recut': {
    means: 'Hanging, a thin slice off its foot and cool water are all that helps.',
    basis: 'practice',
  },
  'dries well': { means: 'Hung upside down it dries and keeps its colour.', basis: 'practice' },
  'stands close': {
    means: 'Slim and all but leafless: nearly twice as many stand in a pail as of roses.',
    basis: 'trade',
  },
  'drinks in a grid': { means: 'It hangs by its head in a grid while it drinks.', basis: 'practice' },
  'drinks in paper': {
    means: 'It is wrapped upright while it drinks: it sets as it is held.',
    basis: 'practice',
  },
  'grows on': { means: 'It goes on growing in the vase and bends to light.', basis: 'trade' },
  'minds sap': { means: 'The sap of daffodils in its water costs it most.', basis: 'trade' },
  'comes muddy': { means: 'Its feet come with soil on them.', basis: 'practice' },
  'comes in mesh': { means: 'Each bunch is sold in a mesh over the heads.', basis: 'practice' },
  'papery bract': { means: 'A dry bract binds the buds and is taken off.', basis: 'practice' },
  'filled stem': {
    means: 'Its hollow stem is filled with water, plugged, and taped at the foot.',
    basis: 'practice',
  },
  'soaked pods': { means: 'Its florets are lifted out of a pod that is soaked first.', basis: 'practice' },
  'winged stem': { means: 'Wings along the stem come off with the lower leaves.', basis: 'practice' },
  'stripped high': { means: 'Half its leaves come off: its side tips wilt first.', basis: 'practice' },
  'cut under water': { means: 'It is cut under water also when it comes firm.', basis: 'practice' },
  'split foot': { means: 'Woody: the foot is cut up once, never hammered.', basis: 'trade' },
  'opens warm': { means: 'Cold holds it shut: it is kept where it is to open.', basis: 'practice' },
  'crisps dry': { means: 'Its leaves crisp in a dry room.', basis: 'practice' },
  'lasts short': { means: 'A big soft head: the shorter its stem, the longer it lasts.', basis: 'practice' },
} as const satisfies Readonly<
  Record<string, { readonly means: string; readonly basis: 'trade' | 'practice' }>
>;

export type Trait = keyof typeof TRAITS;
export const TRAIT_KEYS = Object.keys(TRAITS) as readonly Trait[];

export const hasTrait = ({ traits }: { readonly traits: readonly Trait[] }, trait: Trait): boolean =>
  traits.includes(trait);

/** °C: what is injured at more than this has no place in a cold room. */
const COLD_ROOM_MOST_C = 4;

/** Whether cold that keeps most stems injures it: no cold room, no cold nights, no fridge. */
export function isTropical({ chillBelowC }: { readonly chillBelowC: number | null }): boolean {
  return chillBelowC !== null && chillBelowC > COLD_ROOM_MOST_C;
}

/** °C of the coldest night a house offers flowers: a cold, dark place, 5 to 10 °C. */
export const COLD_NIGHT_C = 5;

/** Whether cold nights are for it: never where 5 °C injures it, nor where it is stored warmer. */
export const takesColdNights = (species: {
  readonly chillBelowC: number | null;
  readonly storeMinC: number;
}): boolean =>
  !(species.chillBelowC !== null && species.chillBelowC > COLD_NIGHT_C) && species.storeMinC <= COLD_NIGHT_C;

/** Traits that a row's own columns tell, for one that was written before traits were. */
export function traitsToldBy({
  pets,
  skin,
  build,
}: Readonly<Record<'pets' | 'skin' | 'build', string>>): Trait[] {
  return [
    ...(pets === 'deadly to cats' ? (['lily'] as const) : []),
    ...(skin === 'thorns' && build === 'woody' ? (['a rose', 'guard petals'] as const) : []),
  ];
}
