import { composeProtocol } from '../protocol/compose';
import type { KeepingPlace } from '../steps/params';
import type { PailShare, RoomSpace, KnownLot } from './types';

export interface LotRoom {
  readonly lot: string;
  readonly room: string | null;
}

/** The kind of room each place of a protocol is in. */
export const ROOM_KIND_OF: Readonly<Record<KeepingPlace, RoomSpace['kind']>> = {
  'the cold room': 'cold',
  'the coolest corner': 'bench',
  'the tropical shelf': 'warm',
  'the shop floor': 'floor',
  'a warm bright shelf': 'floor',
  'the bench': 'bench',
  'a dry dark loft': 'floor',
};
/** Where else a lot may stand when its own place is full; what cold injures never goes to the cold. */
const ELSE: Readonly<Record<RoomSpace['kind'], readonly RoomSpace['kind'][]>> = {
  cold: ['bench', 'floor'],
  warm: ['floor', 'bench'],
  floor: ['bench'],
  bench: ['floor'],
};

function placeOf({ species, stage, droop, packing, flaws }: KnownLot): KeepingPlace {
  const steps = composeProtocol({ species, stage, droop, packing, hoursDry: 0, flaws });
  const move = steps.findLast((s) => s.kind === 'move')?.params;
  return move?.kind === 'move' ? move.place : 'the bench';
}

/**
 * Which room each lot's pails go to after the drink: where its protocol says while there is space,
 * those whom it costs most days to stand warm first; else the next best. Null where all are full.
 */
export function intoRooms(
  lots: readonly KnownLot[],
  shares: readonly PailShare[],
  rooms: readonly RoomSpace[],
): LotRoom[] {
  if (rooms.length === 0) return [];
  const left = new Map(rooms.map((r) => [r.name, r.pails ?? Infinity]));
  const wanted = lots.map((lot) => {
    const kind = ROOM_KIND_OF[lot.goesTo ?? placeOf(lot)];
    const pails = Math.max(1, new Set(shares.filter((s) => s.lot === lot.id).map((s) => s.pail)).size);
    return { lot: lot.id, kind, pails, q10: lot.species.q10 * lot.stems };
  });
  return [...wanted]
    .sort((a, b) => b.q10 - a.q10)
    .map(({ lot, kind, pails }) => {
      const room = [kind, ...ELSE[kind]]
        .flatMap((k) => rooms.filter((r) => r.kind === k))
        .find((r) => (left.get(r.name) ?? 0) >= pails);
      if (room) left.set(room.name, (left.get(room.name) ?? 0) - pails);
      return { lot, room: room?.name ?? null };
    });
}
