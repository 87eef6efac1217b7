/** Our own drawings of how each tool is held: the stem drawn off a still blade, snips across, secateurs up the middle. */

const INK = {
  fill: 'none',
  stroke: 'var(--ink)',
  strokeWidth: 3,
  strokeLinejoin: 'round',
  strokeLinecap: 'round',
} as const;
const STEEL = { ...INK, fill: 'var(--paper-top)' } as const;
const STEM = { fill: 'none', stroke: 'var(--leaf)', strokeLinecap: 'butt' } as const;

function Thumb({ x, y }: { x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <path d="M0 26 C-2 10 6 0 14 2 C22 4 22 16 18 30" {...STEEL} />
      <path d="M2 14 L19 17 M1 20 L18.5 23" {...INK} strokeWidth={2} />
    </g>
  );
}

function Knife() {
  return (
    <svg
      viewBox="-8 0 308 176"
      role="img"
      aria-label="A knife held still, the stem drawn off it on a long slant, a guard on the thumb"
    >
      <path d="M40 20 L196 122" {...STEM} strokeWidth={12} />
      <path d="M196 122 L214 134" {...STEM} strokeWidth={12} strokeOpacity={0.35} />
      <path d="M150 150 L214 92 C226 82 236 86 240 92 L172 156 Z" {...STEEL} />
      <path
        d="M150 150 L172 156 L150 168 L136 164 Z"
        fill="var(--wood)"
        stroke="var(--ink)"
        strokeWidth={3}
      />
      <Thumb x={150} y={84} />
      <path d="M96 82 L60 58 M60 58 l12 1 M60 58 l5 10" {...INK} stroke="var(--blue)" />
      <text x={14} y={112} fontSize={16} fill="var(--ink)">
        draw the stem
      </text>
      <text x={196} y={70} fontSize={16} fill="var(--ink)">
        blade still
      </text>
    </svg>
  );
}

function Snips() {
  return (
    <svg
      viewBox="-8 0 308 176"
      role="img"
      aria-label="Snips across the stem at a slant, the other hand well above the cut"
    >
      <path d="M128 6 V112" {...STEM} strokeWidth={10} />
      <path d="M128 128 V160" {...STEM} strokeWidth={10} strokeOpacity={0.35} />
      <path d="M70 150 L142 106 L150 112 L84 160 Z" {...STEEL} />
      <path d="M60 130 L140 118 L152 124 L64 142 Z" {...STEEL} />
      <circle cx={46} cy={128} r={13} {...INK} />
      <circle cx={62} cy={156} r={11} {...INK} />
      <Thumb x={134} y={26} />
      <text x={164} y={50} fontSize={16} fill="var(--ink)">
        hand high
      </text>
      <text x={160} y={136} fontSize={16} fill="var(--ink)">
        one clean snip
      </text>
    </svg>
  );
}

function Secateurs() {
  return (
    <svg
      viewBox="-8 0 308 176"
      role="img"
      aria-label="Secateurs split a woody stem once up the middle after a long slanting cut"
    >
      <path d="M120 4 V104 L136 126 V4 Z" fill="var(--wood)" stroke="none" />
      <path d="M128 122 V84" stroke="var(--paper)" strokeWidth={3.5} />
      <path d="M124 128 C104 138 92 128 88 112 C104 112 118 116 132 116 Z" {...STEEL} />
      <path d="M128 118 C150 116 164 124 170 140" {...INK} strokeWidth={7} />
      <path d="M120 130 C128 140 140 152 158 160" {...INK} strokeWidth={7} />
      <circle cx={125} cy={124} r={5} {...STEEL} />
      <text x={146} y={92} fontSize={16} fill="var(--ink)">
        once, up the middle
      </text>
      <text x={8} y={160} fontSize={16} fill="var(--ink)">
        catch closed after
      </text>
    </svg>
  );
}

export const BLADES = { knife: Knife, snips: Snips, secateurs: Secateurs } as const;
