import type { EntryKind } from './entry-details';

/** What entries are asked for by: where the work was done, or what was decided. */
export const ENTRY_GROUPS = [
  'dock',
  'bench',
  'pails',
  'arrangements',
  'claims',
  'house',
  'taken back',
] as const;
export type EntryGroup = (typeof ENTRY_GROUPS)[number];

const GROUP_OF: Readonly<Record<EntryKind, EntryGroup>> = {
  'book-in': 'dock',
  'line-booked': 'dock',
  'line-refused': 'dock',
  'lot-corrected': 'dock',
  'delivery-corrected': 'dock',
  unlearnt: 'dock',
  order: 'dock',
  'call-off': 'dock',
  look: 'dock',
  bin: 'dock',
  split: 'dock',
  merge: 'dock',
  'keep-for': 'dock',
  decide: 'dock',
  flaw: 'dock',
  count: 'dock',
  temperature: 'dock',
  photo: 'dock',
  'photo-away': 'dock',
  logger: 'dock',
  begin: 'bench',
  done: 'bench',
  skip: 'bench',
  'look-back': 'bench',
  recut: 'bench',
  purpose: 'bench',
  apart: 'bench',
  processed: 'bench',
  wash: 'pails',
  fill: 'pails',
  relay: 'pails',
  strip: 'pails',
  'water-look': 'pails',
  'tip-out': 'pails',
  'turn-over': 'pails',
  make: 'arrangements',
  card: 'arrangements',
  claim: 'claims',
  'claim-moved': 'claims',
  'claim-window': 'claims',
  house: 'house',
  species: 'house',
  figure: 'house',
  skill: 'house',
  person: 'house',
  shop: 'house',
  room: 'house',
  pail: 'pails',
  correction: 'taken back',
};

/** The kinds of entry that are found under one heading. */
export const kindsOf = (group: EntryGroup): EntryKind[] =>
  (Object.keys(GROUP_OF) as EntryKind[]).filter((kind) => GROUP_OF[kind] === group);
