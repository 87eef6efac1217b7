import * as fc from 'fast-check';
import { CLAIM_SORTS } from '@/core/dock/claim-sorts';
import { askedClaims, beforeOf, claimsAddress } from '@/features/dock/claims-address';

const searchOf = (address: string): Record<string, string> =>
  Object.fromEntries(new URL(address, 'http://shop').searchParams);

test('the list that is asked for is the one its address asks for', () => {
  fc.assert(
    fc.property(
      fc.record({
        supplier: fc.option(fc.string({ minLength: 1, maxLength: 60 }), { nil: undefined }),
        sort: fc.option(fc.constantFrom(...CLAIM_SORTS), { nil: undefined }),
        direction: fc.constantFrom('desc' as const, undefined),
        all: fc.boolean(),
      }),
      (asked) => {
        expect(askedClaims(searchOf(claimsAddress(asked)))).toEqual(asked);
      },
    ),
  );
});

test('what is no order, no way and no page is asked as if it were not there', () => {
  expect(claimsAddress({})).toBe('/dock/claims');
  expect(askedClaims({ supplier: ['a', 'b'], sort: 'colour', direction: 'up', all: 'yes' })).toEqual({
    supplier: undefined,
    sort: undefined,
    direction: undefined,
    all: false,
  });
  expect(beforeOf('2026-11-24T06:50:00.000Z_81')).toEqual({
    movedAt: new Date('2026-11-24T06:50:00Z'),
    number: 81,
  });
  for (const broken of [undefined, '', 'soon_81', '2026-11-24T06:50:00.000Z', '2026-11-24T06:50:00.000Z_-1'])
    expect(beforeOf(broken)).toBeNull();
});
