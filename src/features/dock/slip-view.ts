import type { LotBrief } from '@/server/stock';
import type { KeptLineView } from './kept-lines';

/** One delivery: its lots, and what of its note is no lot. */
export interface SlipView {
  readonly deliveryId: string;
  readonly deliveryRef: string;
  readonly supplier: string;
  readonly lots: readonly (LotBrief & { readonly withWhom: string | null })[];
  readonly kept: readonly KeptLineView[];
}
