import type { Habit } from '@/core/species/species';
import type { Droop } from '@/core/vase-life/types';
import { petalColour } from './colours';
import { HEADS } from './heads';

/** How far the neck bends, degrees. */
export const NECK_DEGREES: Readonly<Record<Droop, number>> = { firm: 0, soft: 48, hanging: 122 };

export interface StemProps {
  readonly habit: Habit;
  /** 0 shut to 1 open; past 1 blown. */
  readonly stage: number;
  readonly droop: Droop;
  readonly colour: string | null;
  /** What it shows, for those who cannot see it; left out where words beside it say so. */
  readonly title?: string;
  readonly height?: number;
  /** Depth of water it stands in, as a share of the stem; 0 for none. */
  readonly water?: number;
  /** Only the head and its neck, for a choice of stages. */
  readonly closeUp?: boolean;
  /** Ends in a dashed slant where it is to be cut. */
  readonly cutMark?: boolean;
}

const Leaves = () => (
  <>
    <path
      d="M109 226 C88 222 72 206 66 192 C86 190 102 200 109 226Z"
      fill="var(--leaf)"
      stroke="var(--ink)"
      strokeWidth={1.6}
    />
    <path
      d="M110 196 C126 188 140 170 142 158 C126 160 112 172 110 196Z"
      fill="var(--leaf)"
      stroke="var(--ink)"
      strokeWidth={1.6}
    />
  </>
);

/** The water it stands in, as a share of the stem. */
const Water = ({ depth }: { depth: number }) => (
  <g>
    <rect x={62} y={304 - 150 * depth} width={100} height={150 * depth} fill="var(--water)" />
    <path d={`M62 ${304 - 150 * depth} H162`} stroke="var(--blue)" strokeWidth={2.5} />
  </g>
);

/** How a neck is drawn that is bent so far: it leans over, and the head comes down. */
function neckAt(bend: number): { x: number; y: number } {
  const lean = bend > 90 ? 30 : 14;
  return { x: 110 + (bend === 0 ? 0 : lean), y: 122 + (bend > 90 ? 12 : 0) };
}

/** One stem, drawn from its state: five stages from shut to blown, the neck's angle for droop. */
export function Stem({
  habit,
  stage,
  droop,
  colour,
  title,
  height = 280,
  water = 0,
  cutMark = false,
  closeUp = false,
}: StemProps) {
  const Head = HEADS[habit];
  const bend = NECK_DEGREES[droop];
  const { x: neckX, y: neckY } = neckAt(bend);
  return (
    <svg
      viewBox={closeUp ? '50 26 120 126' : '0 20 220 300'}
      height={height}
      role={title ? 'img' : undefined}
      aria-hidden={title ? undefined : true}
      aria-label={title}
      style={{ maxWidth: '100%' }}
    >
      {water > 0 && <Water depth={water} />}
      <path
        d={`M108 304 C104 250 114 200 110 150 Q110 ${neckY - 4} ${neckX} ${neckY}`}
        fill="none"
        stroke="var(--leaf)"
        strokeWidth={6}
        strokeLinecap="round"
      />
      {habit !== 'branch' && <Leaves />}
      {cutMark && <path d="M92 312 L126 292" stroke="var(--rust)" strokeWidth={3} strokeDasharray="6 4" />}
      <g transform={`translate(${neckX} ${neckY}) rotate(${bend})`}>
        <Head open={Math.min(1, Math.max(0, stage))} blown={stage > 1} colour={petalColour(colour)} />
      </g>
    </svg>
  );
}
