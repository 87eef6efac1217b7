import { petalColour } from '@/drawing/colours';
import { HEADS } from '@/drawing/heads';
import type { MakeLot } from './make-lot';

interface Props {
  readonly kind: 'vase' | 'foam';
  readonly litres: number;
  readonly chosen: readonly { readonly lot: MakeLot; readonly stems: number }[];
}

const SHOWN = 15;

const Vase = () => (
  <>
    <path
      d="M104 330 L112 480 H188 L196 330"
      fill="none"
      stroke="var(--ink)"
      strokeWidth={3}
      strokeLinejoin="round"
    />
    <path d="M98 330 H202" stroke="var(--ink)" strokeWidth={4.5} strokeLinecap="round" />
  </>
);

const Foam = () => (
  <>
    <path
      d="M96 398 H204 V446 H96Z"
      fill="var(--leaf)"
      fillOpacity={0.55}
      stroke="var(--ink)"
      strokeWidth={2}
    />
    {[0, 1, 2, 3, 4, 5, 6, 7].map((i) => (
      <circle
        key={i}
        cx={108 + i * 12.5}
        cy={412 + (i % 3) * 12}
        r={1.8}
        fill="var(--ink)"
        fillOpacity={0.5}
      />
    ))}
    <path
      d="M72 436 L84 478 H216 L228 436"
      fill="var(--paper-top)"
      stroke="var(--ink)"
      strokeWidth={3}
      strokeLinejoin="round"
    />
    <path d="M66 436 H234" stroke="var(--ink)" strokeWidth={4.5} strokeLinecap="round" />
  </>
);

/** The vessel with what stands in it: one head for each stem, up to what a drawing can carry. */
export function VesselDrawing({ kind, litres, chosen }: Props) {
  const stems = chosen.flatMap(({ lot, stems: n }) => Array.from({ length: n }, () => lot)).slice(0, SHOWN);
  const mouthY = kind === 'vase' ? 330 : 400;
  const level = kind === 'vase' ? 350 + Math.max(0, 70 - litres * 26) : 0;
  const words =
    chosen.length === 0
      ? 'An empty vessel'
      : `${kind} with ${chosen.map((c) => `${c.stems} ${c.lot.name}`).join(', ')}`;
  return (
    <svg viewBox="0 0 300 500" width="100%" role="img" aria-label={words}>
      {kind === 'vase' && (
        <path
          d={`M${104 + (level - 330) / 14} ${level} H${196 - (level - 330) / 14} L188 478 H112Z`}
          fill="var(--water)"
          stroke="var(--blue)"
          strokeWidth={2}
        />
      )}
      {stems.map((lot, i) => {
        // Rows of a fan from the back; the middle of each row stands highest.
        const inRow = stems.length <= 5 ? stems.length : 5;
        const row = Math.floor(i / inRow);
        const at = inRow === 1 ? 0 : (i % inRow) / (inRow - 1) - 0.5;
        const x = 150 + at * (210 - row * 26) + (row % 2 ? 16 : 0);
        const y = 150 + row * 52 + Math.abs(at) * 74;
        const Head = HEADS[lot.habit];
        return (
          <g key={`${lot.id}${i}`}>
            <path
              d={`M${150 + at * 40} ${kind === 'vase' ? 470 : mouthY} Q${150 + at * 70} 320 ${x} ${y}`}
              fill="none"
              stroke="var(--leaf)"
              strokeWidth={4}
            />
            <g transform={`translate(${x} ${y}) rotate(${at * 42}) scale(0.72)`}>
              <Head
                open={Math.min(1, Math.max(0.1, lot.arrival.stage))}
                blown={lot.arrival.stage > 1}
                colour={petalColour(lot.colour)}
              />
            </g>
          </g>
        );
      })}
      {kind === 'vase' ? <Vase /> : <Foam />}
    </svg>
  );
}
