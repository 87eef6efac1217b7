import type { ReactElement } from 'react';
import type { FlawKind } from '@/core/dock/flaws';

/** Where on a stem a flaw sits. */
export type FlawPlace = 'head' | 'leaf' | 'stem' | 'foot';

interface Mark {
  readonly place: FlawPlace;
  /** Drawn in a field of 24 by 24. */
  readonly drawn: ReactElement;
}

const INK = 'var(--ink)';
const STEM = 'var(--leaf)';
const line = (d: string, stroke: string, width = 2.4) => (
  <path d={d} fill="none" stroke={stroke} strokeWidth={width} strokeLinecap="round" strokeLinejoin="round" />
);
const dots = (at: readonly (readonly [number, number, number])[], fill: string) => (
  <>
    {at.map(([cx, cy, r]) => (
      <circle key={`${cx} ${cy}`} cx={cx} cy={cy} r={r} fill={fill} />
    ))}
  </>
);
const bud = (fill: string) => (
  <path d="M12 3 C17 7 17 14 12 17 C7 14 7 7 12 3Z" fill={fill} stroke={INK} strokeWidth={1.5} />
);
const petal = (fill: string) => (
  <path d="M12 21 C3 15 4 5 12 3 C20 5 21 15 12 21Z" fill={fill} stroke={INK} strokeWidth={1.5} />
);
const leaf = (fill: string) => (
  <path d="M4 20 C4 9 11 4 20 4 C20 13 14 20 4 20Z" fill={fill} stroke={INK} strokeWidth={1.5} />
);

/** A petal with spots on it. */
const spotted = (at: Parameters<typeof dots>[0], fill: string) => (
  <>
    {petal('var(--paper-top)')}
    {dots(at, fill)}
  </>
);

/** Each flaw as it is seen, and where: drawn for what it looks like, never as a sign to be learnt. */
const MARKS: Readonly<Record<FlawKind, Mark>> = {
  broken: { place: 'stem', drawn: line('M12 22 V13 L18 7 M8 12 l3 1', STEM, 3) },
  'bruised-outer': {
    place: 'head',
    drawn: (
      <>
        {petal('var(--paper-top)')}
        {line('M5 12 C5 17 8 19 11 20', '#7a5230', 3)}
      </>
    ),
  },
  'grey-mould': {
    place: 'head',
    drawn: spotted(
      [
        [10, 9, 2.2],
        [14, 12, 2.8],
        [10, 15, 1.8],
      ],
      '#7d837f',
    ),
  },
  'brown-buds': { place: 'head', drawn: bud('#7a5230') },
  chilled: {
    place: 'head',
    drawn: spotted(
      [
        [9, 10, 2.6],
        [14, 14, 3],
      ],
      '#3c4a52',
    ),
  },
  soil: {
    place: 'foot',
    drawn: (
      <>
        {line('M12 2 V14', STEM, 3)}
        {dots(
          [
            [8, 16, 3],
            [13, 18, 3.6],
            [17, 15, 2.2],
          ],
          '#6b4f36',
        )}
      </>
    ),
  },
  nectar: {
    place: 'head',
    drawn: (
      <>
        {bud('var(--paper-top)')}
        <path d="M12 17 C9 20 10 23 12 23 C14 23 15 20 12 17Z" fill="#d9a441" stroke={INK} strokeWidth={1} />
      </>
    ),
  },
  'yellow-leaves': { place: 'leaf', drawn: leaf('#d8b23d') },
  'cut-dry': {
    place: 'foot',
    drawn: (
      <>
        {line('M12 2 V15', STEM, 3)}
        {line('M8 17 L16 13 M9 21 l2 -2 M15 19 l-1 -2', 'var(--rust)', 2)}
      </>
    ),
  },
  'too-tight': { place: 'head', drawn: bud(STEM) },
  blown: {
    place: 'head',
    drawn: (
      <>
        {line('M12 14 L4 8 M12 14 L8 4 M12 14 L16 4 M12 14 L20 8', INK, 2)}
        {line('M6 20 q3 -3 6 0', INK, 2)}
      </>
    ),
  },
  'few-heads': {
    place: 'head',
    drawn: (
      <>
        {line('M12 22 V12 M12 14 L6 8 M12 14 L18 8', STEM, 2.2)}
        <circle cx={6} cy={7} r={3} fill="var(--paper-top)" stroke={INK} strokeWidth={1.5} />
        <circle cx={18} cy={7} r={3} fill="none" stroke={INK} strokeWidth={1.5} strokeDasharray="2 2" />
      </>
    ),
  },
  short: { place: 'foot', drawn: line('M6 4 V20 M12 4 V20 M18 4 V8 M18 12 V14 M18 18 V20', INK, 2) },
  wrong: {
    place: 'head',
    drawn: (
      <>
        {petal('var(--paper-top)')}
        {line('M9 9 L15 15 M15 9 L9 15', 'var(--rust)', 2)}
      </>
    ),
  },
};

export const flawPlace = (kind: FlawKind): FlawPlace => MARKS[kind].place;

/** A flaw as a small drawing; its word stands beside it. */
export function FlawMark({ kind, size = 24 }: { kind: FlawKind; size?: number }) {
  return (
    <svg viewBox="0 0 24 24" width={size} height={size} aria-hidden="true">
      {MARKS[kind].drawn}
    </svg>
  );
}
