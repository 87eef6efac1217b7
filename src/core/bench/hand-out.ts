import type { PlannedWork } from './tell';

/** A lot somebody may turn to, with what makes it theirs or urgent. */
export interface OpenLot {
  readonly lot: string;
  /** Whose hands were last on it, and are not done with that piece of work; null where nobody's are. */
  readonly heldBy: string | null;
  /** A clock of it has ended and somebody is wanted: milliseconds since when; null where none has. */
  readonly dueSinceMs: number | null;
  /** A clock of it runs, and nobody is needed. */
  readonly isWaiting: boolean;
  /** The lower, the sooner it is turned to where no plan says. */
  readonly rank: number;
}

export interface Handed {
  readonly hands: string;
  readonly lot: string | null;
  /** What follows, soonest first. */
  readonly next: readonly string[];
}

const NEXT = 2;

/**
 * Who turns to what now: what they have in hand; else what has ended its clock, longest over first;
 * else what the plan gives them; else whatever is left, as it ranks. Nobody is given what another has.
 * @param wanted a lot somebody asked for, which they are given before anything
 */
export function handOut(
  hands: readonly string[],
  lots: readonly OpenLot[],
  plan: readonly PlannedWork[],
  wanted: { readonly hands: string; readonly lot: string } | null,
): Handed[] {
  const open = new Map(lots.map((l) => [l.lot, l]));
  const given = new Map<string, string>();
  const taken = new Set<string>();
  const give = (who: string, lot: string | undefined): void => {
    if (lot === undefined || given.has(who) || taken.has(lot)) return;
    given.set(who, lot);
    taken.add(lot);
  };
  const planned = (who: string): string[] => [
    ...new Set(plan.filter((w) => w.hands === who && open.get(w.lot)?.isWaiting === false).map((w) => w.lot)),
  ];
  if (wanted && open.has(wanted.lot)) give(wanted.hands, wanted.lot);
  for (const who of hands) give(who, lots.find((l) => l.heldBy === who && !taken.has(l.lot))?.lot);
  const due = lots
    .filter((l) => l.dueSinceMs !== null)
    .sort((a, b) => (b.dueSinceMs ?? 0) - (a.dueSinceMs ?? 0));
  for (const { lot } of due) give(hands.find((who) => !given.has(who)) ?? '', lot);
  for (const who of hands)
    give(
      who,
      planned(who).find((lot) => !taken.has(lot)),
    );
  const rest = lots
    .filter((l) => !l.isWaiting && l.heldBy === null)
    .sort((a, b) => a.rank - b.rank)
    .map((l) => l.lot);
  for (const who of hands)
    give(
      who,
      rest.find((lot) => !taken.has(lot)),
    );
  const told = new Set(taken);
  return hands.map((who) => {
    const mine = planned(who).filter((lot) => !told.has(lot));
    const next = [...mine, ...rest.filter((lot) => !told.has(lot) && !plan.some((w) => w.lot === lot))].slice(
      0,
      NEXT,
    );
    for (const lot of next) told.add(lot);
    return { hands: who, lot: given.get(who) ?? null, next };
  });
}
