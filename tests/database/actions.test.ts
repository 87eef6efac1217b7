import { ACTIONS, type ActionName } from '@/core/actions/actions';
import { maybeLot } from '@/data/lots';
import { manyNewestEntries } from '@/data/record';
import {
  act,
  be,
  bookOf,
  cleanPail,
  does,
  later,
  openStep,
  pailsIn,
  portionById,
  portionOf,
  send,
  until,
} from '../support/acting';
import { freshShop, type TestShop } from '../support/database';
import { stage } from '../support/stage';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

let shop: TestShop;
const people: Record<string, string> = {};
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  for (const p of await shop.owner('person').select<{ id: string; name: string }[]>('id', 'name'))
    people[p.name] = p.id;
  await be('Wen');
});
afterAll(() => shop.close());

const stemsOf = async (lotId: string): Promise<number | undefined> =>
  (await shop.inside((trx) => maybeLot(trx, lotId)))?.stemsLeft;
const newest = async () => (await shop.inside((trx) => manyNewestEntries(trx, 1)))[0];
const HOUR_MS = 3_600_000;

describe('a key', () => {
  test('sent eight times at once does it once, and every time answers the same', async () => {
    const { lotId, id } = await bookOf('rose', 20);
    const key = crypto.randomUUID();
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => act('bench/apart', { portionId: id, stems: 5 }, { key })),
    );
    expect(new Set(answers.map((a) => JSON.stringify(a))).size).toBe(1);
    expect(answers[0]).toMatchObject({ ok: true });
    expect((await shop.owner('portion').where({ lot_id: lotId, stems: 5 })).length).toBe(1);
  });
  test('what took the last stems answers the same when it is sent again, and is not refused for want of them', async () => {
    const { id } = await bookOf('rose', 6);
    await until(id, 'look-back');
    const key = crypto.randomUUID();
    const tray = {
      name: 'tray',
      vesselKind: 'vase',
      litres: 1,
      care: 'usual',
      lines: [{ portionId: id, stems: 6 }],
    } as const;
    const first = await send('make/make', tray, { key });
    expect(first).toMatchObject({ ok: true });
    expect(await send('make/make', tray, { key })).toEqual(first);
  });
  test('with another body, of another action or in other hands is refused, and does nothing', async () => {
    const lotId = await shop.bookLot(20);
    const key = crypto.randomUUID();
    const bin = { lotId, stems: 2, reason: 'broken' } as const;
    expect(await does('dock/bin', bin, { key })).toBe('done');
    expect(await does('dock/bin', { ...bin, stems: 3 }, { key })).toContain('used for something else');
    expect(await does('dock/keep-for', { lotId, day: '2026-12-01' }, { key })).toContain('something else');
    await be('Bram');
    expect(await does('dock/bin', bin, { key })).toContain('something else');
    await be('Wen');
    // The same fields in another order are the same tap.
    expect(await does('dock/bin', { reason: 'broken', stems: 2, lotId }, { key })).toBe('done');
    expect(await stemsOf(lotId)).toBe(18);
  });
});

describe('a tap that waited on its tablet', () => {
  const tapped = (ms: number) => ({ tappedAt: stage.at.getTime() + ms });
  test('is entered when it was made: its clock starts then, and the record keeps both times', async () => {
    const { id } = await bookOf('gerbera', 10);
    const drink = await until(id, 'drink');
    later(45);
    const pails = [{ pailId: await cleanPail() }];
    await act('bench/tap', { stepId: drink.id, to: 'running', pails }, tapped(-20 * 60_000));
    const begun = await openStep(id);
    expect(begun.startedAt).toEqual(new Date(stage.at.getTime() - 20 * 60_000));
    expect(begun.dueAt?.getTime()).toBe((begun.startedAt?.getTime() ?? 0) + drink.step.waitSeconds * 1000);
    expect(await newest()).toMatchObject({ at: begun.startedAt, loggedAt: stage.at });
    expect((await portionById(id)).filledAt).toEqual(begun.startedAt);
  });
  test('is within bounds: never ahead, not before the last that was done to it, a day back at most', async () => {
    const lotId = await shop.bookLot(20);
    const bin = { lotId, stems: 1, reason: 'broken' } as const;
    await act('dock/bin', bin, tapped(HOUR_MS));
    expect((await newest())?.at).toEqual(stage.at);
    const first = stage.at;
    later(30);
    await act('dock/bin', bin, tapped(-2 * HOUR_MS));
    expect((await newest())?.at).toEqual(first);
    const other = await shop.bookLot(20);
    later(60 * 40);
    await act('dock/bin', { ...bin, lotId: other }, tapped(-30 * HOUR_MS));
    expect((await newest())?.at).toEqual(new Date(stage.at.getTime() - 24 * HOUR_MS));
  });
});

test('a clock that was set back breaks nothing: what is done is entered at the last entry’s time', async () => {
  const { id, lotId } = await bookOf('rose', 10);
  const drink = await until(id, 'drink');
  const right = (await newest())?.loggedAt ?? stage.at;
  later(-180);
  expect(
    (await act('bench/tap', { stepId: drink.id, to: 'running', pails: [{ pailId: await cleanPail() }] })).ok,
  ).toBe(true);
  expect((await newest())?.at).toEqual(right);
  expect(await does('dock/bin', { lotId, stems: 10, reason: 'blown' })).toBe('done');
  expect(await does('desk/take-back', { entryId: (await newest())?.id ?? 0 })).toBe('done');
  expect((await portionOf(lotId)).stemsLeft).toBe(10);
  later(180);
});

describe('who may', () => {
  const managers = (Object.keys(ACTIONS) as ActionName[]).filter(
    (name) => !(ACTIONS[name].roles as readonly string[]).includes('hand'),
  );
  test('what is the manager’s is refused to hands before anything is looked at', async () => {
    expect(managers).toEqual(
      expect.arrayContaining(['bench/skill', 'dock/claim-settled', 'dock/claim-window', 'desk/set-way']),
    );
    await be('Wen');
    const settle = { claimId: crypto.randomUUID(), state: 'refused', settledValue: null } as const;
    expect(await does('dock/claim-settled', settle)).toContain('the manager’s');
    expect(await does('dock/claim-window', { supplier: 'Norrholt Growers', hours: 12 })).toContain(
      'the manager’s',
    );
    await be('Ilse');
    expect(await does('dock/claim-settled', settle)).toContain('not in this shop');
    expect(await does('dock/claim-window', { supplier: 'Norrholt Growers', hours: 12 })).toBe('done');
    await be('Wen');
  });
  test('the entry names whose hands did it and who tapped', async () => {
    const { id } = await bookOf('carnation', 10);
    const step = await openStep(id);
    await act('bench/tap', { stepId: step.id, to: 'done', handsId: people.Bram ?? '' });
    expect(await newest()).toMatchObject({ personName: 'Wen', handsName: 'Bram' });
    const [own] = [await openStep(id)];
    await act('bench/tap', { stepId: own.id, to: 'done' }, { sure: ['out of order'] });
    expect(await newest()).toMatchObject({ personName: 'Wen', handsName: null });
  });
});

describe('errors are answers', () => {
  const problem = async (name: ActionName, body: unknown): Promise<unknown> => {
    const outcome = await send(name, body);
    return outcome.ok || outcome.why === 'asked'
      ? outcome
      : { why: outcome.why, fields: outcome.problems?.map((p) => p.field) };
  };
  test('text no database keeps is refused by its field', async () => {
    const lotId = await shop.bookLot(5);
    const decide = { lotId, decision: 'accepted', because: 'x' };
    expect(await problem('dock/decide', { ...decide, because: 'a\u0000b' })).toEqual({
      why: 'invalid',
      fields: ['because'],
    });
    expect(await problem('dock/decide', { ...decide, because: 'a\ud800b' })).toEqual({
      why: 'invalid',
      fields: ['because'],
    });
    expect(await problem('dock/decide', { ...decide, because: 'Tülp 🌷' })).toMatchObject({ ok: true });
  });
  test('days that are in no calendar, counts no database holds, and ids that are not here', async () => {
    const lotId = await shop.bookLot(5);
    expect(await problem('dock/keep-for', { lotId, day: '2027-02-30' })).toEqual({
      why: 'invalid',
      fields: ['day'],
    });
    expect(await problem('dock/keep-for', { lotId, day: '0000-01-01' })).toEqual({
      why: 'invalid',
      fields: ['day'],
    });
    expect(await problem('dock/bin', { lotId, stems: 1e300, reason: 'broken' })).toEqual({
      why: 'invalid',
      fields: ['stems'],
    });
    expect(await problem('desk/take-back', { entryId: 9_007_199_254_740_991 })).toEqual({
      why: 'refused',
      fields: ['entryId'],
    });
    const foreign = crypto.randomUUID();
    for (const [name, body, field] of [
      ['dock/bin', { lotId: foreign, stems: 1, reason: 'broken' }, 'lotId'],
      ['bench/tap', { stepId: foreign, to: 'done' }, 'stepId'],
      ['pails/tip-out', { pailId: foreign }, 'pailId'],
      [
        'make/make',
        {
          name: 'x',
          vesselKind: 'vase',
          litres: 1,
          care: 'mixed',
          lines: [{ portionId: foreign, stems: 1 }],
        },
        'lines[0].portionId',
      ],
      ['send-off/issue', { arrangementId: foreign }, 'arrangementId'],
      ['dock/book-kept', { keptId: foreign, line: {} }, 'line.line'],
    ] as const)
      expect(await problem(name, body)).toMatchObject({ fields: expect.arrayContaining([field]) as never });
  });
  test('hands that work elsewhere are refused by their field', async () => {
    const { id } = await bookOf('carnation', 10);
    const stepId = (await openStep(id)).id;
    expect(await problem('bench/tap', { stepId, to: 'done', handsId: crypto.randomUUID() })).toEqual({
      why: 'refused',
      fields: ['handsId'],
    });
  });
});

test('litres and depth go by the pail: 4 L in the low one are not twenty centimetres deep', async () => {
  const low = (await pailsIn('sanitised')).at(-1);
  if (!low) throw new Error('no pail stands clean');
  const { id } = await bookOf('carnation', 10);
  const drink = await until(id, 'drink');
  await act('bench/tap', { stepId: drink.id, to: 'running', pails: [{ pailId: low.id, litres: 4 }] });
  const fill = await shop
    .owner('pail_fill')
    .where({ pail_id: low.id, emptied_at: null })
    .first<{ litres: number; depth: string }>();
  expect(fill).toMatchObject({ litres: 4, depth: 'normal' });
});
