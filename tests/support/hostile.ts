import fc from 'fast-check';
import type * as v from 'valibot';

/** Values no page of ours sends: every kind that has broken something somewhere. */
const JUNK: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  'a\u0000b',
  '\ud800',
  '\udfff x',
  '2026-02-30',
  '9999-99-99',
  '0001-01-01',
  '00000000-0000-0000-0000-000000000000',
  '01a21238-a19c-7509-af84-c96d85c8392f',
  "'; drop table lot; --",
  'x'.repeat(5000),
  '🌷'.repeat(200),
  -1,
  0,
  0.5,
  1e21,
  1e308,
  -1e308,
  2_147_483_648,
  9_007_199_254_740_993,
  [],
  {},
  [[[[]]]],
  { __proto__: null, constructor: 1 },
  { toString: 'no' },
];

interface Shape {
  readonly type: string;
  readonly entries?: Readonly<Record<string, Shape>>;
  readonly item?: Shape;
  readonly wrapped?: Shape;
  readonly options?: readonly unknown[];
  readonly literal?: unknown;
  readonly value?: Shape;
  readonly key?: Shape;
}

/** Bodies of a schema's own shape: right in kind, at the edges and past them in size. */
function fromShape(shape: Shape): fc.Arbitrary<unknown> {
  switch (shape.type) {
    case 'object':
    case 'loose_object':
    case 'strict_object':
      return fc.record(
        Object.fromEntries(Object.entries(shape.entries ?? {}).map(([k, s]) => [k, fromShape(s)])),
        {
          requiredKeys: [],
        },
      );
    case 'variant':
      return fc.oneof(...(shape.options as Shape[]).map(fromShape));
    case 'array':
      return fc.array(fromShape(shape.item as Shape), { maxLength: 4 });
    case 'nullable':
    case 'optional':
      return fc.option(fromShape(shape.wrapped as Shape));
    case 'picklist':
      return fc.constantFrom(...(shape.options as unknown[]));
    case 'literal':
      return fc.constant(shape.literal);
    case 'record':
      return fc.dictionary(
        fromShape(shape.key as Shape) as fc.Arbitrary<string>,
        fromShape(shape.value as Shape),
        { maxKeys: 3 },
      );
    case 'number':
      return fc.oneof(
        fc.integer({ min: -3, max: 100_001 }),
        fc.double({ noNaN: true }),
        fc.constantFrom(0.1, 1, 12.5, 300),
      );
    case 'boolean':
      return fc.boolean();
    case 'string':
      return fc.oneof(
        fc.string(),
        fc.uuid(),
        fc.constantFrom('rose', '2026-11-30', '2026-11-24T06:50:00Z', 'broken'),
      );
    default:
      return fc.jsonValue();
  }
}

/** A valid body with something of it spoilt: a value put in another's place, a field left out or added. */
function spoilt(body: unknown): fc.Arbitrary<unknown> {
  return fc.tuple(fc.nat(), fc.nat(), fc.integer({ min: 0, max: 3 })).map(([where, what, how]) => {
    const copy: unknown = JSON.parse(JSON.stringify(body));
    const places: { of: Record<string, unknown>; key: string }[] = [];
    const walk = (of: unknown): void => {
      if (typeof of !== 'object' || of === null) return;
      for (const key of Object.keys(of)) {
        places.push({ of: of as Record<string, unknown>, key });
        walk((of as Record<string, unknown>)[key]);
      }
    };
    walk(copy);
    const place = places[where % Math.max(1, places.length)];
    const junk = JUNK[what % JUNK.length];
    if (!place) return junk;
    if (how === 0) Reflect.deleteProperty(place.of, place.key);
    else if (how === 1) place.of[`${place.key}${String(what)}`] = junk;
    else place.of[place.key] = junk;
    return copy;
  });
}

/** Bodies made from an action's schema and against it. */
export function hostileBody(schema: v.GenericSchema, valid: unknown): fc.Arbitrary<unknown> {
  return fc.oneof(
    { weight: 3, arbitrary: spoilt(valid) },
    { weight: 2, arbitrary: fromShape(schema as unknown as Shape) },
    { weight: 1, arbitrary: fc.constantFrom(...JUNK) },
    { weight: 1, arbitrary: fc.jsonValue() },
  );
}
