import { patiently, REFRESH_HEADER, waitsForShop } from './patient-refresh';

const HERE = 'http://shop.test/bench?lot=7';
beforeAll(() => {
  jest.useFakeTimers();
  Object.assign(globalThis, { location: new URL(HERE) });
});
afterAll(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, 'location');
});

type Answer = Response | Error;
/** A shop that answers its pages in turn, and its health once `isBack`. */
function shop(answers: readonly Answer[]) {
  const left = [...answers];
  const asked: { readonly url: string; readonly isRefresh: boolean }[] = [];
  const state = { isBack: false };
  const ask = patiently((input, init) => {
    const url = input instanceof Request ? input.url : String(input);
    if (url.startsWith('/health'))
      return Promise.resolve(new Response('', { status: state.isBack ? 200 : 503 }));
    asked.push({ url, isRefresh: new Headers(init?.headers).get(REFRESH_HEADER) === '1' });
    const next = left.shift();
    return next instanceof Response
      ? Promise.resolve(next)
      : Promise.reject(next ?? new Error('asked too often'));
  });
  return { ask, asked, state };
}
const refresh = { headers: { rsc: '1' } };
const refused = (): Response => new Response('', { status: 503 });

test.each<[string, Answer]>([
  ['that is refused', refused()],
  ['that finds no network', new TypeError('Failed to fetch')],
])(
  'a refresh %s waits until the shop answers, and is asked again',
  async (_, first) => {
    const { ask, asked, state } = shop([first, refused(), new Response('new')]);
    let answer: Response | null = null;
    const asking = ask(new URL('/bench?lot=7&_rsc=abc', HERE), refresh).then((a) => (answer = a));
    await jest.advanceTimersByTimeAsync(60_000);
    expect([answer, asked.length, waitsForShop()]).toEqual([null, 1, true]);
    state.isBack = true;
    await jest.advanceTimersByTimeAsync(5000);
    expect(await (await asking).text()).toBe('new');
    expect(asked).toEqual(Array(3).fill({ url: 'http://shop.test/bench?lot=7&_rsc=abc', isRefresh: true }));
    expect(waitsForShop()).toBe(false);
  },
  15_000,
);

test.each<[string, string, RequestInit]>([
  ['another page, which says itself what is wrong', '/pails?_rsc=abc', refresh],
  ['this page of another box', '/bench?lot=8&_rsc=abc', refresh],
  ['a tap', '/bench?lot=7', { method: 'POST' }],
])('%s is asked once, and its refusal is heard', async (_, url, init) => {
  const { ask, asked } = shop([refused()]);
  expect((await ask(new URL(url, HERE), init)).status).toBe(503);
  expect(asked).toEqual([{ url: new URL(url, HERE).href, isRefresh: false }]);
});

test('a fault that is no refusal is handed on, and so is a refresh that was given up', async () => {
  const { ask } = shop([new Response('', { status: 500 }), new Error('given up')]);
  expect((await ask(HERE, refresh)).status).toBe(500);
  await expect(ask(HERE, { ...refresh, signal: AbortSignal.abort() })).rejects.toThrow('given up');
});
