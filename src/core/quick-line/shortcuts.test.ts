import { SHORTCUTS, shortcutsFor } from './shortcuts';

test.each([
  ['undo', ['take back']],
  ['  Take  Back ', ['take back']],
  ['take', ['take back']],
  ['next', ['next']],
  ['due', ['next']],
  ['shortcuts', ['keys']],
  ['log the', ['log']],
])('%s is what has a key', (text, expected) => {
  expect(shortcutsFor(text)).toEqual(expected);
});

test.each(['', 't', 'ta', 'where tulip', 'take back 4', 'undone', 'tip out 7', 'nextdoor'])(
  '%s asks for no key',
  (text) => {
    expect(shortcutsFor(text)).toEqual([]);
  },
);

test('each can be asked for', () => {
  expect(
    SHORTCUTS.filter((s) => !['undo', 'next', 'keys', 'step in hand'].flatMap(shortcutsFor).includes(s)),
  ).toEqual([]);
});
