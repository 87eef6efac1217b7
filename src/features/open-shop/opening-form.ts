import type { UseFormReturnType } from '@mantine/form';
import { USUAL_CURRENCY } from '@/core/opening/currency';
import { ASKED_NEEDS, type Opening } from '@/core/opening/opening';

export type OpeningForm = UseFormReturnType<Opening>;

/** What the pages begin with: usual rooms and pails, and nobody yet. */
export const EMPTY_OPENING: Opening = {
  name: '',
  language: 'en',
  units: 'metric',
  currency: USUAL_CURRENCY,
  timeZone: '',
  manager: { name: '', login: '', password: '' },
  hands: [{ name: '', pin: '' }],
  rooms: ['bench', 'cold', 'floor'],
  has: [...ASKED_NEEDS],
  suppliers: [],
  pails: [
    { count: 12, litres: 12, heightCm: 36, areClean: false },
    { count: 6, litres: 7, heightCm: 24, areClean: false },
  ],
  inHand: [],
  inHandRoom: 'cold',
};
