/** Tablets that go on tapping whatever is killed under them, and bodies no page would send. For torture.mjs. */
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import fc from 'fast-check';
import { ACTIONS, specOf, type ActionName } from '../src/core/actions/actions';
import { connect } from '../src/data/connection';
import { BODIES, noteLine, type World } from '../tests/support/bodies';
import { hostileBody } from '../tests/support/hostile';
import { signedIn } from './lib/signed-in';
import { unsound } from '../tests/support/sound';

const WEB = process.env.TORTURE_WEB ?? '';
const owner = connect(process.env.TORTURE_OWNER ?? '', 6);
const TABLETS = 6;
const statuses: Record<string, number> = {};

interface Answer {
  readonly status: number;
  readonly outcome: { readonly ok: boolean; readonly value?: unknown; readonly why?: string } | null;
}

async function cookieOf(name: string): Promise<string> {
  const person = await patiently<{ id: string; shop_id: string }>(() =>
    owner('person').where({ name }).first(),
  );
  return patiently(() => signedIn(owner, person, new Date()));
}

/** Asks the database until it answers: it is being killed meanwhile. */
async function patiently<T>(work: () => PromiseLike<unknown>): Promise<T> {
  for (;;) {
    try {
      return (await work()) as T;
    } catch {
      await wait(100);
    }
  }
}

async function post(
  cookie: string,
  name: string,
  body: unknown,
  key: string,
  timeoutMs = 6000,
): Promise<Answer> {
  // A timer that is held: one that nobody holds but its signal may be collected before it rings, and the tap waits for ever.
  const giveUp = new AbortController();
  const timer = setTimeout(() => giveUp.abort(), timeoutMs);
  try {
    const response = await fetch(`${WEB}/actions/${name}`, {
      method: 'POST',
      headers: {
        'content-type': 'application/json',
        origin: WEB,
        cookie,
        'x-action-key': key,
        'x-sure': 'out of order,early,crowded,handed over',
      },
      body: JSON.stringify(body),
      signal: giveUp.signal,
    });
    statuses[response.status] = (statuses[response.status] ?? 0) + 1;
    const outcome = (await response.json().catch(() => null)) as Answer['outcome'];
    return { status: response.status, outcome };
  } catch {
    return { status: 0, outcome: null };
  } finally {
    clearTimeout(timer);
  }
}

interface Tapped {
  readonly key: string;
  readonly name: ActionName;
  readonly isDone: boolean;
}

/** One tap, sent again with its key until it is answered, as a tablet keeps it. */
async function tapUntilAnswered(cookie: string, name: ActionName, body: unknown): Promise<Tapped> {
  const key = randomUUID();
  for (;;) {
    const { status, outcome } = await post(cookie, name, body, key);
    if (outcome && (status === 200 || status === 409 || status === 422))
      return { key, name, isDone: outcome.ok };
    await wait(60 + Math.random() * 200);
  }
}

const any = <T>(of: readonly T[]): T | undefined => of[Math.floor(Math.random() * of.length)];

interface OpenStep {
  readonly id: string;
  readonly status: string;
  readonly step: { readonly waitSeconds: number; readonly pail: unknown };
}

type NextTap = [ActionName, unknown];

interface Standing {
  readonly id: string;
  readonly portion_id: string;
  readonly stems: number;
  readonly plan_no: number;
}
interface StandingPail {
  readonly id: string;
  readonly state: string;
}

const bookIn = (): NextTap => [
  'dock/book-in',
  {
    supplier: 'Norrholt Growers',
    deliveryRef: randomUUID().slice(0, 18),
    lines: [1, 2, 3].map((n) => noteLine(n, 'gerbera', 40)),
  },
];

/** An arrangement of a stem each of what is there; of one portion twice it would be refused. */
const makeOf = (lots: readonly Standing[]): NextTap => [
  'make/make',
  {
    name: 'tray',
    vesselKind: 'vase',
    litres: 1,
    care: 'usual',
    lines: lots
      .filter((l, i, all) => all.findIndex((x) => x.portion_id === l.portion_id) === i)
      .map((l) => ({ portionId: l.portion_id, stems: 1 })),
  },
];

/** The next step of a portion, tapped; null where none is open. */
async function stepOn(lot: Standing, pail: StandingPail | undefined): Promise<NextTap | null> {
  const step = await patiently<OpenStep | undefined>(() =>
    owner('protocol_step')
      .where({ portion_id: lot.portion_id, plan_no: lot.plan_no })
      .whereIn('status', ['waiting', 'running'])
      .orderBy('position')
      .first('id', 'status', 'step'),
  );
  if (!step) return null;
  const isWait = step.step.waitSeconds > 0 && step.status === 'waiting';
  return [
    'bench/tap',
    {
      stepId: step.id,
      to: isWait ? 'running' : 'done',
      pails: step.step.pail && pail ? [{ pailId: pail.id }] : [],
      reason: 'last one left',
    },
  ];
}

/** What is done next with a pail, by its state. */
function handle(pail: StandingPail, others: readonly StandingPail[]): NextTap {
  if (pail.state === 'dirty') return ['pails/wash', { pailId: pail.id, to: 'scrubbed' }];
  if (pail.state === 'filled')
    return any([0, 1])
      ? ['pails/tip-out', { pailId: pail.id }]
      : ['pails/turn-over', { pailId: pail.id, toPailId: others.find((p) => p.id !== pail.id)?.id }];
  const filled = { litres: 2, solution: 'plain', tempC: 20, depth: 'normal' };
  return ['pails/fill', { pailId: pail.id, ...filled, overrideReason: 'last one left' }];
}

/** Takes back what this person did last; where that is nothing, looks at a lot. */
async function takeBack(personId: string, lot: Standing): Promise<NextTap> {
  const mine = await patiently<{ id: number } | undefined>(() =>
    owner('record_entry')
      .where({ person_id: personId })
      .whereNull('corrects')
      .orderBy('id', 'desc')
      .first('id'),
  );
  return mine
    ? ['desk/take-back', { entryId: mine.id }]
    : ['dock/look', { lotId: lot.id, stage: 0.25, droop: 'firm' }];
}

/** What a tablet may tap now, by what stands in the shop. */
async function nextTap(personId: string): Promise<NextTap> {
  const lots = await patiently<Standing[]>(() =>
    owner('portion as o')
      .join('lot as l', 'l.id', 'o.lot_id')
      .where('o.stems', '>', 4)
      .orderByRaw('random()')
      .limit(3)
      .select('l.id', 'o.id as portion_id', 'o.stems', 'o.plan_no'),
  );
  const [lot, other] = lots;
  const pails = await patiently<StandingPail[]>(() =>
    owner('pail').orderByRaw('random()').limit(4).select('id', 'state'),
  );
  const pail = any(pails);
  const dice = Math.random();
  if (!lot || dice < 0.08) return bookIn();
  if (dice < 0.3) return ['dock/bin', { lotId: lot.id, stems: 1, reason: 'broken' }];
  if (dice < 0.4) return ['bench/apart', { portionId: lot.portion_id, stems: 2 }];
  if (dice < 0.5 && other) return makeOf([lot, other]);
  const step = dice < 0.62 ? await stepOn(lot, pail) : null;
  if (step) return step;
  return dice < 0.78 && pail ? handle(pail, pails) : takeBack(personId, lot);
}

/** Tablets tap until somebody says it is enough; then every answer is held against the database. */
async function tapOn(): Promise<number> {
  let isEnough = false;
  process.stdin.once('data', () => (isEnough = true));
  const people = await patiently<{ id: string; name: string }[]>(() => owner('person').select('id', 'name'));
  const tapped: Tapped[] = [];
  await Promise.all(
    Array.from({ length: TABLETS }, async (_, n) => {
      const person = people[n % people.length];
      if (!person) return;
      const cookie = await cookieOf(person.name);
      while (!isEnough) {
        const [name, body] = await nextTap(person.id);
        tapped.push(await tapUntilAnswered(cookie, name, body));
      }
    }),
  );
  const done = tapped.filter((t) => t.isDone);
  const kept = await owner('action')
    .select<{ key: string; n: string }[]>('key')
    .count('* as n')
    .groupBy('key');
  const times = new Map(kept.map((k) => [k.key, Number(k.n)]));
  const lost = done.filter((t) => !times.has(t.key));
  const doubled = [...times.values()].filter((n) => n > 1).length;
  const refusedButDone = tapped.filter((t) => !t.isDone && times.has(t.key));
  const broken = await unsound(owner);
  console.log(
    JSON.stringify({
      tapped: tapped.length,
      acknowledged: done.length,
      refused: tapped.length - done.length,
      lost: lost.length,
      doubled,
      refusedButDone: refusedButDone.length,
      inconsistent: broken,
      statuses,
    }),
  );
  const bad5xx = Object.entries(statuses).filter(([s]) => Number(s) >= 500 && s !== '503');
  return lost.length + doubled + refusedButDone.length + broken.length + bad5xx.length;
}

/** Ids that are there, so that a spoilt body is spoilt in one place and right in the others. */
async function worldNow(): Promise<World> {
  const idOf = async (sql: string): Promise<string> =>
    (await owner.raw<{ rows: { id: string }[] }>(sql)).rows[0]?.id ?? randomUUID();
  const portion = 'select id from portion where stems > 10 order by id desc limit 1';
  return {
    lotId: await idOf(`select lot_id as id from portion where id = (${portion})`),
    portionId: await idOf(portion),
    stepId: await idOf(
      `select s.id from protocol_step s join portion o on o.id = s.portion_id and o.plan_no = s.plan_no where o.stems > 10 and s.status = 'waiting' limit 1`,
    ),
    lookStepId: await idOf(`select id from protocol_step where kind = 'look-back' limit 1`),
    mateLotId: await idOf('select id from lot where stems_left > 5 limit 1'),
    deliveryId: await idOf(
      'select delivery_id as id from lot where stems_left > 5 order by number desc limit 1',
    ),
    pailId: await idOf(`select id from pail where state = 'filled' limit 1`),
    cleanPailId: await idOf(`select id from pail where state = 'sanitised' limit 1`),
    dirtyPailId: await idOf(`select id from pail where state = 'dirty' limit 1`),
    arrangementId: await idOf('select id from arrangement limit 1'),
    claimId: await idOf('select id from claim limit 1'),
    keptId: await idOf('select id from kept_line limit 1'),
    expectedId: await idOf('select id from expected_delivery limit 1'),
    photoId: await idOf('select id from lot_photo limit 1'),
    roomId: await idOf(`select id from room where kind = 'bench' limit 1`),
    personId: await idOf(`select id from person where name = 'Wen'`),
    entryId: 1,
  };
}

async function sendBodies(wanted: number): Promise<number> {
  const cookie = await cookieOf('Ilse');
  for (let up = false; !up; await wait(200))
    up = await fetch(`${WEB}/health`).then(
      (r) => r.ok,
      () => false,
    );
  for (const key of Object.keys(statuses)) Reflect.deleteProperty(statuses, key);
  const names = Object.keys(ACTIONS) as ActionName[];
  const each = Math.ceil(wanted / names.length);
  const bad: string[] = [];
  let sent = 0;
  for (const name of names) {
    const world = await worldNow();
    const valid = (BODIES[name] as (w: World, n: number) => unknown)(world, 0);
    const bodies = fc.sample(hostileBody(specOf(name).input, valid), { numRuns: each });
    for (let i = 0; i < bodies.length; i += 4)
      await Promise.all(
        bodies.slice(i, i + 4).map(async (body) => {
          const { status } = await post(cookie, name, body ?? null, randomUUID(), 30_000);
          sent++;
          if (status === 0 || (status >= 500 && status !== 503))
            bad.push(`${status} ${name} ${JSON.stringify(body).slice(0, 160)}`);
        }),
      );
  }
  const broken = await unsound(owner);
  console.log(JSON.stringify({ bodies: sent, statuses, bad: bad.slice(0, 10), inconsistent: broken }));
  return bad.length + broken.length;
}

const [task, count] = process.argv.slice(2);
const faults = task === 'tap' ? await tapOn() : await sendBodies(Number(count));
await owner.destroy();
process.exit(faults > 0 ? 1 : 0);
