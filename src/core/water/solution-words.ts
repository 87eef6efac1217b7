import { low, m, type Words } from '../words/message';
import { isSolutionKey } from './solutions';

/** What water is called that stands in a pail; a key that no version now knows is said as it is. */
export const solutionWords = (key: string): Words => (isSolutionKey(key) ? m(`solution.${key}`) : key);

/** The same within a sentence: in small letters. */
export const solutionInSentence = (key: string): Words =>
  isSolutionKey(key) ? low(m(`solution.${key}`)) : key;
