import { QUESTIONS, type Question } from './questions';

export type QuestionKey = (typeof QUESTIONS)[number]['key'];
export const QUESTION_KEYS: readonly QuestionKey[] = QUESTIONS.map((q) => q.key);

type Answers = Readonly<Partial<Record<QuestionKey, string>>>;
/** A house's answers, and its exceptions by species. A question not answered is the default's. */
export interface Schools {
  readonly house: Answers;
  readonly exceptions: Readonly<Record<string, Answers>>;
}
export const DEFAULT_SCHOOLS: Schools = { house: {}, exceptions: {} };

const BY_KEY: ReadonlyMap<string, Question> = new Map(QUESTIONS.map((q) => [q.key, q]));

/** The question of that key. */
export function questionOf(key: QuestionKey): Question {
  return BY_KEY.get(key) ?? QUESTIONS[0];
}

/** The school of a question that holds for a species: its exception, else the house's, else the default. */
export function schoolFor(schools: Schools, key: QuestionKey, speciesKey: string): string {
  const own = Object.hasOwn(schools.exceptions, speciesKey)
    ? schools.exceptions[speciesKey]?.[key]
    : undefined;
  const asked = own ?? schools.house[key];
  const question = questionOf(key);
  const found = question.schools.find((s) => s.key === asked) ?? question.schools[0];
  return found?.key ?? '';
}
