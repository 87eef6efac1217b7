import * as fc from 'fast-check';
import { unkeepableText } from '@/core/actions/text';
import { CLAIM_SORTS } from '@/core/dock/claim-sorts';
import { DataError } from '@/data/errors';
import { askedClaims, beforeOf, claimsAddress } from '@/features/dock/claims-address';
import { groupBy } from '@/server/group-by';
import { Turns } from '@/server/turns';

test('text that no database keeps is named by its path, whatever else is in the body', () => {
  const body = {
    name: 'well 🌷',
    lines: [{ product: 'a\u0000b' }, { product: 'half \ud83c' }],
    'k\u0000': 1,
  };
  expect(unkeepableText(body).map((p) => p.field)).toEqual(['lines[0].product', 'lines[1].product', 'input']);
  let deep: unknown = 'x';
  for (let i = 0; i < 60; i++) deep = [deep];
  expect(unkeepableText(deep)).toHaveLength(1);
  expect(unkeepableText(null)).toEqual([]);
});

test('every whole string of letters and signs is kept, and with a NUL or half a sign in it none is', () => {
  const whole = fc.string({ unit: 'binary' }).filter((s) => !s.includes('\u0000'));
  fc.assert(
    fc.property(whole, fc.nat(), fc.constantFrom('\u0000', '\ud800', '\udc00'), (text, n, bad) => {
      expect(unkeepableText({ text })).toEqual([]);
      const letters = Array.from(text);
      const at = n % (letters.length + 1);
      const broken = [...letters.slice(0, at), bad, ...letters.slice(at)].join('');
      expect(unkeepableText({ text: broken })).toHaveLength(1);
    }),
  );
});

test('what the list of claims is asked comes back from its own address; a broken one asks for nothing', () => {
  const asked = fc.record({
    supplier: fc.option(fc.string({ minLength: 1, maxLength: 120 }), { nil: undefined }),
    sort: fc.option(fc.constantFrom(...CLAIM_SORTS), { nil: undefined }),
    direction: fc.option(fc.constant('desc' as const), { nil: undefined }),
    all: fc.boolean(),
  });
  fc.assert(
    fc.property(asked, (what) => {
      const url = new URL(claimsAddress(what), 'http://shop.invalid');
      expect(askedClaims(Object.fromEntries(url.searchParams))).toEqual(what);
    }),
  );
  const nonsense = { supplier: ['a', 'b'], sort: 'drop table', direction: 'sideways', all: 'yes' };
  expect(askedClaims(nonsense)).toEqual({ all: false });
  expect(claimsAddress({})).toBe('/dock/claims');
});

test.each([
  ['2026-11-24T06:50:00.000Z_12', 12],
  ['2026-11-24T06:50:00.000Z_x', null],
  ['soon_12', null],
  ['', null],
  [undefined, null],
  [['2026-11-24T06:50:00.000Z_12'], null],
])('the page before %j ended at claim %s', (told, number) => {
  expect(beforeOf(told)?.number ?? null).toBe(number);
});

test('groups hold every row once, in its order', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 9 })), (rows) => {
      const groups = groupBy(rows, (n) => String(n % 3));
      expect([...groups.values()].flat().sort()).toEqual([...rows].sort());
      for (const [key, group] of groups) expect(group).toEqual(rows.filter((n) => String(n % 3) === key));
    }),
  );
});

test('few are let in at once, others in the order they came, and no more wait than may; what fails lets the next in', async () => {
  const turns = new Turns(2, 3);
  const begun: number[] = [];
  let [inside, most] = [0, 0];
  const ends: (() => void)[] = [];
  const work = (n: number) =>
    turns.run(async () => {
      begun.push(n);
      most = Math.max(most, ++inside);
      await new Promise<void>((resolve) => ends.push(resolve));
      inside--;
      if (n === 1) throw new Error('it broke');
      return n;
    });
  const all = [0, 1, 2, 3, 4].map(work);
  const settled = Promise.allSettled(all);
  await expect(work(5)).rejects.toBeInstanceOf(DataError);
  for (let i = 0; i < 5; i++) {
    await new Promise((resolve) => setImmediate(resolve));
    ends.shift()?.();
  }
  expect((await settled).map((s) => s.status)).toEqual([
    'fulfilled',
    'rejected',
    'fulfilled',
    'fulfilled',
    'fulfilled',
  ]);
  expect(begun).toEqual([0, 1, 2, 3, 4]);
  expect(most).toBe(2);
  const after = work(6);
  await new Promise((resolve) => setImmediate(resolve));
  ends.shift()?.();
  expect(await after).toBe(6);
});
