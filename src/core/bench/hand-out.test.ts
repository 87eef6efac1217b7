import { handOut, type OpenLot } from './hand-out';
import type { PlannedWork } from './tell';

const open = (lot: string, over: Partial<OpenLot> = {}): OpenLot => ({
  lot,
  heldBy: null,
  dueSinceMs: null,
  isWaiting: false,
  rank: 0,
  ...over,
});
const work = (hands: string, lot: string): PlannedWork => ({
  hands,
  lot,
  steps: [],
  fromMin: 0,
  toMin: 1,
  kettle: false,
  waitMin: 0,
  slackMin: 0,
});

test('each keeps what they hold, then turns to what is due, then to the plan, and nobody to another’s', () => {
  const lots = ['a', 'b', 'c', 'd'].map((l) => open(l));
  const plan = [work('Wen', 'a'), work('Bram', 'b'), work('Wen', 'c'), work('Bram', 'd')];
  expect(handOut(['Wen', 'Bram'], lots, plan, null)).toEqual([
    { hands: 'Wen', lot: 'a', next: ['c'] },
    { hands: 'Bram', lot: 'b', next: ['d'] },
  ]);
  const held = [
    open('a'),
    open('b'),
    open('c', { heldBy: 'Bram' }),
    open('d', { isWaiting: true, dueSinceMs: 5 }),
  ];
  expect(handOut(['Wen', 'Bram'], held, plan, null).map((h) => h.lot)).toEqual(['d', 'c']);
  expect(handOut(['Wen', 'Bram'], lots, plan, { hands: 'Wen', lot: 'b' }).map((h) => h.lot)).toEqual([
    'b',
    'd',
  ]);
});

test('without a plan the thirstiest first, and a lot whose clock runs needs nobody', () => {
  const lots = [open('a', { rank: 5 }), open('b', { rank: 1 }), open('c', { isWaiting: true, rank: 0 })];
  expect(handOut(['Wen', 'Bram', 'Tove'], lots, [], null).map((h) => h.lot)).toEqual(['b', 'a', null]);
});
