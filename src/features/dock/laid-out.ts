import type { SlipView } from './slip-view';

/** So many of the newest deliveries lie open; of earlier ones those that somebody has to see to. */
const NEWEST = 4;

/** The slips that lie open, and those of which a line is enough until they are asked for. */
export function laidOut(
  slips: readonly SlipView[],
  chosenId: string | null,
): { readonly open: readonly SlipView[]; readonly earlier: readonly SlipView[] } {
  const isOpen = (slip: SlipView, i: number): boolean =>
    i < NEWEST ||
    slip.lots.length === 0 ||
    slip.kept.some((k) => k.fate === 'waiting') ||
    slip.lots.some((l) => l.id === chosenId || (!l.looked && l.forDay === null));
  return { open: slips.filter(isOpen), earlier: slips.filter((slip, i) => !isOpen(slip, i)) };
}
