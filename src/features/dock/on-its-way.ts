/** Which box was asked for and has not come yet, and which drawer of a box was opened last: they outlive a page made anew. */
let onItsWay: string | null = null;
const KEPT_MS = 60_000;
let opened: { readonly lotId: string; readonly drawer: string | null; readonly at: number } | null = null;

export const lotOnItsWay = (): string | null => onItsWay;
export function sayOnItsWay(lotId: string, isComing: boolean): void {
  if (isComing) onItsWay = lotId;
  else if (onItsWay === lotId) onItsWay = null;
}

export function keepOpenDrawer(lotId: string, drawer: string | null): void {
  opened = { lotId, drawer, at: Date.now() };
}
export function openDrawerOf(lotId: string, otherwise: string | null): string | null {
  return opened?.lotId === lotId && Date.now() - opened.at < KEPT_MS ? opened.drawer : otherwise;
}
