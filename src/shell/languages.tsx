'use client';
import { createContext, useContext, type ReactNode } from 'react';
import type { LanguageChoice } from '@/core/words/catalogues';

const LanguagesContext = createContext<readonly LanguageChoice[]>([]);

/** Tells what is inside which languages there are to choose: their catalogues stay on the server. */
export const LanguagesProvider = ({
  languages,
  children,
}: {
  languages: readonly LanguageChoice[];
  children: ReactNode;
}) => <LanguagesContext value={languages}>{children}</LanguagesContext>;

export const useLanguages = (): readonly LanguageChoice[] => useContext(LanguagesContext);
