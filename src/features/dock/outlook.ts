import type { Droop, LotForecast } from '@/core/vase-life/types';
import type { Words } from '@/core/words/message';

/** What a lot means as it is seen: its days, how it compares, and what the bench does for it. */
export interface Outlook {
  readonly daysLeft: LotForecast['daysLeft'];
  /** The lot's own: by when half of it has ended. */
  readonly lotDaysLeft: LotForecast['lotDaysLeft'];
  readonly shareByDay: readonly number[];
  /** Share of a usual life that is used. */
  readonly lifeUsed: number;
  /** Against what its supplier usually sends, in words; null while too little came. */
  readonly usual: string | null;
  /** Steps of its plan that are there because of how it came. */
  readonly changes: readonly string[];
}
/** The same before it is put into words. */
export type OutlookDraft = Omit<Outlook, 'changes' | 'usual'> & {
  readonly usual: Words | null;
  readonly changes: readonly Words[];
};

export const outlookKey = (stage: number, droop: Droop): string => `${stage} ${droop}`;
