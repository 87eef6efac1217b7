import { tenths } from '@/core/numbers/tenths';
import type { PailColour, PailForm } from '@/core/water/pail-shape';

/** Pails' own colours: a band under the rim, so that the outline stays ink. */
const BAND: Readonly<Record<PailColour, string>> = {
  black: '#23292d',
  white: '#fbfaf5',
  grey: '#9aa3a6',
  green: '#4f8a5b',
  blue: '#3f78ad',
  red: '#b8412f',
  yellow: '#e0b83a',
};

/** Half of a pail's width at its rim and at its foot, as it is drawn. */
const RIM = 46;
const FOOT: Readonly<Record<PailForm, number>> = { tapered: 34, straight: 44 };

export interface PailProps {
  readonly sizeL: number;
  readonly state: 'dirty' | 'scrubbed' | 'contact' | 'sanitised' | 'filled';
  readonly litres: number;
  readonly clarity: 'clear' | 'hazy' | 'cloudy';
  /** As wide at its foot, or wider at the rim. */
  readonly form?: PailForm;
  /** What it is of, where the shop tells its pails apart by that. */
  readonly colour?: PailColour | null;
  /** Petal colours of what stands in it, one a stroke (at most twelve). */
  readonly stems: readonly string[];
}

const STIPPLE = { clear: 0, hazy: 16, cloudy: 44 } as const;

/** Dots strewn evenly without chance: the same pail always looks the same. */
function dots(n: number, top: number): { x: number; y: number }[] {
  return Array.from({ length: n }, (_, i) => ({
    x: 34 + ((i * 37) % 61),
    y: top + 6 + ((i * 53) % Math.max(1, 136 - top)),
  }));
}

/** A round dot of a path that is stroked with round ends. */
const dotAt = (x: number, y: number): string => `M${tenths(x)} ${tenths(y)}h0`;

const HEAD = 5.5;
const headAt = (x: number, y: number): string =>
  `M${tenths(x - HEAD)} ${y}a${HEAD} ${HEAD} 0 1 0 ${2 * HEAD} 0a${HEAD} ${HEAD} 0 1 0-${2 * HEAD} 0`;

/** What stands in it, a stroke each: one path of stalks, one of heads for each colour. A rack draws hundreds. */
function Strokes({ stems, top }: { stems: readonly string[]; top: number }) {
  const shown = stems.slice(0, 12);
  if (shown.length === 0) return null;
  const foot = tenths(Math.min(144, top + 40));
  const heads = new Map<string, string>();
  let stalks = '';
  for (const [i, colour] of shown.entries()) {
    const spread = shown.length === 1 ? 0 : i / (shown.length - 1) - 0.5;
    const [x, y] = [tenths(65 + spread * 76), tenths(14 + Math.abs(spread) * 22 + (i % 3) * 5)];
    stalks += `M${tenths(65 + spread * 24)} ${foot}Q${tenths(65 + spread * 40)} 70 ${x} ${y}`;
    heads.set(colour, (heads.get(colour) ?? '') + headAt(x, y));
  }
  return (
    <>
      <path d={stalks} fill="none" stroke="var(--leaf)" strokeWidth={2.2} />
      {[...heads].map(([colour, d]) => (
        <path key={colour} d={d} fill={colour} stroke="var(--ink)" strokeWidth={1.2} />
      ))}
    </>
  );
}

/** How far up its water is drawn: as it is filled; while a solution stands in it nearly to the rim. */
function levelOf({ state, litres, sizeL }: Pick<PailProps, 'state' | 'litres' | 'sizeL'>): number {
  if (state === 'filled') return Math.min(1, litres / sizeL);
  return state === 'contact' ? 0.85 : 0;
}

/** What lives in its water, as stipple, or bubbles while a solution stands in it. */
function Inside({ state, clarity, top }: Pick<PailProps, 'state' | 'clarity'> & { readonly top: number }) {
  return (
    <>
      {state === 'filled' && STIPPLE[clarity] > 0 && (
        <path
          d={dots(STIPPLE[clarity], top)
            .map(({ x, y }) => dotAt(x, Math.min(146, y)))
            .join('')}
          stroke="var(--ink)"
          strokeOpacity={0.65}
          strokeWidth={2.6}
          strokeLinecap="round"
        />
      )}
      {state === 'contact' &&
        [
          [48, 120],
          [60, 92],
          [76, 110],
          [84, 80],
          [66, 134],
        ].map(([x, y]) => (
          <circle key={x} cx={x} cy={y} r={5} fill="none" stroke="var(--blue)" strokeWidth={2} />
        ))}
    </>
  );
}

const boxOf = ({ stems }: Pick<PailProps, 'stems'>): string =>
  stems.length > 0 ? '0 0 130 160' : '0 44 130 116';

/** The place of a pail that is drawn in a moment, as large as it. */
export const PailToCome = ({ stems }: Pick<PailProps, 'stems'>) => (
  <svg viewBox={boxOf({ stems })} width="100%" aria-hidden="true" />
);

/**
 * A pail as it stands: outline by size, water to its level, stipple for bacteria (not colour alone),
 * bubbles in contact, upside down once sanitised, a scum line when dirty, stems as strokes.
 */
export function Pail({ sizeL, state, litres, clarity, stems, form = 'tapered', colour = null }: PailProps) {
  const scale = sizeL >= 10 ? 1 : 0.78;
  const level = levelOf({ state, litres, sizeL });
  const top = 150 - 98 * level;
  const foot = FOOT[form];
  const half = (y: number): number => foot + ((150 - y) / 98) * (RIM - foot);
  const upsideDown = state === 'sanitised';
  return (
    <svg viewBox={boxOf({ stems })} width="100%" aria-hidden="true">
      <g transform={`translate(65 156) scale(${scale}) translate(-65 -156)`}>
        <Strokes stems={stems} top={top} />
        <g transform={upsideDown ? 'rotate(180 65 103)' : undefined}>
          {level > 0 && (
            <path
              d={`M${65 - half(top)} ${top} q${half(top)} 6 ${half(top) * 2} 0 L${65 + foot} 150 H${65 - foot} Z`}
              fill={clarity === 'cloudy' ? 'var(--murk)' : 'var(--water)'}
              stroke="var(--blue)"
              strokeWidth={1.8}
            />
          )}
          <Inside state={state} clarity={clarity} top={top} />
          <path
            d={`M19 52 L${65 - foot} 150 H${65 + foot} L111 52`}
            fill={upsideDown ? 'var(--paper-top)' : 'none'}
            stroke="var(--ink)"
            strokeWidth={2.6}
            strokeLinejoin="round"
          />
          {colour && (
            <path
              d={`M${65 - half(62) + 2} 62 H${65 + half(62) - 2}`}
              stroke={BAND[colour]}
              strokeWidth={8}
            />
          )}
          <path d="M15 52 H115" stroke="var(--ink)" strokeWidth={4.5} strokeLinecap="round" />
          {state === 'dirty' && (
            <path d="M40 118 q8 -9 16 0 t16 0 t16 0" fill="none" stroke="var(--rust)" strokeWidth={2.8} />
          )}
        </g>
        {upsideDown && (
          <path
            d="M50 104 l10 11 l22 -26"
            fill="none"
            stroke="var(--green)"
            strokeWidth={5}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        )}
      </g>
    </svg>
  );
}
