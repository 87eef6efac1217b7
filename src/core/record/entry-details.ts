import * as v from 'valibot';
import { SKILLS } from '../steps/types';

/**
 * What an entry of each kind tells beside its words: one schema a version, the last the one that is
 * written now. A kind or version that was ever written stays here, so that every row can be read.
 */
const uuid = v.string();
const nullable = v.nullable;
const maybe = <T extends v.GenericSchema>(of: T) => v.optional(v.nullable(of), null);
const nothing = v.object({});
/** Older rows told how rows stood before, in shapes of the database of their day. */
const older = v.record(v.string(), v.unknown());

const poured = v.object({
  pail: v.string(),
  fillId: uuid,
  portionId: uuid,
  stems: v.number(),
  /** Null where it went into water that stood there. */
  litres: nullable(v.number()),
});
const stepTap = v.object({
  stepId: uuid,
  portionId: uuid,
  stems: v.number(),
  used: maybe(v.record(v.string(), v.number())),
  reason: maybe(v.string()),
  withId: maybe(uuid),
  poured: v.array(poured),
});
const flawCount = v.object({ lotId: uuid, kind: v.string(), seen: v.number(), sample: v.number() });
const claimOpened = v.looseObject({
  lotId: uuid,
  deliveryId: uuid,
  kind: v.string(),
  stems: v.number(),
  value: nullable(v.number()),
});
/** What a setting of the house, a figure or a person's skill was about; its value stands in its own table. */
const houseSetting = v.looseObject({
  kind: v.picklist(['school', 'limit', 'has', 'who may']),
  subject: v.string(),
  key: v.string(),
  reason: v.string(),
});
const ownFigure = v.looseObject({
  kind: v.picklist(['constant', 'species', 'solution']),
  subject: v.string(),
  figure: v.string(),
  reason: v.string(),
});

export const ENTRY_DETAILS = {
  begin: [older, stepTap],
  done: [older, stepTap],
  skip: [older, stepTap],
  'look-back': [older, v.object({ stepId: uuid, portionId: uuid, stems: v.number(), outcome: v.string() })],
  recut: [older, v.object({ portionId: uuid, cm: v.number(), soaks: v.boolean() })],
  purpose: [older, v.object({ portionId: uuid, purpose: v.string(), eventOn: maybe(v.string()) })],
  apart: [v.object({ fromId: uuid, portionId: uuid, stems: v.number() })],
  processed: [nothing],
  look: [
    older,
    v.object({
      stage: v.number(),
      droop: v.string(),
      was: v.object({ stage: v.number(), droop: v.string() }),
    }),
  ],
  bin: [
    v.object({ stems: v.number(), reason: v.string() }),
    v.object({
      reason: v.string(),
      from: v.array(v.object({ portionId: uuid, stems: v.number() })),
    }),
  ],
  split: [v.object({ splitOffId: uuid, stems: v.number() })],
  merge: [v.object({ fromId: uuid, stems: v.number(), fromNumber: v.number(), intoNumber: v.number() })],
  'keep-for': [older, v.object({ day: maybe(v.string()) })],
  decide: [
    older,
    v.object({ decision: v.string(), because: v.string(), claimId: maybe(uuid), stems: v.number() }),
  ],
  flaw: [v.object({ counted: flawCount, before: maybe(flawCount) })],
  count: [
    older,
    v.object({ stems: v.number(), was: v.number(), short: v.number(), weighingId: maybe(uuid) }),
  ],
  temperature: [v.object({ place: v.picklist(['box', 'water']), before: maybe(v.number()) })],
  photo: [v.object({ photoId: uuid })],
  'photo-away': [v.object({ photoId: uuid })],
  logger: [
    older,
    v.object({ lots: v.array(v.object({ lotId: uuid, agedDays: v.number(), was: v.number() })) }),
  ],
  'book-in': [v.object({ lots: v.array(uuid) })],
  'line-booked': [nothing],
  'line-refused': [older, v.object({ reason: v.string() })],
  'lot-corrected': [
    v.object({
      was: v.object({ speciesKey: v.string(), variety: maybe(v.string()), cutDate: v.string() }),
      reason: v.string(),
    }),
  ],
  'delivery-corrected': [
    v.object({ was: v.object({ supplier: v.string(), deliveryRef: v.string() }), reason: v.string() }),
  ],
  unlearnt: [v.object({ supplier: v.string(), shape: maybe(v.string()), product: maybe(v.string()) })],
  order: [nothing],
  'call-off': [nothing],
  claim: [claimOpened],
  'claim-moved': [v.object({ from: v.string(), to: v.string(), settledValue: maybe(v.number()) })],
  'claim-window': [older, v.object({ supplier: v.string(), hours: v.number(), was: maybe(v.number()) })],
  make: [
    v.object({ lines: v.array(v.object({ lotId: uuid, stems: v.number() })) }),
    v.object({ lines: v.array(v.object({ lotId: uuid, portionId: uuid, stems: v.number() })) }),
  ],
  card: [v.object({ arrangementId: uuid })],
  wash: [
    older,
    v.object({ from: v.string(), to: v.string() }),
    v.object({
      from: v.string(),
      to: v.string(),
      /** What it went into, where it did. */
      dose: maybe(v.object({ product: v.string(), ppm: v.number(), ml: v.number(), contactMin: v.number() })),
    }),
  ],
  fill: [older, v.object({ fillId: uuid, litres: v.number() })],
  relay: [v.object({ relayId: uuid, pailIds: v.array(uuid) })],
  strip: [v.object({ relayId: uuid, pass: v.number(), readPpm: v.number(), predictedPpm: v.number() })],
  'water-look': [v.object({ fillId: uuid, look: v.string() })],
  'water-reading': [
    v.object({ fillId: uuid, ph: maybe(v.number()), us: maybe(v.number()), chlorinePpm: maybe(v.number()) }),
  ],
  'top-up': [v.object({ fillId: uuid, litres: v.number() })],
  'tool-cleaned': [v.object({ toolId: uuid })],
  'tip-out': [nothing, v.object({ fillId: uuid })],
  'turn-over': [nothing, v.object({ fromFillId: uuid, toPailId: uuid, fillId: uuid, litres: v.number() })],
  house: [houseSetting],
  species: [v.looseObject({ speciesKey: v.string() })],
  figure: [ownFigure],
  skill: [v.object({ personId: uuid, skill: v.picklist(SKILLS), shown: v.boolean() })],
  /** Their being here, where that was changed; what else was done tells nothing that a hand could not know. */
  person: [v.object({ personId: uuid, wasHere: maybe(v.boolean()) })],
  shop: [v.looseObject({ was: v.record(v.string(), v.union([v.string(), v.number()])) })],
  room: [v.object({ roomId: uuid, was: maybe(v.record(v.string(), v.union([v.string(), v.number()]))) })],
  pail: [v.object({ pailIds: v.array(uuid) })],
  correction: [nothing],
} as const satisfies Readonly<Record<string, readonly [v.GenericSchema, ...v.GenericSchema[]]>>;

export type EntryKind = keyof typeof ENTRY_DETAILS;
type Versions<K extends EntryKind> = (typeof ENTRY_DETAILS)[K];
type Last<T extends readonly unknown[]> = T extends readonly [...unknown[], infer L] ? L : never;
/** What an entry of that kind tells, as it is written now. */
export type DetailOf<K extends EntryKind> =
  Last<Versions<K>> extends infer S extends v.GenericSchema ? v.InferInput<S> : never;
/** The same as it is read: what was left out stands as nothing. */
export type ReadDetail<K extends EntryKind> =
  Last<Versions<K>> extends infer S extends v.GenericSchema ? v.InferOutput<S> : never;

type LastSchemas = { readonly [K in EntryKind]: v.GenericSchema<unknown, ReadDetail<K>> };
const LAST = Object.fromEntries(
  Object.entries(ENTRY_DETAILS).map(([kind, versions]) => [kind, versions[versions.length - 1]]),
) as unknown as LastSchemas;

/** A stored detail as its version tells it; null where it is of no version there ever was. */
export function readDetail(kind: string, version: number, stored: unknown): unknown {
  if (!Object.hasOwn(ENTRY_DETAILS, kind)) return null;
  const schema: v.GenericSchema | undefined = ENTRY_DETAILS[kind as EntryKind][version - 1];
  const read = schema && v.safeParse(schema, stored);
  return read?.success ? read.output : null;
}

/** The same where it tells what is told now, whatever its version; null where it was told otherwise. */
export function readAsNow<K extends EntryKind>(
  kind: K,
  version: number,
  stored: unknown,
): ReadDetail<K> | null {
  if (readDetail(kind, version, stored) === null) return null;
  const now: v.GenericSchema<unknown, ReadDetail<K>> = LAST[kind];
  const read = v.safeParse(now, stored);
  return read.success ? read.output : null;
}
