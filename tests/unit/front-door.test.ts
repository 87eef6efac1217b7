import http from 'node:http';
import net from 'node:net';
import type { AddressInfo } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { Admission } from '../../scripts/front-door/admission.mjs';
import { frontDoor } from '../../scripts/front-door/front-door.mjs';

type Handle = (request: http.IncomingMessage, response: http.ServerResponse) => unknown;
type Requests = { getStore(): { isUnavailable: boolean } | undefined };

const servers: http.Server[] = [];
afterEach(async () => {
  for (const server of servers.splice(0)) {
    server.closeAllConnections();
    await new Promise((done) => server.close(done));
  }
});

async function opened(
  handle: Handle,
  { isUp = true, lanes, bounds }: { isUp?: boolean; lanes?: object; bounds?: object } = {},
): Promise<string> {
  const server = frontDoor({
    handle: async (request: http.IncomingMessage, response: http.ServerResponse) => {
      await handle(request, response);
    },
    database: { isUp: () => Promise.resolve(isUp) },
    ...(lanes ? { lanes } : {}),
    ...(bounds ? { bounds } : {}),
  });
  servers.push(server);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}
const page: Handle = (_request, response) => {
  response.writeHead(200, { 'content-type': 'text/html' }).end('<p>here</p>');
};
const asPage = { headers: { accept: 'text/html' } };

test('every page has a policy of its own: inline scripts run by its number alone', async () => {
  const told: string[] = [];
  const url = await opened((request, response) => {
    told.push(String(request.headers['x-nonce']));
    void page(request, response);
  });
  const policies = [await fetch(url), await fetch(url)].map(
    (r) => r.headers.get('content-security-policy') ?? '',
  );
  expect(new Set(told).size).toBe(2);
  policies.forEach((policy, i) => {
    const scripts = policy.split('; ').find((p) => p.startsWith('script-src'));
    expect(scripts).toContain(`'nonce-${told[i]}'`);
    expect(scripts).not.toContain('unsafe-inline');
  });
});

test('where the shop is reached by TLS alone every answer says so; else none does', async () => {
  const plain = await fetch(await opened(page));
  expect(plain.headers.get('strict-transport-security')).toBeNull();
  process.env.HUSH_PAIL_HTTPS = '1';
  try {
    const secure = await fetch(await opened(page));
    expect(secure.headers.get('strict-transport-security')).toMatch(/^max-age=\d{8}$/);
  } finally {
    delete process.env.HUSH_PAIL_HTTPS;
  }
});

test('what a stranger writes as if a proxy had is forgotten', async () => {
  let seen: http.IncomingHttpHeaders = {};
  const url = await opened((request, response) => {
    seen = request.headers;
    void page(request, response);
  });
  const written = { 'x-forwarded-host': 'evil.example', forwarded: 'host=evil.example', 'x-nonce': 'mine' };
  await fetch(url, { headers: { ...written, 'x-middleware-subrequest': 'proxy' } });
  expect(Object.keys(seen).filter((h) => /forwarded|middleware/.test(h))).toEqual([]);
  expect(seen['x-nonce']).not.toBe('mine');
});

test('without a database a page says so in its HTML, without script, and tries by itself only so often', async () => {
  const url = await opened(page, { isUp: false });
  const answer = await fetch(url, asPage);
  const html = await answer.text();
  expect([answer.status, answer.headers.get('retry-after')]).toEqual([503, '5']);
  expect(html).toContain('The shop’s memory is not answering');
  expect(html).not.toContain('<script');
  expect(html).toContain('http-equiv="refresh"');
  const late = await fetch(url, { headers: { accept: 'text/html', cookie: 'a=b; hush-pail-tries=60' } });
  expect(await late.text()).not.toContain('http-equiv');
  const tap = await fetch(`${url}/actions/bench/tap`, { method: 'POST', body: '{}' });
  expect(await tap.json()).toMatchObject({ ok: false, why: 'unavailable' });
  expect((await fetch(`${url}/health`)).status).toBe(200);
});

test('a page whose database went away while it was read is a 503 and no 500; another fault stays what it is', async () => {
  const states = globalThis as unknown as { hushPailRequests: Requests };
  const url = await opened((request, response) => {
    const state = states.hushPailRequests.getStore();
    if (request.url === '/gone' && state) state.isUnavailable = true;
    response.statusCode = 500;
    response.setHeader('content-type', 'text/html');
    response.write('<html>');
    response.end('<p>inner</p></html>');
  });
  const gone = await fetch(`${url}/gone`, asPage);
  expect([gone.status, gone.headers.has('retry-after')]).toEqual([503, true]);
  expect(await gone.text()).not.toContain('inner');
  const other = await fetch(`${url}/other`, asPage);
  expect([other.status, await other.text()]).toEqual([500, '<html><p>inner</p></html>']);
});

test('a page that stands and is read anew is answered whole or refused, never half', async () => {
  const states = globalThis as unknown as { hushPailRequests: Requests };
  const url = await opened((request, response) => {
    response.writeHead(200, { 'content-type': 'text/x-component', 'set-cookie': 'a=1' });
    response.flushHeaders();
    response.write('the frame, ');
    const state = states.hushPailRequests.getStore();
    if (request.url === '/gone' && state) state.isUnavailable = true;
    response.end('and a fault in its middle');
  });
  const asRefresh = { headers: { 'x-hush-pail-refresh': '1', rsc: '1' } };
  const gone = await fetch(`${url}/gone`, asRefresh);
  expect([gone.status, gone.headers.get('retry-after')]).toEqual([503, '5']);
  expect(await gone.text()).not.toContain('frame');
  const whole = await fetch(`${url}/whole`, asRefresh);
  expect([whole.status, whole.headers.get('set-cookie'), await whole.text()]).toEqual([
    200,
    'a=1',
    'the frame, and a fault in its middle',
  ]);
  // Whoever comes to a page sees what there is as it comes.
  expect([(await fetch(`${url}/gone`)).status]).toEqual([200]);
});

test('requests wait their turn; those over the queue are told when to come again', async () => {
  let [inside, most, refused] = [0, 0, 0];
  // Nobody is done before all have come, however slowly they come.
  let letGo = (): void => undefined;
  const allHaveCome = new Promise<void>((resolve) => (letGo = resolve));
  const url = await opened(
    async (_request, response) => {
      most = Math.max(most, ++inside);
      await allHaveCome;
      inside--;
      response.end('done');
    },
    {
      lanes: {
        pages: { atOnce: 2, mostWaiting: 4, longestWaitMs: 30_000 },
        actions: { atOnce: 1, mostWaiting: 0, longestWaitMs: 1 },
      },
    },
  );
  const asked = Array.from({ length: 12 }, async () => {
    const answer = await fetch(url, asPage);
    if (answer.status === 503 && ++refused === 6) letGo();
    return answer;
  });
  const answers = await Promise.all(asked);
  const statuses = answers.map((a) => a.status).sort();
  expect(statuses).toEqual([...Array<number>(6).fill(200), ...Array<number>(6).fill(503)]);
  expect(most).toBe(2);
  expect(answers.find((a) => a.status === 503)?.headers.get('retry-after')).toBe('2');
});

test('whoever waits too long is turned away, and a turn given up goes to the next', async () => {
  const admission = new Admission({ atOnce: 1, mostWaiting: 5, longestWaitMs: 30 });
  const leave = await admission.enter();
  const [waited, also] = [admission.enter(), admission.enter()];
  expect(await waited).toBeNull();
  expect(await also).toBeNull();
  const next = admission.enter();
  leave?.();
  leave?.();
  const left = await next;
  expect(left).not.toBeNull();
  expect(await admission.enter()).toBeNull();
  left?.();
});

test('a body said to be too large is refused unread, one that comes too slowly is cut off', async () => {
  let handled = 0;
  const url = await opened(
    (_request, response) => {
      handled++;
      response.end('done');
    },
    { bounds: { headersTimeout: 1500, requestTimeout: 1500, connectionsCheckingInterval: 50 } },
  );
  const large = await new Promise<number>((resolve, reject) => {
    const request = http.request(`${url}/actions/dock/book-in`, {
      method: 'POST',
      headers: { 'content-length': 300_000_000 },
    });
    request.on('response', (r) => resolve(r.statusCode ?? 0)).on('error', reject);
    request.write('{');
  });
  expect([large, handled]).toEqual([413, 0]);
  const slow = (sent: string) =>
    new Promise<string>((resolve) => {
      const socket = net.connect(Number(new URL(url).port), '127.0.0.1', () => socket.write(sent));
      let got = '';
      socket.on('data', (d) => (got += String(d))).on('close', () => resolve(got));
    });
  expect(await slow('GET / HTTP/1.1\r\nhost: shop\r\nx-slo')).toContain(' 408 ');
  expect(handled).toBe(0);
});

/** By their status lines: a number of an answer may hold "422" too. */
const answersIn = (heard: string): number => heard.match(/HTTP\/1\.1 422 /g)?.length ?? 0;

test('an answer given before its body came is heard, and the connection serves the next; a torrent is cut off', async () => {
  const url = await opened((_request, response) => {
    response.writeHead(422, { 'content-type': 'text/plain', 'content-length': 7 }).end('refused');
  });
  const { port } = new URL(url);
  const talk = (pieces: readonly string[], answers: number): Promise<{ heard: string; wasCut: boolean }> =>
    new Promise((resolve) => {
      let heard = '';
      const socket = net.connect(Number(port), '127.0.0.1');
      const over = (wasCut: boolean) => {
        socket.destroy();
        resolve({ heard, wasCut });
      };
      socket.on('data', (data) => (heard += String(data)));
      const isHeard = () => answersIn(heard) >= answers;
      socket.on('error', () => over(true));
      socket.on('close', () => over(true));
      void (async () => {
        for (const piece of pieces) {
          if (!socket.destroyed) socket.write(piece);
          await wait(60);
        }
        for (let n = 0; n < 100 && !isHeard(); n++) await wait(100);
        over(false);
      })();
    });
  const head = (length: number): string =>
    `POST /actions/x HTTP/1.1\r\nhost: here\r\ncontent-length: ${length}\r\n\r\n`;
  const late = await talk([head(10), '01234', '56789', head(2), 'ab'], 2);
  expect(late.wasCut).toBe(false);
  expect(answersIn(late.heard)).toBe(2);
  const torrent = 'x'.repeat(80_000);
  const cut = await talk([head(2_000_000), torrent, torrent, torrent, torrent], Infinity);
  expect(answersIn(cut.heard)).toBe(1);
  expect(cut.wasCut).toBe(true);
});

test('it is ready while its database answers, and alive without', async () => {
  const away = await opened(page, { isUp: false });
  expect((await fetch(`${away}/ready`)).status).toBe(503);
  expect((await fetch(`${away}/health`)).status).toBe(200);
  expect((await fetch(`${await opened(page)}/ready`)).status).toBe(200);
});

test('metrics tell what was answered, in its lane, to the computer itself and to nobody behind a proxy', async () => {
  const url = await opened(page);
  await fetch(url);
  await fetch(url);
  await fetch(`${url}/actions/x`, { method: 'POST' });
  const read = async () => (await fetch(`${url}/metrics`)).text();
  let text = await read();
  // An answer counts once its connection has let it go, which may be a moment after it was read.
  for (let n = 0; n < 100 && !text.includes('count{lane="actions"} 1'); n++) {
    await wait(20);
    text = await read();
  }
  expect(text).toContain('hush_pail_requests_total{lane="pages",status="200"} 2');
  expect(text).toContain('hush_pail_request_seconds_count{lane="actions"} 1');
  expect(text).toContain('hush_pail_database_up 1');
  // Every line is a comment, or a name with labels and a number.
  for (const line of text.trim().split('\n'))
    expect(line).toMatch(/^(# TYPE \w+ (counter|gauge|histogram)|\w+(\{[^}]*\})? [\d.e+-]+)$/);
  process.env.HUSH_PAIL_ORIGIN = 'https://pails.shop.lan';
  try {
    const forwarded = { headers: { 'x-forwarded-for': '10.0.0.7, 10.0.0.9' } };
    expect((await fetch(`${url}/metrics`, forwarded)).status).toBe(404);
  } finally {
    delete process.env.HUSH_PAIL_ORIGIN;
  }
});

test('each request has an id of its own, and where it came from as it was connected, whatever it says', async () => {
  const seen: http.IncomingHttpHeaders[] = [];
  const url = await opened((request, response) => {
    seen.push(request.headers);
    void page(request, response);
  });
  const headers = { 'x-hush-pail-address': '10.6.6.6', 'x-forwarded-for': '10.6.6.6' };
  const ids = [await fetch(url, { headers }), await fetch(url)].map((r) => r.headers.get('x-request-id'));
  expect(new Set(ids).size).toBe(2);
  expect(seen[0]?.['x-hush-pail-address']).toMatch(/^(::ffff:)?127\.0\.0\.1$/);
  process.env.HUSH_PAIL_ORIGIN = 'https://pails.shop.lan';
  try {
    // The proxy writes last: what a stranger wrote before it is not believed.
    await fetch(url, { headers: { 'x-forwarded-for': '1.2.3.4, 10.0.0.7' } });
    expect(seen[2]?.['x-hush-pail-address']).toBe('10.0.0.7');
  } finally {
    delete process.env.HUSH_PAIL_ORIGIN;
  }
});
