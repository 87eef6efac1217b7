import type { RoomKind } from '@/core/opening/opening';

/** What tells a room of that kind: a bench with pails, a cold room's door, a shelf over warmth, a shop's window. */
const LINES: Readonly<Record<RoomKind, readonly string[]>> = {
  bench: [
    'M6 30 H66',
    'M12 30 V50',
    'M60 30 V50',
    'M16 30 l3 -14 h10 l3 14',
    'M40 30 l3 -14 h10 l3 14',
    'M22 16 v-8',
    'M47 16 v-10',
  ],
  cold: ['M18 6 H54 V50 H18 Z', 'M46 26 v8', 'M26 16 h12', 'M32 10 v12', 'M28 12 l8 8', 'M36 12 l-8 8'],
  warm: [
    'M8 20 H64',
    'M8 40 H64',
    'M8 12 V50',
    'M64 12 V50',
    'M22 20 v-12',
    'M44 20 v-9',
    'M20 50 q4 -4 0 -6',
    'M36 50 q4 -4 0 -6',
    'M52 50 q4 -4 0 -6',
  ],
  floor: [
    'M8 8 H64 V46 H8 Z',
    'M36 8 V46',
    'M14 46 l2 -14 h10 l2 14',
    'M46 46 l2 -16 h8 l2 16',
    'M20 32 v-10',
    'M52 30 v-12',
    'M4 50 H68',
  ],
};

/** A room as a florist knows it at a glance. */
export function RoomSketch({ kind }: { kind: RoomKind }) {
  return (
    <svg viewBox="0 0 72 54" width={72} height={54} aria-hidden="true">
      {LINES[kind].map((d) => (
        <path
          key={d}
          d={d}
          fill="none"
          stroke={kind === 'cold' && d !== LINES.cold[0] ? 'var(--blue)' : 'var(--ink)'}
          strokeWidth={2}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
    </svg>
  );
}
