/** Why stems go in the bin at the dock; rotten ones foul the water they stood in. */
export const BIN_REASONS = [
  'broken',
  'grey mould',
  'brown buds',
  'blown',
  'hanging',
  'cut dry',
  'rotten',
  'other',
] as const;
