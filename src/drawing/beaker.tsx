import type { StepFigure } from '@/core/protocol/types';

/** A small drawing for a number: a beaker to its level, a thermometer, a length, a clock. Words always stand beside it. */
export function Beaker({ figure }: { figure: Pick<StepFigure, 'drawn' | 'level'> }) {
  const { drawn, level } = figure;
  if (drawn === 'time')
    return (
      <svg viewBox="0 0 40 56" width={40} aria-hidden="true">
        <circle cx={20} cy={30} r={16} fill="none" stroke="var(--ink)" strokeWidth={2.5} />
        <path
          d="M20 19 V30 L28 35 M15 7 H25"
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2.5}
          strokeLinecap="round"
        />
      </svg>
    );
  if (drawn === 'length')
    return (
      <svg viewBox="0 0 40 56" width={40} aria-hidden="true">
        <path d="M20 4 V40" stroke="var(--leaf)" strokeWidth={6} />
        <path d="M8 50 L32 34" stroke="var(--rust)" strokeWidth={2.5} strokeDasharray="5 3" />
        <path d="M20 46 V54" stroke="var(--leaf)" strokeOpacity={0.5} strokeWidth={6} />
      </svg>
    );
  if (drawn === 'warmth') {
    const top = 38 - Math.min(1, Math.max(0.06, level / 90)) * 30;
    return (
      <svg viewBox="0 0 40 56" width={40} aria-hidden="true">
        <path
          d={`M20 44 V${top}`}
          stroke={level >= 45 ? 'var(--rust)' : 'var(--blue)'}
          strokeWidth={5}
          strokeLinecap="round"
        />
        <path
          d="M14 38 V9 a6 6 0 0 1 12 0 V38 a9 9 0 1 1 -12 0Z"
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2.5}
        />
        <circle cx={20} cy={45} r={5} fill={level >= 45 ? 'var(--rust)' : 'var(--blue)'} />
      </svg>
    );
  }
  const y = 50 - Math.min(1, Math.max(0.05, level)) * 40;
  return (
    <svg viewBox="0 0 40 56" width={40} aria-hidden="true">
      <path d={`M9 ${y} H31 V51 H9Z`} fill="var(--water)" />
      <path d={`M9 ${y} H31`} stroke="var(--blue)" strokeWidth={2.5} />
      <path
        d="M5 6 H9 V51 H31 V6 H35 M31 18 H25 M31 28 H25 M31 38 H25"
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2.5}
      />
    </svg>
  );
}
