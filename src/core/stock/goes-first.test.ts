import { byWhatGoesFirst } from './goes-first';

const lot = (name: string, p50: number, decision: string | null = null, forDay: string | null = null) => ({
  name,
  decision,
  forDay,
  daysLeft: { p50 },
});

test('first what was decided, then what fades, last what is for another day', () => {
  const stock = [
    lot('long', 12),
    lot('party', 2, null, '2026-11-28'),
    lot('short', 4),
    lot('kept for less', 6, 'reduced price'),
    lot('decided late', 9, 'use first'),
    lot('decided', 5, 'use first'),
  ];
  expect([...stock].sort(byWhatGoesFirst).map((l) => l.name)).toEqual([
    'decided',
    'decided late',
    'short',
    'kept for less',
    'long',
    'party',
  ]);
});
