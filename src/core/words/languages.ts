/** The languages there is a catalogue for, and what those who read one call it: small enough for every page. */
export const LANGUAGE_NAMES = { en: 'English', es: 'Español' } as const;

export type Language = keyof typeof LANGUAGE_NAMES;
export const LANGUAGES = Object.keys(LANGUAGE_NAMES) as Language[];

export const LANGUAGE_CHOICES: readonly { readonly value: Language; readonly label: string }[] =
  LANGUAGES.map((value) => ({ value, label: LANGUAGE_NAMES[value] }));
