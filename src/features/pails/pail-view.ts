import type { PailRow } from '@/data/pails';

/** A pail as its rack shows it. */
export interface PailView {
  readonly id: string;
  readonly name: string;
  readonly sizeL: number;
  readonly heightCm: number;
  readonly state: PailRow['state'];
  readonly litres: number;
  readonly clarity: 'clear' | 'hazy' | 'cloudy';
  /** Hours until the predicted count is past its limit; null when that is far off or there is no water. */
  readonly dueInHours: number | null;
  readonly solution: string | null;
  readonly tempC: number | null;
  readonly filledAt: number | null;
  readonly sanitisedAt: number | null;
  readonly contactUntil: number | null;
  readonly lots: readonly {
    readonly id: string;
    readonly words: string;
    readonly colour: string | null;
    readonly stems: number;
  }[];
}
