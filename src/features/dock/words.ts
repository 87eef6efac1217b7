/** The five stages as they are said, with the number each stands for. */
export const STAGES = [
  { stage: 0, word: 'shut' },
  { stage: 0.25, word: 'showing' },
  { stage: 0.5, word: 'half open' },
  { stage: 1, word: 'open' },
  { stage: 1.1, word: 'blown' },
] as const;

/** The stage whose word a lot's own is nearest to. */
export const nearestStage = (stage: number): number =>
  STAGES.reduce(
    (best, s, i) => (Math.abs(s.stage - stage) < Math.abs((STAGES[best]?.stage ?? 9) - stage) ? i : best),
    0,
  );
