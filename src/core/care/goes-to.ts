/** Where an arrangement goes: into a home, or a room nobody sleeps in (foyer, office, restaurant). */
export const GOES_TO = ['home', 'public'] as const;
export type GoesTo = (typeof GOES_TO)[number];
