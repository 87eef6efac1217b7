import { m, type Message } from '../words/message';
import { isLook } from './count-filter';
import type { Seen } from './water-seen';

/** What a strip or a meter said, thing by thing. */
export const readingWords = ({
  ph,
  us,
  chlorinePpm,
}: Pick<Extract<Seen, { kind: 'reading' }>, 'ph' | 'us' | 'chlorinePpm'>): Message[] => [
  ...(ph === null ? [] : [m('record.reading.ph', { n: ph })]),
  ...(us === null ? [] : [m('record.reading.us', { n: us })]),
  ...(chlorinePpm === null ? [] : [m('record.reading.chlorine', { n: chlorinePpm })]),
];

/** What was seen or read in a pail's water, or done to it; nothing of a look that no version now knows. */
export function seenWords(seen: Seen): Message[] {
  switch (seen.kind) {
    case 'look':
      return isLook(seen.look) ? [m('water.looks', { look: m(`water.look.${seen.look}`) })] : [];
    case 'reading':
      return readingWords(seen);
    case 'top-up':
      return [m('water.topped', { litres: seen.litres })];
    case 'fouled':
      return [];
  }
}
