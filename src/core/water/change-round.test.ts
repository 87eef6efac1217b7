import fc from 'fast-check';
import { changeRound, foodForRound, type DuePail, type ReadyPail } from './change-round';

const due = (name: string, more: Partial<DuePail> = {}): DuePail => ({
  ...{
    id: `due ${name}`,
    name,
    room: 'Bench',
    sizeL: 12,
    litres: 4,
    solution: 'flower-food',
    stems: 20,
    dueInHours: 3,
  },
  ...more,
});
const ready = (name: string, sizeL = 12): ReadyPail => ({ id: `ready ${name}`, name, sizeL });
const said = (d: readonly DuePail[], r: readonly ReadyPail[]) =>
  changeRound(d, r).stops.map(({ pail, into }) => `${pail.name} ${into?.name ?? '-'}`);

test('room by room, in a room the most urgent first, pails in the order of their numbers', () => {
  const pails = [
    due('12'),
    due('9', { room: 'Cold room' }),
    due('4', { dueInHours: 0 }),
    due('3'),
    due('1', { room: 'Cold room' }),
  ];
  expect(said(pails, [])).toEqual(['4 -', '3 -', '12 -', '1 -', '9 -']);
});

test('a small pail goes into a small one, so that the large ones are left for what needs them', () => {
  const pails = [due('1', { sizeL: 7 }), due('2')];
  expect(said(pails, [ready('b'), ready('a', 7)])).toEqual(['1 a', '2 b']);
  // Without a large one left it goes into the largest that holds its water.
  expect(said([due('2')], [ready('a', 7), ready('c', 5)])).toEqual(['2 a']);
  expect(said([due('2', { litres: 8 })], [ready('a', 7)])).toEqual(['2 -']);
});

test('what is without stems is tipped out and takes no pail; litres, minutes and what is short are told', () => {
  const pails = [due('1', { stems: 0 }), due('2'), due('3', { dueInHours: 0 })];
  expect(changeRound(pails, [ready('a')])).toMatchObject({ litres: 4, short: 1, minutes: (90 + 20) / 60 });
  expect(said(pails, [ready('a')])).toEqual(['3 a', '1 -', '2 -']);
});

test('food for the round: of pails that are changed alone, a sachet parted for none of them', () => {
  const sachets = { name: 'Sachets', aLitre: 10, unit: 'g', sachetL: 1, cup: null } as const;
  const pails = [
    due('1', { litres: 2.4 }),
    due('2', { litres: 1.4 }),
    due('3', { stems: 0 }),
    due('4', { solution: 'plain' }),
    due('5', { solution: 'bulb-food', litres: 3, dueInHours: 20 }),
  ];
  const round = changeRound(pails, [ready('a'), ready('b'), ready('c'), ready('d')]);
  const loose = { name: 'Loose', aLitre: 5, unit: 'mL', sachetL: null, cup: { name: 'cap', ml: 5 } } as const;
  const food = foodForRound(round, { 'flower-food': sachets, 'bulb-food': loose });
  // 2.4 L takes two sachets and 1.4 L one: three, where 3.8 L in one would have taken four.
  expect(food.map((f) => [f.product, f.sachets?.n ?? f.amount])).toEqual([
    ['Sachets', 3],
    ['Loose', 15],
  ]);
  expect(foodForRound(changeRound(pails, []), { 'flower-food': sachets })).toEqual([]);
});

test('whatever is due and ready: each clean pail is taken once, holds what goes in, and none lies idle that would', () => {
  const pail = fc.record({
    sizeL: fc.constantFrom(5, 7, 12),
    share: fc.double({ min: 0.2, max: 0.9, noNaN: true }),
    stems: fc.nat(3),
    dueInHours: fc.nat(20),
    room: fc.constantFrom('Bench', 'Cold room'),
  });
  fc.assert(
    fc.property(
      fc.array(pail, { maxLength: 12 }),
      fc.array(fc.constantFrom(5, 7, 12), { maxLength: 8 }),
      (d, r) => {
        const pails = d.map((p, i) => due(String(i), { ...p, litres: p.sizeL * p.share }));
        const clean = r.map((size, i) => ready(String(i), size));
        const { stops, short } = changeRound(pails, clean);
        const into = stops.flatMap((s) => (s.into ? [s.into.id] : []));
        expect(new Set(into).size).toBe(into.length);
        expect(stops.map((s) => s.pail.id).sort()).toEqual(pails.map((p) => p.id).sort());
        for (const s of stops) if (s.into) expect(s.into.sizeL).toBeGreaterThanOrEqual(s.pail.litres);
        const idle = clean.filter((c) => !into.includes(c.id));
        for (const s of stops)
          if (!s.into && s.pail.stems > 0) expect(idle.every((c) => c.sizeL < s.pail.litres)).toBe(true);
        expect(short).toBe(stops.filter((s) => !s.into && s.pail.stems > 0).length);
      },
    ),
  );
});
