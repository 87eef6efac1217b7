import 'server-only';
import type { LanguageTag } from '@/core/words/catalogues';
import { m, type MessageKey, type Told as ToldIn } from '@/core/words/message';
import { keysOf, patternOf, say } from '@/core/words/say';
import { tell, type Told } from '@/shell/told';
import type { PageWords } from '@/shell/words';

/** Says a message in the reader's language. */
export const speakerOf =
  (tag: LanguageTag) =>
  (key: MessageKey, told?: Readonly<Record<string, ToldIn>>): string =>
    say(m(key, told), tag);

const made = new Map<string, Told<PageWords>>();

/** What the parts of one page say in the browser, as it is told them: the words of its groups in one language, and no others. */
export function pageWords(groups: readonly string[], tag: LanguageTag): Told<PageWords> {
  const name = `${groups.join()} ${tag}`;
  const known = made.get(name);
  if (known) return known;
  const keys = groups.flatMap((group) => keysOf(`${group}.`));
  const words = tell<PageWords>(Object.fromEntries(keys.map((key) => [key, patternOf(key, tag)])));
  made.set(name, words);
  return words;
}
