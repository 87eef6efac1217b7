import { laidOut } from '@/features/dock/laid-out';
import type { SlipLot, SlipView } from '@/features/dock/slip-view';

const lot = (id: string, of: Partial<SlipLot> = {}): SlipLot => ({
  ...{ id, number: 1, name: 'Tulip', variety: null, stemsLeft: 10, stemsBooked: 10, looked: true },
  ...{ decision: null, droop: 'firm', stands: 'firm', forDay: null, withWhom: null },
  ...of,
});
const slip = (deliveryId: string, lots: readonly SlipLot[], kept: SlipView['kept'] = []): SlipView => ({
  ...{ deliveryId, deliveryRef: deliveryId, supplier: 'Norrholt Growers', lots, kept },
});
/** Nine deliveries, the newest first, all of them seen to. */
const NINE = Array.from({ length: 9 }, (_, i) => slip(`D${i}`, [lot(`L${i}`)]));
const openOf = (slips: readonly SlipView[], chosen: string | null = null) =>
  laidOut(slips, chosen).open.map((s) => s.deliveryId);
const withAt = (at: number, one: SlipView) => NINE.map((s, i) => (i === at ? one : s));

test('the newest four lie open, and the one whose lot is in hand; the others are a line each', () => {
  expect(openOf(NINE)).toEqual(['D0', 'D1', 'D2', 'D3']);
  expect(openOf(NINE, 'L7')).toEqual(['D0', 'D1', 'D2', 'D3', 'D7']);
  expect(laidOut(NINE, 'L7').earlier.map((s) => s.deliveryId)).toEqual(['D4', 'D5', 'D6', 'D8']);
});

test('what somebody has to see to lies open however old it is; what is for another day does not', () => {
  expect(openOf(withAt(6, slip('D6', [lot('a'), lot('b', { looked: false })])))).toContain('D6');
  expect(openOf(withAt(6, slip('D6', [lot('a', { looked: false, forDay: '2026-12-01' })])))).not.toContain(
    'D6',
  );
  const waits = {
    id: 'k',
    line: 3,
    fate: 'waiting',
    reason: 'no number',
    product: 'Rose',
    said: {},
  } as const;
  expect(openOf(withAt(8, slip('D8', [lot('a')], [waits])))).toContain('D8');
  // Refused lines alone ask nothing of anybody.
  expect(openOf(withAt(8, slip('D8', [lot('a')], [{ ...waits, fate: 'refused' }])))).not.toContain('D8');
});
