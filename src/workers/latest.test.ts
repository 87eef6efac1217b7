import { Latest } from './latest';

function* counting(to: number): Generator<number, string, void> {
  for (let n = 1; n <= to; n++) yield n;
  return `counted to ${to}`;
}

test('what is asked is told step by step, to its end', async () => {
  const told: number[] = [];
  expect(await new Latest().inSteps(counting(3), (n) => told.push(n))).toBe('counted to 3');
  expect(told).toEqual([1, 2, 3]);
});

test('something newer, or a stop, gives up the older: it tells nothing more and answers null', async () => {
  const latest = new Latest();
  const told: string[] = [];
  const older = latest.inSteps(counting(50), (n) => told.push(`older ${n}`));
  const newer = latest.inSteps(counting(2), (n) => told.push(`newer ${n}`));
  expect([await older, await newer]).toEqual([null, 'counted to 2']);
  expect(told).toEqual(['older 1', 'newer 1', 'newer 2']);
  const stopped = latest.inSteps(counting(50), () => latest.stop());
  expect(await stopped).toBeNull();
});
