/** Why stems go in the bin at the dock. */
export const BIN_REASONS = [
  'broken',
  'grey mould',
  'brown buds',
  'blown',
  'hanging',
  'cut dry',
  'other',
] as const;

/** The five stages as they are said, with the number each stands for. */
export const STAGES = [
  { stage: 0, word: 'shut' },
  { stage: 0.25, word: 'showing' },
  { stage: 0.5, word: 'half open' },
  { stage: 1, word: 'open' },
  { stage: 1.1, word: 'blown' },
] as const;
