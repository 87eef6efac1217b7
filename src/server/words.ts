import 'server-only';
import type { Language } from '@/core/words/catalogues';
import { m, type MessageKey, type Told } from '@/core/words/message';
import { keysOf, patternOf, say } from '@/core/words/say';
import type { PageWords } from '@/shell/words';

/** Says a message in the reader's language. */
export const speakerOf =
  (language: Language) =>
  (key: MessageKey, told?: Readonly<Record<string, Told>>): string =>
    say(m(key, told), language);

const made = new Map<string, PageWords>();

/** What the parts of one page say in the browser: that page's words in one language, and no others. */
export function pageWords(page: string, language: Language): PageWords {
  const known = made.get(`${page} ${language}`);
  if (known) return known;
  const words = Object.fromEntries(keysOf(`${page}.`).map((key) => [key, patternOf(key, language)]));
  made.set(`${page} ${language}`, words);
  return words;
}
