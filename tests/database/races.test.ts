import { LANGUAGES } from '@/core/words/catalogues';
import { isMessage } from '@/core/words/message';
import { NOT_YET, say } from '@/core/words/say';
import { manyNewestEntries } from '@/data/record';
import fc from 'fast-check';
import * as v from 'valibot';
import { ACTIONS, specOf, type ActionName } from '@/core/actions/actions';
import { be, send, SURE } from '../support/acting';
import { BODIES, type World } from '../support/bodies';
import { freshShop, type TestShop } from '../support/database';
import { hostileBody } from '../support/hostile';
import { unsound } from '../support/sound';
import { stage } from '../support/stage';
import { newWorld } from '../support/world';

jest.mock('@/server/session', () => jest.requireActual<object>('../support/stage')['stagedSession' as never]);
jest.mock('@/server/clock', () => ({
  ...jest.requireActual<object>('@/server/clock'),
  now: () => stage.at,
}));

/** All of it, for `npm run torture`; a sample otherwise. */
const isTorture = process.env.HUSH_PAIL_TORTURE === '1';
const NAMES = Object.keys(ACTIONS) as ActionName[];
jest.setTimeout(isTorture ? 3_600_000 : 300_000);

let shop: TestShop;
beforeAll(async () => {
  stage.shop = shop = await freshShop();
  await be('Ilse');
});
afterAll(() => shop.close());

const bodyOf = (name: ActionName, world: World, n: number): unknown =>
  (BODIES[name] as (w: World, n: number) => unknown)(world, n);

/** Things an action locks, as the contract has it. */
const locksOf = (name: ActionName, world: World): string[] =>
  specOf(name)
    .locks(v.parse(specOf(name).input, bodyOf(name, world, 0)) as never)
    .flatMap((l) => (l.what === 'entry' ? [] : [l.id || l.what]));

/** Everything of a world that hangs together: whatever touches one of these may meet the other. */
const related = (world: World): Set<string> =>
  new Set([
    world.lotId,
    world.portionId,
    world.stepId,
    world.lookStepId,
    world.mateLotId,
    world.deliveryId,
    world.pailId,
    world.cleanPailId,
    world.arrangementId,
    world.claimId,
    world.photoId,
  ]);

/** Every two actions of the contract that touch one subject, the same with itself included. */
function pairsOf(world: World): [ActionName, ActionName][] {
  const subject = related(world);
  const touches = NAMES.filter(
    (n) => n === 'desk/take-back' || locksOf(n, world).some((id) => subject.has(id)),
  );
  const others = NAMES.filter((n) => !touches.includes(n));
  const pairs = touches.flatMap((a, i) => touches.slice(i).map((b): [ActionName, ActionName] => [a, b]));
  // What touches nothing of it meets itself all the same: a key, a number, a version.
  return [...pairs, ...others.map((n): [ActionName, ActionName] => [n, n])];
}

test('two actions at one subject at once: one after the other, whichever comes first', async () => {
  const all = pairsOf(await newWorld(shop));
  expect(all.length).toBeGreaterThan(250);
  const step = isTorture ? 1 : Math.ceil(all.length / 45);
  const offset = isTorture ? 0 : Math.floor(Date.now() / 86_400_000) % step;
  const broken: string[] = [];
  let done = 0;
  for (const [a, b] of all.filter((_, i) => i % step === offset)) {
    const world = await newWorld(shop);
    const [first, second] = await Promise.all([
      send(a, bodyOf(a, world, 0), { sure: SURE }),
      send(b, bodyOf(b, world, 1), { sure: SURE }),
    ]);
    for (const [name, outcome] of [
      [a, first],
      [b, second],
    ] as const)
      if (!outcome.ok && (outcome.why === 'broken' || outcome.why === 'unavailable'))
        broken.push(`${name} beside ${name === a ? b : a}: ${outcome.why}`);
    for (const rule of await unsound(shop.owner)) broken.push(`${a} and ${b}: ${rule}`);
    done += Number(first.ok) + Number(second.ok);
    if (broken.length > 5) break;
  }
  expect(broken).toEqual([]);
  // Most pairs can both be done; a race that does nothing shows nothing.
  expect(done).toBeGreaterThan(all.length / step / 2);
});

test('what every action enters is a message, said whole in each language', async () => {
  for (const name of NAMES) {
    const world = await newWorld(shop);
    await send(name, bodyOf(name, world, 0), { sure: SURE });
  }
  const entries = await shop.inside((trx) => manyNewestEntries(trx, 2000));
  const mine = entries.filter((e) => isMessage(e.words));
  expect(new Set(mine.map((e) => e.kind)).size).toBeGreaterThan(24);
  const unsaid = mine.flatMap(({ kind, words }) =>
    LANGUAGES.map((language) => `${kind}: ${say(words, language)}`).filter(
      (text) => text.includes(NOT_YET) || /[{}]/.test(text),
    ),
  );
  expect(unsaid).toEqual([]);
  const english = mine.filter((e) => say(e.words, 'es') === say(e.words, 'en'));
  expect(english.map((e) => e.kind)).toEqual([]);
});

test('bodies made from every action’s schema, and against it: an answer each, and nothing broken', async () => {
  const each = isTorture ? 250 : 14;
  const world = await newWorld(shop);
  const answers: Record<string, number> = {};
  const broken: string[] = [];
  for (const name of NAMES)
    await fc.assert(
      fc.asyncProperty(hostileBody(specOf(name).input, bodyOf(name, world, 0)), async (body) => {
        const outcome = await send(name, JSON.parse(JSON.stringify(body ?? null)));
        const why = outcome.ok ? 'done' : outcome.why;
        answers[why] = (answers[why] ?? 0) + 1;
        if (why === 'broken' || why === 'unavailable')
          broken.push(`${name} ${JSON.stringify(body).slice(0, 200)}`);
      }),
      { numRuns: each },
    );
  expect(broken).toEqual([]);
  expect(await unsound(shop.owner)).toEqual([]);
  expect(answers.invalid).toBeGreaterThan(NAMES.length);
  if (isTorture) console.log(JSON.stringify(answers));
});
