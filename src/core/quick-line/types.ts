import type { FoodKey } from '../water/food';
import type { BIN_REASONS } from '../dock/bin-reasons';
import type { SampledFlaw } from '../dock/flaws';

/** A lot as it can be named in a few words. */
export interface QuickLot {
  readonly id: string;
  readonly number: number;
  readonly speciesKey: string;
  readonly name: string;
  readonly variety: string | null;
  readonly stems: number;
}
interface Named {
  readonly id: string;
  readonly name: string;
}

/** What a few words can be about: what stands in the shop, and who works there. */
export interface QuickWorld {
  readonly lots: readonly QuickLot[];
  readonly pails: readonly Named[];
  readonly arrangements: readonly Named[];
  readonly people: readonly Named[];
  readonly places: readonly { readonly key: string; readonly name: string }[];
}

export type BinReason = (typeof BIN_REASONS)[number];

/** Something that may have been meant. The last four do something; the others show it. */
export type Meaning =
  | { readonly kind: 'place'; readonly key: string }
  | { readonly kind: 'lot'; readonly lot: QuickLot }
  | { readonly kind: 'pail'; readonly pail: Named }
  | { readonly kind: 'card'; readonly arrangement: Named }
  | { readonly kind: 'record of lot'; readonly lot: QuickLot }
  | { readonly kind: 'record of pail'; readonly pail: Named }
  | { readonly kind: 'record of person'; readonly person: Named }
  /** A line of a delivery, as it would be typed at the dock. */
  | { readonly kind: 'delivery line'; readonly text: string }
  /** How much sanitiser goes into so many litres. */
  | { readonly kind: 'dose'; readonly litres: number }
  /** How much food goes into so many litres. */
  | { readonly kind: 'food'; readonly food: FoodKey; readonly litres: number }
  | { readonly kind: 'tip out'; readonly pail: Named }
  /** Stems that came in another state: a lot of their own, to be looked at apart. */
  | { readonly kind: 'split'; readonly lot: QuickLot; readonly stems: number }
  | { readonly kind: 'bin'; readonly lot: QuickLot; readonly stems: number; readonly reason: BinReason }
  | {
      readonly kind: 'flaw';
      readonly lot: QuickLot;
      readonly flaw: SampledFlaw;
      readonly seen: number;
      readonly sample: number;
    };

export interface QuickReading {
  readonly meanings: readonly Meaning[];
  /** Words that were not understood: what is offered leaves them out, and does nothing by itself. */
  readonly unread: readonly string[];
  /** What is lacking or cannot be, in a sentence. */
  readonly problem: string | null;
}
