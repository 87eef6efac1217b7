import 'server-only';
import type { LanguageTag } from '@/core/words/catalogues';
import { m, type MessageKey, type Told } from '@/core/words/message';
import { keysOf, patternOf, say } from '@/core/words/say';
import type { PageWords } from '@/shell/words';

/** Says a message in the reader's language. */
export const speakerOf =
  (tag: LanguageTag) =>
  (key: MessageKey, told?: Readonly<Record<string, Told>>): string =>
    say(m(key, told), tag);

const made = new Map<string, PageWords>();

/** What the parts of one page say in the browser: the words of its groups in one language, and no others. */
export function pageWords(groups: readonly string[], tag: LanguageTag): PageWords {
  const name = `${groups.join()} ${tag}`;
  const known = made.get(name);
  if (known) return known;
  const keys = groups.flatMap((group) => keysOf(`${group}.`));
  const words = Object.fromEntries(keys.map((key) => [key, patternOf(key, tag)]));
  made.set(name, words);
  return words;
}
