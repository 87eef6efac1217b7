import * as v from 'valibot';
import { protocolEditsSchema } from '../protocol/edits';
import { DEPTHS } from '../species/depths';
import { OWN_KEY } from '../species/registry';
import type { Species } from '../species/species';
import { TRAIT_KEYS, traitsToldBy } from '../species/traits';
import { between, oneOf, strict, whole } from './shapes';

const words = (most: number) =>
  v.pipe(v.string('must be words'), v.trim(), v.minLength(1, 'is empty'), v.maxLength(most, 'is too long'));
const flag = v.boolean('must be true or false');
const orNone = <T extends v.GenericSchema>(of: T) => v.nullable(of);

const rowSchema = strict({
  key: v.pipe(
    v.string('must be words'),
    v.regex(OWN_KEY, 'must be own-, the shop’s mark, and a name in small letters'),
  ),
  name: words(60),
  botanical: words(80),
  role: oneOf(['focal', 'line', 'filler', 'foliage']),
  habit: oneOf(['cup', 'disc', 'spike', 'spray', 'trumpet', 'ball', 'blade', 'branch']),
  headsOpenInTurn: flag,
  lifeDays20C: between(0.5, 100),
  lifeSpread: between(0, 1),
  foodGain: between(0.2, 5),
  foodKind: oneOf(['standard', 'bulb', 'holding', 'none']),
  q10: between(1, 6),
  ethylene: whole(0, 3),
  chillBelowC: orNone(between(-50, 20)),
  storeMinC: between(-5, 30),
  storeMaxC: between(-5, 35),
  storeHumidityPct: between(1, 100),
  dryHours: between(0.2, 200),
  leafiness: between(0, 6),
  plug: between(0.05, 5),
  openDays20C: between(0, 40),
  opensAfterCut: flag,
  arriveStage: words(120),
  endMode: words(120),
  firstDrink: oneOf(['cold', 'tepid', 'warm', 'hot-dip']),
  depth: oneOf(DEPTHS),
  cutCm: between(0, 20),
  foliage: oneOf(['waterline', 'lower-two', 'bare', 'bare-or-keep', 'late', 'none']),
  sap: oneOf(['none', 'mucilage', 'latex']),
  mist: oneOf(['yes', 'no', 'house', 'wrap']),
  leadDays: between(0, 30),
  gramsPerStem: orNone(between(0.5, 5000)),
  stemMm: between(0.5, 80),
  build: oneOf(['woody', 'hollow', 'fleshy', 'herbaceous']),
  pets: words(40),
  skin: words(40),
  notOnFood: words(40),
  hotDipC: orNone(between(30, 100)),
  hotDipS: orNone(between(1, 600)),
  waterMostH: v.optional(orNone(between(1, 400)), null),
  /** Left out by files written before there were traits: what the other columns tell is taken. */
  traits: v.exactOptional(v.pipe(v.array(oneOf(TRAIT_KEYS)), v.maxLength(TRAIT_KEYS.length))),
  basis: oneOf(['trade', 'practice']),
});

/** A species of a shop's own: every figure of the table, its traits, and a key that bears the shop's mark. */
export const ownSpeciesSchema = v.pipe(
  rowSchema,
  v.transform((row): Species => ({ ...row, traits: row.traits ?? traitsToldBy(row) })),
);

export const SPECIES_FILE_FORMAT = 'hush-pail species and protocol';

/** A species and a shop's changes to its protocol, as one file. */
export const speciesFileSchema = strict({
  format: v.literal(SPECIES_FILE_FORMAT, `must be "${SPECIES_FILE_FORMAT}"`),
  version: v.literal(1, 'must be 1: this product reads no other'),
  /** Key of one of the table's, or of the shop's own. */
  speciesKey: v.pipe(
    v.string('must be words'),
    v.regex(/^[a-z0-9][a-z0-9-]{1,60}$/, 'is no key of a species'),
  ),
  /** The whole species where it is a shop's own; null for one of the table's. */
  species: v.nullable(ownSpeciesSchema),
  edits: protocolEditsSchema,
});
export type SpeciesFile = v.InferOutput<typeof speciesFileSchema>;
