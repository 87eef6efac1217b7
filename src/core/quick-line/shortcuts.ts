/** What has a key of its own and can be asked for in words as well. */
export const SHORTCUTS = ['take back', 'next', 'keys', 'log'] as const;
export type Shortcut = (typeof SHORTCUTS)[number];

/** Words each is asked for by; a beginning of three letters or more is enough. */
const ASKED_BY: Readonly<Record<Shortcut, readonly string[]>> = {
  'take back': ['take back', 'take it back', 'undo', 'untap'],
  next: ['next', 'what is next', 'due'],
  keys: ['keys', 'shortcuts', 'help'],
  log: ['log the step', 'step in hand'],
};
const SHORTEST = 3;

/**
 * The keys that a few words ask for by what they do.
 * @param text as it is typed; any letter's case, spaces round it do not count
 */
export function shortcutsFor(text: string): Shortcut[] {
  const typed = text.trim().toLowerCase().replace(/\s+/g, ' ');
  if (typed.length < SHORTEST) return [];
  return SHORTCUTS.filter((shortcut) => ASKED_BY[shortcut].some((words) => words.startsWith(typed)));
}
