import type { LotBrief } from '@/server/stock';
import type { NoteLine } from '@/core/note/types';

/** A line of a note that waits or was refused, as the slip shows it. */
export interface KeptLineView {
  readonly id: string;
  readonly line: number;
  readonly fate: 'waiting' | 'refused';
  readonly reason: string;
  readonly product: string;
  readonly said: Partial<NoteLine>;
}

/** One delivery: its lots, and what of its note is no lot. */
export interface SlipView {
  readonly deliveryId: string;
  readonly deliveryRef: string;
  readonly supplier: string;
  readonly lots: readonly (LotBrief & { readonly withWhom: string | null })[];
  readonly kept: readonly KeptLineView[];
}
