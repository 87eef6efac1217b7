import type { ReactElement } from 'react';
import type { Habit } from '@/core/species/species';
import { around, floret, ring } from './petals';

export interface HeadProps {
  /** How far the head has opened, 0 shut to 1 open. */
  readonly open: number;
  readonly blown: boolean;
  readonly colour: string;
}

const INK = 'var(--ink)';
const LEAF = 'var(--leaf)';

/** A petal from the origin, pointing up, turned by degrees. */
function Petal({ turn, length, width, fill }: { turn: number; length: number; width: number; fill: string }) {
  const d = `M0 0 C${-width} ${-length * 0.35} ${-width * 0.8} ${-length} 0 ${-length} C${width * 0.8} ${-length} ${width} ${-length * 0.35} 0 0Z`;
  return (
    <path
      d={d}
      transform={`rotate(${turn})`}
      fill={fill}
      stroke={INK}
      strokeWidth={1.6}
      strokeLinejoin="round"
    />
  );
}

const FLORET = floret(6, 14, 5);

function Sepals() {
  return (
    <>
      {[-48, 48].map((turn) => (
        <path
          key={turn}
          d="M0 0 C-5 -5 -5 -14 0 -18 C5 -14 5 -5 0 0Z"
          transform={`rotate(${turn})`}
          fill={LEAF}
          stroke={INK}
          strokeWidth={1.2}
        />
      ))}
    </>
  );
}

function Fallen({ colour, at }: { colour: string; at: number }) {
  return (
    <path
      d="M0 0 q8 -7 16 0 q-8 7 -16 0Z"
      transform={`translate(${at} 44) rotate(18)`}
      fill={colour}
      stroke={INK}
      strokeWidth={1.3}
      strokeDasharray="3 2"
    />
  );
}

function Cup({ open, blown, colour }: HeadProps): ReactElement {
  const flare = 6 + open * 46 + (blown ? 22 : 0);
  const width = 13 + open * 9;
  const length = 56 + open * 6 - (blown ? 8 : 0);
  return (
    <g>
      <Sepals />
      {[-flare, flare, -flare / 2, flare / 2].map((turn) => (
        <Petal key={turn} turn={turn} length={length} width={width} fill={colour} />
      ))}
      <Petal turn={0} length={length - 5} width={width + 3} fill={colour} />
      {blown && <Fallen colour={colour} at={30} />}
    </g>
  );
}

function Disc({ open, blown, colour }: HeadProps): ReactElement {
  const length = 16 + open * 28;
  return (
    <g transform="translate(0 -26)">
      {around(16).map((turn) => (
        <Petal
          key={turn}
          turn={turn + (blown ? (turn % 3) * 4 : 0)}
          length={length - (blown && turn % 45 === 0 ? 12 : 0)}
          width={4 + open * 2}
          fill={colour}
        />
      ))}
      <circle r={13} fill="var(--seed)" stroke={INK} strokeWidth={1.6} />
      {blown && <Fallen colour={colour} at={34} />}
    </g>
  );
}

function Ball({ open, blown, colour }: HeadProps): ReactElement {
  const r = 20 + open * 17;
  const rings = [
    [1, 0],
    [6, 0.45],
    [12, 0.8],
  ] as const;
  return (
    <g transform={`translate(0 ${-r + 6})`}>
      <circle
        r={r}
        fill={colour}
        stroke={INK}
        strokeWidth={1.8}
        strokeDasharray={blown ? '7 4' : undefined}
      />
      <path
        d={rings
          .flatMap(([n, share]) =>
            around(n).map((turn) => {
              const at = (turn * Math.PI) / 180;
              return ring(
                Math.round(Math.cos(at) * r * share),
                Math.round(Math.sin(at) * r * share),
                2 + open * 3,
              );
            }),
          )
          .join('')}
        fill="none"
        stroke={INK}
        strokeOpacity={0.55}
        strokeWidth={1.2}
      />
      {blown && <Fallen colour={colour} at={38} />}
    </g>
  );
}

function Trumpet({ open, blown, colour }: HeadProps): ReactElement {
  const flare = open * 62 + (blown ? 16 : 0);
  const length = 62 - open * 8;
  const width = 8 + open * 4;
  return (
    <g>
      {[-flare, flare, -flare * 0.55, flare * 0.55].map((turn) => (
        <Petal key={turn} turn={turn} length={length} width={width} fill={colour} />
      ))}
      <Petal turn={0} length={length - 6} width={width + 4} fill={colour} />
      {open > 0.6 &&
        [-14, 0, 14].map((turn) => (
          <path
            key={turn}
            d={`M0 -8 V${-length + 22}`}
            transform={`rotate(${turn})`}
            stroke="var(--seed)"
            strokeWidth={2}
          />
        ))}
      {blown && <Fallen colour={colour} at={28} />}
    </g>
  );
}

function Spike({ open, blown, colour }: HeadProps): ReactElement {
  return (
    <g>
      <path d="M0 14 V-84" stroke={LEAF} strokeWidth={4} strokeLinecap="round" />
      {Array.from({ length: 9 }, (_, i) => {
        const isOpen = i / 9 < open + 0.05;
        const gone = blown && i < 3;
        const r = gone ? 3 : isOpen ? 11 - i * 0.6 : 6 - i * 0.35;
        return (
          <circle
            key={i}
            cx={i % 2 ? 9 : -9}
            cy={8 - i * 11}
            r={r}
            fill={gone ? 'var(--seed)' : isOpen ? colour : LEAF}
            stroke={INK}
            strokeWidth={1.5}
          />
        );
      })}
    </g>
  );
}

function Spray({ open, blown, colour }: HeadProps): ReactElement {
  const twigs = [
    [-34, -38],
    [-16, -64],
    [8, -78],
    [28, -52],
    [40, -26],
  ] as const;
  return (
    <g>
      {twigs.map(([x, y], i) => {
        const isOpen = (i + 1) / 5 <= open + 0.21;
        const gone = blown && i % 2 === 0;
        return (
          <g key={x}>
            <path d={`M0 14 Q${x * 0.25} ${y * 0.5} ${x} ${y}`} fill="none" stroke={LEAF} strokeWidth={2.6} />
            <g transform={`translate(${x} ${y})`}>
              {isOpen && !gone ? (
                <path d={FLORET} fill={colour} stroke={INK} strokeWidth={1.6} strokeLinejoin="round" />
              ) : (
                <circle
                  r={gone ? 4 : 6.5}
                  fill={gone ? 'var(--seed)' : colour}
                  stroke={INK}
                  strokeWidth={1.5}
                />
              )}
              {isOpen && !gone && <circle r={3.4} fill="var(--seed)" />}
            </g>
          </g>
        );
      })}
    </g>
  );
}

function Blade({ open, blown, colour }: HeadProps): ReactElement {
  const florets = Math.round(open * 4);
  return (
    <g>
      {Array.from({ length: florets }, (_, i) => (
        <Petal
          key={i}
          turn={-8 + i * 17}
          length={56 - i * 5}
          width={6}
          fill={blown && i === 0 ? 'var(--seed)' : colour}
        />
      ))}
      <path
        d="M-6 4 C6 -12 34 -16 66 -12 C40 0 18 10 -2 14Z"
        fill={LEAF}
        stroke={INK}
        strokeWidth={1.8}
        strokeLinejoin="round"
      />
    </g>
  );
}

function Branch({ open, blown, colour }: HeadProps): ReactElement {
  const leaves = [-70, -52, -34, -16, 2];
  return (
    <g>
      <path
        d="M0 16 C4 -20 -4 -50 2 -84"
        fill="none"
        stroke="var(--wood)"
        strokeWidth={4}
        strokeLinecap="round"
      />
      {leaves.flatMap((y, i) =>
        [-1, 1].map((side) => (
          <g
            key={`${y}${side}`}
            transform={`translate(0 ${y}) rotate(${side * (64 - i * 4 + (blown ? 30 : 0))})`}
          >
            <path
              d="M0 0 C-8 -8 -8 -22 0 -32 C8 -22 8 -8 0 0Z"
              fill={(i + side) % 2 ? LEAF : colour}
              fillOpacity={0.35 + open * 0.6}
              stroke={INK}
              strokeWidth={1.5}
            />
          </g>
        )),
      )}
    </g>
  );
}

/** The head of each habit, drawn from the neck upwards about 80 units high. */
export const HEADS: Readonly<Record<Habit, (props: HeadProps) => ReactElement>> = {
  cup: Cup,
  disc: Disc,
  ball: Ball,
  trumpet: Trumpet,
  spike: Spike,
  spray: Spray,
  blade: Blade,
  branch: Branch,
};
