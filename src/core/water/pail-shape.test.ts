import fc from 'fast-check';
import { depthIn, depthOf, depthWord, litresAt, litresFor, surfaceOver } from './pail-shape';

const low = { litres: 7, heightCm: 24 };
const tall = { litres: 12, heightCm: 36 };
const pails = fc.record({
  litres: fc.double({ min: 2, max: 30, noNaN: true }),
  heightCm: fc.double({ min: 12, max: 60, noNaN: true }),
});

test('four litres in a seven-litre pail of twenty-four centimetres are about fifteen deep, and not twenty', () => {
  expect(depthOf(low, 4)).toBeGreaterThan(14);
  expect(depthOf(low, 4)).toBeLessThan(15.5);
  // By the handbook's cone: V = π·h/12·(a² + a·b + b²), its foot four fifths of its rim.
  const rim = Math.sqrt((7000 * 12) / (Math.PI * 24 * (1 + 0.8 + 0.64)));
  const [foot, x] = [0.8 * rim, 10];
  const c = foot + ((rim - foot) * x) / 24;
  expect(litresAt(low, 10)).toBeCloseTo(((Math.PI * x) / 12) * (foot ** 2 + foot * c + c ** 2) * 0.001, 9);
});

test('litres and depth are each other’s inverse, empty and full included; deeper is always more', () => {
  fc.assert(
    fc.property(pails, fc.double({ min: 0, max: 1, noNaN: true }), (pail, share) => {
      const cm = share * pail.heightCm;
      expect(Math.abs(depthOf(pail, litresAt(pail, cm)) - cm)).toBeLessThan(0.02);
      expect(litresAt(pail, pail.heightCm)).toBeCloseTo(pail.litres, 6);
      expect(litresAt(pail, cm)).toBeLessThanOrEqual(litresAt(pail, Math.min(pail.heightCm, cm + 1)) + 1e-12);
      // A cut cone that widens upwards holds less than its share below.
      expect(litresAt(pail, cm)).toBeLessThanOrEqual(share * pail.litres + 1e-9);
    }),
  );
});

test('a third is a third of this pail, and nothing is filled to where it is carried on the floor', () => {
  expect(depthIn(tall, 'third')).toBe(12);
  expect(depthIn(low, 'deep')).toBe(20);
  expect(depthIn({ litres: 5, heightCm: 18 }, 'deep')).toBeCloseTo(15.3);
  expect(depthIn(tall, 'shallow')).toBe(5);
});

test('what is proposed for a depth is read back as that depth', () => {
  for (const pail of [low, tall])
    for (const depth of ['shallow', 'third', 'normal', 'deep'] as const)
      expect(depthWord(pail, litresFor(pail, depth), depth)).toBe(depth);
  // Far from what was meant it is what it is.
  expect(depthWord(low, 1, 'deep')).toBe('shallow');
  expect(depthWord(tall, litresFor(tall, 'deep'))).toBe('deep');
});

test('open water over so many litres is the width where they reach: what a little more fills is that times its depth', () => {
  for (const form of ['tapered', 'straight'] as const)
    for (const litres of [0.5, 3, 7.5, 9.9]) {
      const pail = { litres: 10, heightCm: 30, form };
      const x = depthOf(pail, litres);
      const slope = ((litresAt(pail, x + 0.05) - litresAt(pail, x - 0.05)) * 1000) / 0.1;
      expect(surfaceOver(pail)(litres) / slope).toBeCloseTo(1, 2);
    }
});
