import 'fake-indexeddb/auto';
import { tabletStore, type NewKeptTap } from './kept-taps';
import type { Outcome } from './outcome';
import { drainTaps, sendTap, type QueueParts } from './tap-queue';

const WEN = 'wen';
const DOWN: Outcome = { ok: false, why: 'unavailable', message: 'not answering' };
const DONE: Outcome = { ok: true, value: null };
const tap = (about: string, over: Partial<NewKeptTap> = {}): NewKeptTap => ({
  key: crypto.randomUUID(),
  name: 'dock/bin',
  body: { about },
  tappedAt: 1_000,
  about,
  personId: WEN,
  sure: [],
  ...over,
});

/** The browser's own lock, as all tabs of a tablet share it. */
function tablet(name: string) {
  let held = false;
  const sent: { about: string; key: string; isKept: boolean; sure: readonly string[] }[] = [];
  const state = { answer: (() => DONE) as (tap: NewKeptTap) => Outcome, yes: true };
  const tab = (): QueueParts => ({
    store: tabletStore(() => 0, name),
    post: async (t, isKept) => {
      await new Promise((r) => setTimeout(r, 2));
      const outcome = state.answer(t);
      if (outcome.ok) sent.push({ about: t.about, key: t.key, isKept, sure: t.sure });
      return outcome;
    },
    inTurn: async (work) => {
      if (held) return undefined;
      held = true;
      try {
        return await work();
      } finally {
        held = false;
      }
    },
    changed: () => undefined,
    ask: () => Promise.resolve(state.yes),
  });
  return { tab, sent, state };
}
const nothing = (): void => undefined;

test('a tap without an answer is kept with its time, sent again in its order, and once', async () => {
  const { tab, sent, state } = tablet('one');
  const one = tab();
  state.answer = () => DOWN;
  for (const about of ['first', 'second'])
    expect(await sendTap(one, tap(about), true)).toEqual(expect.objectContaining({ ok: false }));
  state.answer = () => DONE;
  // Behind those that wait, the next waits too: even now that it is answered again.
  expect(await sendTap(one, tap('third'), true)).toMatchObject({ ok: false, why: 'unavailable' });
  await drainTaps(one, WEN, nothing);
  expect(sent.map((s) => [s.about, s.isKept])).toEqual([
    ['first', true],
    ['second', true],
    ['third', true],
  ]);
  expect(await one.store.all()).toEqual([]);
});

test('two tabs of one tablet keep each other’s taps, and neither sends the other’s twice', async () => {
  const { tab, sent, state } = tablet('two');
  const [left, right] = [tab(), tab()];
  state.answer = () => DOWN;
  await Promise.all(
    Array.from({ length: 12 }, (_, i) => sendTap(i % 2 ? left : right, tap(`tap ${i}`), true)),
  );
  expect(await left.store.all()).toHaveLength(12);
  state.answer = () => DONE;
  await Promise.all([drainTaps(left, WEN, nothing), drainTaps(right, WEN, nothing)]);
  expect(new Set(sent.map((s) => s.key)).size).toBe(12);
  expect(sent).toHaveLength(12);
  expect(await right.store.all()).toEqual([]);
});

test('what may not wait is refused plainly, and nobody sends another’s taps', async () => {
  const { tab, sent, state } = tablet('three');
  const one = tab();
  state.answer = () => DOWN;
  await sendTap(one, tap('a whole delivery'), false);
  expect(await one.store.all()).toEqual([]);
  await sendTap(one, tap('hers', { personId: 'bram' }), true);
  state.answer = () => DONE;
  await drainTaps(one, WEN, nothing);
  expect(sent).toEqual([]);
  expect(await one.store.all()).toHaveLength(1);
});

test('what is asked is answered by whoever is there: yes sends the same tap again, no leaves it', async () => {
  const { tab, sent, state } = tablet('four');
  const one = tab();
  state.answer = (t) =>
    t.sure.includes('early')
      ? DONE
      : { ok: false, why: 'asked', question: 'early', message: 'It has had 5 min.' };
  const asked = tap('out of the soak');
  expect(await sendTap(one, asked, true)).toEqual(DONE);
  expect(sent).toEqual([expect.objectContaining({ key: asked.key, sure: ['early'] })]);
  state.yes = false;
  expect(await sendTap(one, tap('and again'), true)).toMatchObject({ ok: false, why: 'refused' });
  expect(sent).toHaveLength(1);
});

test('a tap that is refused when it gets through is told of, and does not stop those behind it', async () => {
  const { tab, state } = tablet('five');
  const one = tab();
  state.answer = () => DOWN;
  for (const about of ['gone', 'next']) await sendTap(one, tap(about), true);
  state.answer = (t) => (t.about === 'gone' ? { ok: false, why: 'refused', message: 'used up' } : DONE);
  const told: string[] = [];
  await drainTaps(one, WEN, (t, outcome) =>
    told.push(`${t.about}: ${outcome.ok ? 'done' : outcome.message}`),
  );
  expect(told).toEqual(['gone: used up', 'next: done']);
});
