import { HOUR_MS } from '../calendar/spans';

/** What cuts or holds stems and carries what lives in water from one pail to the next. */
export const TOOL_KINDS = ['knife', 'snips', 'stripper', 'vases'] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

/** How often each is cleaned where the shop says nothing, hours (estimates: by shift, by day, by week). */
export const USUAL_EVERY_H: Readonly<Record<ToolKind, number>> = {
  knife: 12,
  snips: 12,
  stripper: 24,
  vases: 168,
};
export const MOST_EVERY_H = 720;

/** A thing that is cleaned on a clock. */
export interface ToolClock {
  readonly everyH: number;
  /** Milliseconds; null where nobody ever did. */
  readonly cleanedAt: number | null;
  readonly addedAt: number;
}

/** Hours until it is to be cleaned; under 0 for how long it waits already. One that nobody cleaned is due as it came. */
export const dueInHours = ({ everyH, cleanedAt, addedAt }: ToolClock, now: number): number =>
  cleanedAt === null ? (addedAt - now) / HOUR_MS : everyH - (now - cleanedAt) / HOUR_MS;

/** What waits longest first, by its own clock: a knife that is a shift late before vases that are an hour late. */
export const dirtiestFirst = <T extends ToolClock>(tools: readonly T[], now: number): T[] =>
  [...tools].sort((a, b) => dueInHours(a, now) / a.everyH - dueInHours(b, now) / b.everyH);
