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
