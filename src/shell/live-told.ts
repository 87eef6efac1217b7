/** What a tablet hears of an action that somebody did. */
export interface Told {
  /** The action's key: a tablet knows its own. Empty where it is not known what was done. */
  readonly key: string;
  /** The one place it shows in; null where it shows in all. */
  readonly place: string | null;
}
