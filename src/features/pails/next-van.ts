import 'server-only';
import { pailsForOrder } from '@/core/bench/pails-for-order';
import { standsMm } from '@/core/bench/pail-fit';
import { addDays } from '@/core/calendar/dates';
import { formatDay } from '@/core/calendar/format-date';
import type { SpeciesRegistry } from '@/core/species/registry';
import type { ExpectedDelivery } from '@/data/expected';
import type { PailRow } from '@/data/pails';
import type { RoomRow } from '@/data/rooms';
import type { VanView } from './van-panel';

/** Nearest to being clean first. */
const NEARNESS = ['contact', 'scrubbed', 'dirty'] as const;

/** Which pails are washed for what is short, told by the room they stand in: those that the order would be packed into. */
function toWashFor(
  pails: readonly PailRow[],
  needs: (from: readonly PailRow[]) => { readonly pailIds: readonly string[] },
  ready: readonly PailRow[],
  rooms: readonly RoomRow[],
): VanView['from'] {
  const washable = NEARNESS.flatMap((state) => pails.filter((p) => p.state === state));
  const used = new Set(needs([...ready, ...washable]).pailIds);
  const chosen = washable.filter((p) => used.has(p.id));
  return rooms.flatMap(({ id, name }) => {
    const names = chosen.filter((p) => p.roomId === id).map((p) => p.name);
    return names.length > 0 ? [{ room: name, names }] : [];
  });
}

/** What the next van needs of the pails that stand clean and are kept for no other; null where none is expected. */
export function nextVan(
  [next]: readonly ExpectedDelivery[],
  pails: readonly PailRow[],
  species: SpeciesRegistry,
  {
    today,
    locale,
    rooms,
  }: { readonly today: string; readonly locale: string; readonly rooms: readonly RoomRow[] },
): VanView | null {
  if (!next) return null;
  const ready = pails.filter(
    (p) => p.state === 'sanitised' && (p.reservedFor === null || p.reservedFor === next.id),
  );
  const lines = next.lines.map((l) => ({ stems: l.stems, stemMm: standsMm(species.byKey(l.speciesKey)) }));
  const needs = (from: readonly PailRow[]) =>
    pailsForOrder(
      lines,
      from.map((p) => ({ id: p.id, litres: p.sizeL })),
    );
  // What is kept already and does is not asked to be kept anew because others were washed since.
  const ofKept = needs(ready.filter((p) => p.reservedFor === next.id));
  const { needed, short, pailIds } = ofKept.short === 0 ? ofKept : needs(ready);
  const day = formatDay(next.dueOn, 'weekday, day and month', locale);
  const when = next.dueOn <= today ? 'today' : next.dueOn === addDays(today, 1) ? 'tomorrow' : day;
  const from = short > 0 ? toWashFor(pails, needs, ready, rooms) : [];
  return { expectedId: next.id, supplier: next.supplier, when, needed, short, from, pailIds };
}
