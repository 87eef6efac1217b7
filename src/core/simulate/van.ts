import { isoDateOf } from '../calendar/dates';
import { DAY_MS } from '../calendar/spans';
import type { OrderLine } from '../dock/compare-order';
import { FLAW_KINDS, type FlawKind } from '../dock/flaws';
import { randomStream, type RandomStream } from '../random';
import { SHIPPED_SPECIES } from '../species/registry';
import { isTropical } from '../species/traits';
import type { Droop } from '../vase-life/types';
import { MADE_UP_SUPPLIERS, type MadeUpSupplier } from './suppliers';

/** One line of a made-up van: what its note says, and what is in the box. */
export interface VanLine {
  readonly line: number;
  readonly product: string;
  readonly speciesKey: string;
  readonly variety: string;
  readonly colour: string;
  readonly lengthCm: number;
  readonly bunches: number;
  readonly stemsPerBunch: number;
  /** ISO date, as the note has it. */
  readonly cutDate: string;
  readonly origin: string;
  readonly packing: string;
  readonly unitPrice: number;
  readonly inBox: {
    readonly stems: number;
    readonly droop: Droop;
    readonly isOpenEarly: boolean;
    readonly boxTempC: number;
    readonly gramsPerStem: number;
    readonly flaws: readonly { readonly kind: FlawKind; readonly share: number }[];
  };
}

export interface Van {
  readonly supplier: string;
  readonly deliveryRef: string;
  /** ISO date of the morning it comes. */
  readonly day: string;
  readonly stoodWarm: boolean;
  readonly lines: readonly VanLine[];
}

const between = (stream: RandomStream, least: number, most: number): number =>
  least + Math.floor(stream.uniform() * (most - least + 1));

function boxOf(
  stream: RandomStream,
  supplier: MadeUpSupplier,
  stoodWarm: boolean,
  noted: {
    readonly speciesKey: string;
    readonly bunches: number;
    readonly stemsPerBunch: number;
    readonly wet: boolean;
  },
): VanLine['inBox'] {
  const species = SHIPPED_SPECIES.byKey(noted.speciesKey);
  const { hidden } = supplier;
  const isShort = stream.uniform() < hidden.short && noted.bunches > 1;
  const warmBy = stoodWarm ? 7 + 4 * stream.uniform() : 3 * stream.uniform();
  const limp = stream.uniform() < (stoodWarm ? 0.6 : 0.15) && !noted.wet;
  const flaws = FLAW_KINDS.flatMap((kind) => {
    const [chance, share] = hidden.flaws[kind] ?? [0, 0];
    // A flaw is drawn for every kind, so that one supplier's faults do not shift another's luck.
    const [has, spread] = [stream.uniform() < chance, 0.5 + stream.uniform()];
    const fits = kind !== 'chilled' || isTropical(species);
    return has && fits ? [{ kind, share: Math.min(1, share * spread) }] : [];
  });
  return {
    stems: (noted.bunches - (isShort ? 1 : 0)) * noted.stemsPerBunch,
    droop: limp ? (stoodWarm && stream.uniform() < 0.3 ? 'hanging' : 'soft') : 'firm',
    isOpenEarly: stoodWarm && stream.uniform() < 0.5,
    boxTempC: Math.round(10 * (species.storeMaxC + warmBy)) / 10,
    gramsPerStem: (species.gramsPerStem ?? 30) * (0.85 + 0.3 * stream.uniform()),
    flaws,
  };
}

/**
 * The van of a morning: which supplier's, what its note says and what is truly in its boxes. The
 * same day and seed give the same van on every machine.
 * @param day ISO date
 */
export function vanOn(day: string, seed: number): Van {
  const at = Date.parse(`${day}T00:00:00Z`);
  const dayNo = Math.floor(at / DAY_MS);
  const supplier = MADE_UP_SUPPLIERS[dayNo % MADE_UP_SUPPLIERS.length] as MadeUpSupplier;
  const stream = randomStream(seed, dayNo);
  const stoodWarm = stream.uniform() < supplier.hidden.warmVan;
  const few = Math.min(supplier.lines.length, 6 + between(stream, 0, 2));
  const skipped = between(stream, 0, supplier.lines.length - 1);
  const chosen = supplier.lines.filter((_, i) => (i + skipped) % supplier.lines.length < few);
  const lines = chosen.map((made, i): VanLine => {
    const [variety, colour] = made.varieties[between(stream, 0, made.varieties.length - 1)] ?? ['', ''];
    const bunches = between(stream, ...made.bunches);
    const { product, speciesKey, lengthCm, stemsPerBunch, origin, packing } = made;
    return {
      line: i + 1,
      product,
      speciesKey,
      variety,
      colour,
      lengthCm,
      bunches,
      stemsPerBunch,
      cutDate: isoDateOf(at - (made.cutDaysBefore - supplier.hidden.olderDays) * DAY_MS),
      origin,
      packing,
      unitPrice: Math.round(100 * made.price * (0.9 + 0.2 * stream.uniform())) / 100,
      inBox: boxOf(stream, supplier, stoodWarm, {
        speciesKey,
        bunches,
        stemsPerBunch,
        wet: /wet|capped/.test(packing),
      }),
    };
  });
  const deliveryRef = `${supplier.refPrefix}-${day.slice(2).replaceAll('-', '')}`;
  return { supplier: supplier.name, deliveryRef, day, stoodWarm, lines };
}

/** What an eye and a thermometer find in a sample of a box. */
export interface BoxFound {
  readonly sample: number;
  readonly counted: readonly { readonly kind: FlawKind; readonly seen: number }[];
  readonly droop: Droop;
  readonly isOpenEarly: boolean;
  readonly stems: number;
  readonly boxTempC: number;
  /** Grams of one bunch of the line. */
  readonly bunchGrams: number;
}

/** Takes stems out of a made-up box, without putting any back: what is counted is luck as well as truth. */
export function openBox(line: VanLine, sample: number, seed: number): BoxFound {
  const stream = randomStream(seed, line.line);
  const { inBox } = line;
  const looked = Math.min(sample, inBox.stems);
  const counted = inBox.flaws.map(({ kind, share }) => {
    let [left, bad, seen] = [inBox.stems, Math.round(share * inBox.stems), 0];
    for (let i = 0; i < looked; i++, left--)
      if (stream.uniform() * left < bad) {
        bad--;
        seen++;
      }
    return { kind, seen };
  });
  return {
    sample: looked,
    counted: counted.filter((c) => c.seen > 0),
    droop: inBox.droop,
    isOpenEarly: inBox.isOpenEarly,
    stems: inBox.stems,
    boxTempC: inBox.boxTempC,
    bunchGrams: Math.round(inBox.gramsPerStem * line.stemsPerBunch),
  };
}

/**
 * What the shop had ordered of a van: its lines, but that the first was ordered a bunch larger and
 * that something of the supplier's did not come at all where it grows more than it sent.
 */
export function orderOf(van: Van): OrderLine[] {
  const ordered = van.lines.map((l, i) => ({
    line: i + 1,
    speciesKey: l.speciesKey,
    variety: l.variety,
    lengthCm: l.lengthCm,
    stems: (l.bunches + (i === 0 ? 1 : 0)) * l.stemsPerBunch,
  }));
  const sent = new Set(van.lines.map((l) => l.speciesKey));
  const left = MADE_UP_SUPPLIERS.find((s) => s.name === van.supplier)?.lines.find(
    (l) => !sent.has(l.speciesKey),
  );
  if (!left) return ordered;
  const { speciesKey, lengthCm, stemsPerBunch, bunches } = left;
  const stems = bunches[0] * stemsPerBunch;
  return [...ordered, { line: ordered.length + 1, speciesKey, variety: null, lengthCm, stems }];
}
