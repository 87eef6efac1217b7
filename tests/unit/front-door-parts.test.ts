import { EventEmitter } from 'node:events';
import type http from 'node:http';
import * as fc from 'fast-check';
import { Admission } from '../../scripts/front-door/admission.mjs';
import {
  addressOf,
  forgetForwarded,
  newNonce,
  pagePolicy,
  tlsHeaders,
} from '../../scripts/front-door/headers.mjs';
import { Metrics } from '../../scripts/front-door/metrics.mjs';
import { answerUnavailable } from '../../scripts/front-door/unavailable.mjs';

const BOUNDS = { atOnce: 2, mostWaiting: 3, longestWaitMs: 40 };

describe('letting in', () => {
  test('so many at once, so many waiting, the rest turned away; who leaves lets the next in', async () => {
    const door = new Admission({ ...BOUNDS, longestWaitMs: 5_000 });
    const inside = await Promise.all([door.enter(), door.enter()]);
    const waiting = [door.enter(), door.enter(), door.enter()];
    expect(door.now()).toEqual({ inside: 2, waiting: 3 });
    expect(await door.enter()).toBeNull();
    inside[0]?.();
    const third = await waiting[0];
    expect(third).not.toBeNull();
    expect(door.now()).toEqual({ inside: 2, waiting: 2 });
    for (const leave of [inside[1], third]) leave?.();
    for (const leave of await Promise.all(waiting.slice(1))) leave?.();
    expect(door.now()).toEqual({ inside: 0, waiting: 0 });
  });

  test('whoever has waited too long is told so, and takes nobody’s place', async () => {
    const door = new Admission(BOUNDS);
    const inside = [await door.enter(), await door.enter()];
    expect(await door.enter()).toBeNull();
    expect(door.now()).toEqual({ inside: 2, waiting: 0 });
    inside.forEach((leave) => leave?.());
    expect(door.now().inside).toBe(0);
  });

  test('leaving twice is leaving once', async () => {
    const door = new Admission(BOUNDS);
    const leave = await door.enter();
    leave?.();
    leave?.();
    expect(door.now().inside).toBe(0);
  });

  test('whatever order they come and go in, no more are in than may be, and in the end none', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.boolean(), { minLength: 1, maxLength: 40 }), async (comes) => {
        const door = new Admission({ atOnce: 3, mostWaiting: 5, longestWaitMs: 60_000 });
        const entered: (() => void)[] = [];
        const asked: Promise<unknown>[] = [];
        for (const isComing of comes) {
          if (isComing)
            asked.push(
              door.enter().then((leave) => {
                if (leave) entered.push(leave);
              }),
            );
          else entered.shift()?.();
          await Promise.resolve();
          expect(door.now().inside).toBeLessThanOrEqual(3);
          expect(door.now().waiting).toBeLessThanOrEqual(5);
        }
        for (let i = 0; i < 100 && door.now().inside > 0; i++) {
          entered.shift()?.();
          await Promise.resolve();
        }
        await Promise.all(asked);
        expect(door.now()).toEqual({ inside: 0, waiting: 0 });
      }),
      { numRuns: 60 },
    );
  });
});

describe('headers', () => {
  const request = (headers: Record<string, string>, remoteAddress?: string) =>
    ({ headers, socket: { remoteAddress } }) as unknown as http.IncomingMessage;

  test('a page runs its own scripts and those that bear its number, and no others', () => {
    const policy = pagePolicy('abc');
    expect(policy).toContain("script-src 'self' 'nonce-abc' 'wasm-unsafe-eval';");
    expect(policy).not.toMatch(/script-src[^;]*unsafe-inline/);
    expect(policy).not.toMatch(/script-src[^;]*'unsafe-eval'/);
    for (const told of [
      "object-src 'none'",
      "frame-ancestors 'none'",
      "form-action 'self'",
      "base-uri 'self'",
    ])
      expect(policy).toContain(told);
  });

  test('no two answers bear one number', () => {
    const numbers = new Set(Array.from({ length: 500 }, newNonce));
    expect(numbers.size).toBe(500);
    for (const number of numbers) expect(number.length).toBeGreaterThanOrEqual(22);
  });

  test('a shop by TLS alone says so for half a year; another says nothing', () => {
    expect(tlsHeaders(true)['strict-transport-security']).toContain('15724800');
    expect(tlsHeaders(false)).toEqual({});
  });

  test('what a stranger writes of where they come from counts for nothing, unless our own proxy says it last', () => {
    const told = request({ 'x-forwarded-for': '1.2.3.4, 10.0.0.7' }, '192.168.1.5');
    expect(addressOf(told, false)).toBe('192.168.1.5');
    expect(addressOf(told, true)).toBe('10.0.0.7');
    expect(addressOf(request({}, '192.168.1.5'), true)).toBe('192.168.1.5');
    expect(addressOf(request({}), false)).toBe('unknown');
  });

  test('every header that only a proxy could know is forgotten, and no other', () => {
    const told = request({
      'x-forwarded-host': 'evil',
      'x-forwarded-proto': 'http',
      forwarded: 'for=1.2.3.4',
      'x-real-ip': '1.2.3.4',
      'x-middleware-subrequest': 'yes',
      'x-rewrite-url': '/',
      host: 'shop.lan',
      accept: 'text/html',
      'x-nonce': 'abc',
    });
    forgetForwarded(told);
    expect(Object.keys(told.headers).sort()).toEqual(['accept', 'host', 'x-nonce']);
  });
});

describe('metrics', () => {
  const answered = (metrics: Metrics, lane: 'pages' | 'actions', statusCode: number): void => {
    const response = Object.assign(new EventEmitter(), { statusCode });
    metrics.count(lane, response as unknown as http.ServerResponse);
    response.emit('close');
  };
  const NOW = { lanes: { pages: { inside: 1, waiting: 2 } }, isDatabaseUp: false };

  test('requests are counted by lane and status, their times in buckets that only ever grow', () => {
    const metrics = new Metrics();
    for (let i = 0; i < 3; i++) answered(metrics, 'pages', 200);
    answered(metrics, 'actions', 409);
    const text = metrics.text(NOW);
    expect(text).toContain('hush_pail_requests_total{lane="pages",status="200"} 3');
    expect(text).toContain('hush_pail_requests_total{lane="actions",status="409"} 1');
    const buckets = [...text.matchAll(/_bucket\{lane="pages",le="[^"]+"\} (\d+)/g)].map((m) => Number(m[1]));
    expect(buckets).toEqual([...buckets].sort((a, b) => a - b));
    expect(buckets.at(-1)).toBe(3);
    expect(text).toContain('hush_pail_request_seconds_count{lane="pages"} 3');
  });

  test('what is inside, what waits and whether the database answers are told as they are', () => {
    const text = new Metrics().text(NOW);
    expect(text).toContain('hush_pail_requests_inside{lane="pages"} 1');
    expect(text).toContain('hush_pail_requests_waiting{lane="pages"} 2');
    expect(text).toContain('hush_pail_database_up 0');
    expect(text).toMatch(/hush_pail_resident_bytes \d+/);
    expect(text).toMatch(/\n$/);
  });

  test('every line is a name with a number, or says what follows', () => {
    const metrics = new Metrics();
    answered(metrics, 'pages', 503);
    for (const line of metrics.text(NOW).trim().split('\n'))
      expect(line).toMatch(/^(# TYPE hush_pail_\w+ \w+|hush_pail_\w+(\{[^}]*\})? -?[\d.e+-]+)$/);
  });
});

describe('when nobody can be answered', () => {
  interface Told {
    status: number;
    headers: Record<string, string | number>;
    body: string;
  }
  const answer = (
    url: string,
    headers: Record<string, string>,
    why: 'memory' | 'busy',
    method = 'GET',
  ): Told => {
    const told: Told = { status: 0, headers: {}, body: '' };
    const response = {
      writeHead: (status: number, given: Told['headers']) => Object.assign(told, { status, headers: given }),
      end: (body?: string) => Object.assign(told, { body: body ?? '' }),
    };
    const asked = { url, method, headers } as unknown as http.IncomingMessage;
    answerUnavailable(asked, response as unknown as http.ServerResponse, why);
    return told;
  };

  test('a page says so in its HTML, tries again by itself, and waits for a tap after ten minutes', () => {
    const first = answer('/bench', { accept: 'text/html' }, 'memory');
    expect(first).toMatchObject({
      status: 503,
      headers: { 'retry-after': '5', 'cache-control': 'no-store' },
    });
    expect(first.body).toContain('http-equiv="refresh"');
    expect(first.body).not.toContain('<script');
    const late = answer('/bench', { accept: 'text/html', cookie: 'hush-pail-tries=60' }, 'memory');
    expect(late.body).not.toContain('http-equiv="refresh"');
    expect(late.body).toContain('Try now');
  });

  test('a tap hears that it was not done, so that its tablet keeps it', () => {
    const told = answer('/actions/bench/done', { accept: 'application/json' }, 'busy', 'POST');
    expect(told.headers['content-type']).toBe('application/json');
    expect(JSON.parse(told.body)).toMatchObject({ ok: false, why: 'unavailable', isNotDone: true });
    expect(told.headers['retry-after']).toBe('2');
  });

  test('the rest get a line, its length told in bytes; a question for the head alone no body', () => {
    const told = answer('/live', {}, 'memory');
    expect(told.headers['content-type']).toMatch(/^text\/plain/);
    expect(told.headers['content-length']).toBe(Buffer.byteLength(told.body));
    expect(answer('/live', {}, 'memory', 'HEAD').body).toBe('');
  });

  test('a cookie that is none of ours, or broken, counts for no tries', () => {
    for (const cookie of ['hush-pail-tries=abc', 'other-hush-pail-tries=60', '', 'hush-pail-tries=99999'])
      expect(answer('/', { accept: 'text/html', cookie }, 'memory').body).toContain('http-equiv="refresh"');
  });
});
