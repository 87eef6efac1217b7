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

/** A lot as a row of its slip shows it. */
export interface SlipLot extends Pick<
  LotBrief,
  | 'id'
  | 'number'
  | 'name'
  | 'variety'
  | 'stemsLeft'
  | 'stemsBooked'
  | 'looked'
  | 'decision'
  | 'droop'
  | 'stands'
  | 'forDay'
> {
  /** Whoever else has its box open just now. */
  readonly withWhom: string | null;
}

/** One delivery: its lots, and what of its note is no lot. */
export interface SlipView {
  readonly deliveryId: string;
  readonly deliveryRef: string;
  readonly supplier: string;
  readonly lots: readonly SlipLot[];
  readonly kept: readonly KeptLineView[];
}
