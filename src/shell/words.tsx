'use client';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { usValue } from '@/core/units/us-patterns';
import { writtenNumber } from '@/core/units/written-number';
import { isMessage, type MessageKey, type Words } from '@/core/words/message';
import type { Told } from './told';
import { useTold } from './use-told';

/** The words a page's own parts say, by key, as the server sent them in the reader's language. */
export type PageWords = Readonly<Partial<Record<MessageKey, string>>>;
export type SayWords = (key: MessageKey, told?: Readonly<Record<string, string | number>>) => string;

interface Reading {
  readonly words: PageWords;
  /** How the reader writes numbers. */
  readonly locale: string;
}
const ReadingContext = createContext<Reading>({ words: {}, locale: 'en-GB' });

/** Tells the parts of a page their words, and how their reader writes numbers. */
export function PageWordsProvider({
  told,
  locale,
  children,
}: {
  told: Told<PageWords>;
  locale: string;
  children: ReactNode;
}) {
  const words = useTold(told);
  const reading = useMemo(() => ({ words, locale }), [words, locale]);
  return (
    <ReadingContext value={reading}>
      <div lang={locale.slice(0, 2)} style={{ display: 'contents' }}>
        {children}
      </div>
    </ReadingContext>
  );
}

/** Says a page's words; what only the page knows is put in where the sentence has its place for it. */
export function useWords(): SayWords {
  const { words, locale } = useContext(ReadingContext);
  const written = (told: string | number): string =>
    typeof told === 'number' ? writtenNumber(told, locale) : told;
  return (key, told = {}) =>
    (words[key] ?? key).replace(/\{(\w+)\}/g, (place, name: string) => {
      const value = usValue(name, told) ?? told[name];
      return value === undefined ? place : written(value);
    });
}

/** Says whole messages of a page's words, others within them; what somebody wrote stands as it is. */
export function useSay(): (words: Words) => string {
  const t = useWords();
  const say = (words: Words): string => {
    if (typeof words === 'string') return words;
    const told = Object.entries(words.with ?? {}).map(([name, value]): [string, string | number] => [
      name,
      typeof value === 'string' || isMessage(value) ? say(value) : typeof value === 'number' ? value : '',
    ]);
    return t(words.message, Object.fromEntries(told));
  };
  return say;
}
