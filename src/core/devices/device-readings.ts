import * as v from 'valibot';
import { DAY_MS, MINUTE_MS } from '../calendar/spans';

/** What a shop may have that reads by itself. */
export const DEVICE_KINDS = ['doser', 'strip reader'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

/** So many readings come at once at most; more come in another batch. */
export const MOST_READINGS = 200;
/** A reading that is older than this says nothing of water that stands. */
const OLDEST_MS = 7 * DAY_MS;
/** Clocks of devices run ahead by so much at most. */
const AHEAD_MS = 5 * MINUTE_MS;

const number = (from: number, to: number) =>
  v.pipe(v.number('must be a number'), v.minValue(from, `from ${from}`), v.maxValue(to, `up to ${to}`));
const whole = (from: number, to: number) => v.pipe(number(from, to), v.integer('must be whole'));
const maybe = (from: number, to: number) => v.optional(v.nullable(number(from, to)), null);
const common = {
  /** Counted up by the device itself: the same number is the same reading, however often it comes. */
  seq: whole(1, Number.MAX_SAFE_INTEGER),
  at: v.pipe(v.string(), v.isoTimestamp('must be a time such as 2026-11-24T06:50:00Z')),
};
/** As its label has it: "%P12K". */
const pailCode = v.pipe(v.string(), v.trim(), v.minLength(3), v.maxLength(20));

/** One reading of a device. */
export const deviceReadingSchema = v.variant('kind', [
  v.strictObject({
    ...common,
    kind: v.literal('dose'),
    /** Strokes since the reading before, and what they gave, mL. */
    strokes: whole(1, 1000),
    ml: number(0, 20_000),
    pail: v.optional(v.nullable(pailCode), null),
  }),
  v.pipe(
    v.strictObject({
      ...common,
      kind: v.literal('strip'),
      pail: pailCode,
      ph: maybe(0, 14),
      us: maybe(0, 20_000),
      chlorinePpm: maybe(0, 2000),
    }),
    v.check((r) => r.ph !== null || r.us !== null || r.chlorinePpm !== null, 'says nothing that was read'),
  ),
]);
export type DeviceReading = v.InferOutput<typeof deviceReadingSchema>;
export type Dose = Extract<DeviceReading, { kind: 'dose' }>;
export type Strip = Extract<DeviceReading, { kind: 'strip' }>;

/** A batch as a device sends it; each reading is looked at by itself. */
export const deviceBatchSchema = v.strictObject({
  readings: v.pipe(
    v.array(v.unknown()),
    v.minLength(1, 'has no reading'),
    v.maxLength(MOST_READINGS, `takes at most ${MOST_READINGS} at once`),
  ),
});

/** A reading that is not kept, and why. */
export interface RefusedReading {
  /** Its number; null where it tells none. */
  readonly seq: number | null;
  readonly why: string;
}

const seqOf = (given: unknown): number | null => {
  const seq = typeof given === 'object' && given !== null && 'seq' in given ? given.seq : null;
  return typeof seq === 'number' ? seq : null;
};

function whyLate(at: string, now: number): string | null {
  const when = Date.parse(at);
  if (when > now + AHEAD_MS) return 'its time has not come yet: set the device’s clock';
  return when < now - OLDEST_MS ? 'it is over a week old' : null;
}

/** Sorts a batch: what can be kept, each number once, and what cannot, with why. */
export function sortReadings(
  given: readonly unknown[],
  now: number,
): { readonly kept: readonly DeviceReading[]; readonly refused: readonly RefusedReading[] } {
  const kept = new Map<number, DeviceReading>();
  const refused: RefusedReading[] = [];
  for (const one of given) {
    const read = v.safeParse(deviceReadingSchema, one);
    if (!read.success) {
      const [issue] = read.issues;
      refused.push({ seq: seqOf(one), why: `${v.getDotPath(issue) ?? 'it'}: ${issue.message}` });
      continue;
    }
    const late = whyLate(read.output.at, now);
    if (late) refused.push({ seq: read.output.seq, why: late });
    else if (!kept.has(read.output.seq)) kept.set(read.output.seq, read.output);
  }
  return { kept: [...kept.values()], refused };
}
