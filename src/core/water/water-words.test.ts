import { inEnglish, say } from '../words/say';
import { solutionInSentence, solutionWords } from './solution-words';
import { isSolutionKey, SOLUTION_KEYS, solutionOf } from './solutions';

test('every solution is said in both languages, within a sentence in small letters', () => {
  for (const key of SOLUTION_KEYS) {
    const name = inEnglish(solutionWords(key));
    expect(name).toMatch(/^[A-Z][a-z]/);
    expect(inEnglish(solutionInSentence(key))).toBe(name.toLowerCase());
    expect(say(solutionWords(key), 'es')).not.toBe(name);
  }
});

test('one that no version now knows is said as it is stored, and counts as plain water', () => {
  expect(inEnglish(solutionWords('moon water'))).toBe('moon water');
  expect(solutionOf('moon water')).toBe('plain');
  expect(solutionOf(null)).toBe('plain');
  expect(solutionOf('holding')).toBe('holding');
  expect(['toString', '', 'Plain'].map(isSolutionKey)).toEqual([false, false, false]);
});
