import { firstGuess } from '../core/dock/first-guess';
import type { LotRow } from '../data/lots';
import type { StepRow } from '../data/steps';
import { lotInputNow, lotNow, wetSince } from './lot-forecasts';

const CAME = new Date('2026-11-24T06:00:00Z');
const hour = (h: number): Date => new Date(CAME.getTime() + h * 3_600_000);

const lot = (over: Partial<LotRow>): LotRow => ({
  id: 'lot',
  number: 1,
  deliveryId: 'd',
  supplier: 'Norrholt Growers',
  deliveryRef: 'QN-1',
  line: 1,
  speciesKey: 'rose',
  variety: null,
  colour: null,
  stemsBooked: 20,
  stemsLeft: 20,
  cutDate: '2026-11-22',
  origin: null,
  packing: 'dry box',
  arrivedAt: CAME,
  agedDays: 0.5,
  airShare: 0,
  stage: 0.2,
  droop: 'firm',
  lookedAt: null,
  planNo: 1,
  fillId: null,
  pailId: null,
  pailName: null,
  filledAt: null,
  fillSolution: null,
  fillTempC: null,
  fillStart: null,
  roomId: 'r',
  unitPrice: null,
  currency: null,
  lengthCm: null,
  headsMin: null,
  stemsShort: 0,
  decision: null,
  forDay: null,
  mergedInto: null,
  inHandBy: null,
  inHandByName: null,
  inHandAt: null,
  purpose: 'usual',
  eventOn: null,
  sapOpen: false,
  version: 1,
  ...over,
});
const filled = (at: Date): Partial<LotRow> => ({
  fillId: 'f',
  filledAt: at,
  fillSolution: 'plain',
  fillTempC: 20,
  fillStart: 'clean',
});
const drank = (at: Date): StepRow[] => {
  const plan = firstGuess({ speciesKey: 'rose', origin: null, packing: 'dry box', hoursSinceCut: 40 }).plan;
  return plan
    .filter((s) => s.kind === 'drink')
    .map((step) => ({
      id: 's',
      lotId: 'lot',
      planNo: 1,
      position: 0,
      kind: step.kind,
      step,
      status: 'done',
      startedAt: at,
      dueAt: at,
      used: null,
      outcome: null,
      handsId: null,
      endedAt: at,
    }));
};

test('a lot stands in water from its first drink, also after it was turned over into another pail', () => {
  expect(wetSince(lot({}), [])).toBeNull();
  expect(wetSince(lot(filled(hour(3))), [])).toEqual(hour(3));
  expect(wetSince(lot(filled(hour(50))), drank(hour(2)))).toEqual(hour(2));
});

test('a wet pack stands in water from the door', () => {
  expect(wetSince(lot({ packing: 'wet pack' }), [])).toEqual(CAME);
  expect(wetSince(lot({ packing: 'capped' }), [])).toEqual(CAME);
});

test('turned over at hour 50, it is forecast as wet since hour 2 with a change at 50, and not as 50 hours dry', () => {
  const at = hour(60);
  const input = lotInputNow(lot(filled(hour(50))), drank(hour(2)), [], at, 'Etc/UTC');
  expect(input.stays.map((s) => [s.hours, s.wet])).toEqual([
    [2, false],
    [58, true],
    [null, true],
  ]);
  expect(input.events).toContainEqual({ atHour: 50, type: 'change', solution: 'plain' });
  const dry = lotInputNow(lot(filled(hour(50))), [], [], at, 'Etc/UTC');
  expect(lotNow(input).forecast.daysLeft.p50).toBeGreaterThan(lotNow(dry).forecast.daysLeft.p50);
});
