/** The places in the order stems travel; their keys are 1 to 7. */
export const PLACES = [
  { key: 'dock', path: '/dock', name: 'Dock' },
  { key: 'bench', path: '/bench', name: 'Bench' },
  { key: 'pails', path: '/pails', name: 'Pails' },
  { key: 'rooms', path: '/rooms', name: 'Rooms' },
  { key: 'make', path: '/make', name: 'Make' },
  { key: 'send-off', path: '/send-off', name: 'Send-off' },
  { key: 'desk', path: '/desk', name: 'Desk' },
] as const;
export type PlaceKey = (typeof PLACES)[number]['key'];

/** What a place says under its name: how much waits there, and whether that is late. */
export interface PlaceNote {
  readonly words: string;
  readonly late: boolean;
}

/** One thing that is due, with a clock where one runs. */
export interface NextItem {
  readonly id: string;
  readonly title: string;
  readonly note: string;
  /** Milliseconds since 1970; null when it is due at no hour. */
  readonly dueAt: number | null;
  readonly startedAt: number | null;
  readonly href: string;
}

/** The keys of the application, in one place: shown on the sheet, listened for by the shell. */
export const KEYS = [
  { key: '1 – 7', does: 'go to a place' },
  { key: 'N', does: 'show what is next' },
  { key: '/', does: 'find or do something in a few words' },
  { key: '.', does: 'log the step in hand' },
  { key: 'Enter', does: 'do the suggested thing' },
  { key: 'Z', does: 'take back your last entry' },
  { key: '?', does: 'show this sheet' },
] as const;
