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

/** What the parts of one page say in the browser: that page's words in one language, and no others. */
export function pageWords(page: string, tag: LanguageTag): PageWords {
  const known = made.get(`${page} ${tag}`);
  if (known) return known;
  const words = Object.fromEntries(keysOf(`${page}.`).map((key) => [key, patternOf(key, tag)]));
  made.set(`${page} ${tag}`, words);
  return words;
}
