import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { gunzipSync } from 'node:zlib';
import fc from 'fast-check';
import { squeeze } from '../../scripts/front-door/squeeze.mjs';

let answerWith: (request: http.IncomingMessage, response: http.ServerResponse) => unknown = () => undefined;
const server = http.createServer((request, response) => {
  squeeze(request, response);
  void answerWith(request, response);
});
beforeAll(() => new Promise<void>((done) => server.listen(0, '127.0.0.1', done)));
afterAll(() => {
  server.closeAllConnections();
  return new Promise((done) => server.close(done));
});

interface Answer {
  readonly status: number;
  readonly headers: http.IncomingHttpHeaders;
  readonly body: Buffer;
  /** When each piece came, ms after it was asked. */
  readonly cameAt: readonly number[];
}

/** Asks as a tablet does, and takes what comes as it comes. */
function ask(headers: http.OutgoingHttpHeaders = {}, method = 'GET'): Promise<Answer> {
  const began = performance.now();
  const { port } = server.address() as AddressInfo;
  return new Promise((done, failed) => {
    http
      .request(
        { port, host: '127.0.0.1', method, headers: { 'accept-encoding': 'gzip', ...headers } },
        (r) => {
          const pieces: Buffer[] = [];
          const cameAt: number[] = [];
          r.on('data', (piece: Buffer) => {
            pieces.push(piece);
            cameAt.push(performance.now() - began);
          });
          r.on('error', failed);
          r.on('end', () =>
            done({ status: r.statusCode ?? 0, headers: r.headers, body: Buffer.concat(pieces), cameAt }),
          );
        },
      )
      .on('error', failed)
      .end();
  });
}
const html = { 'content-type': 'text/html; charset=utf-8' };
const long = '<p>Tulips, lot 12 △</p>'.repeat(300);

test('however a page is written, it is read as it was written', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(fc.string({ unit: 'grapheme', maxLength: 5000 }), fc.boolean()), { maxLength: 8 }),
      fc.boolean(),
      fc.boolean(),
      async (pieces, isHeadSaid, isEndedByLast) => {
        answerWith = async (_request, response) => {
          if (isHeadSaid) response.writeHead(201, html);
          else response.setHeader('content-type', html['content-type']);
          for (const [piece, isLate] of isEndedByLast ? pieces.slice(0, -1) : pieces) {
            if (isLate) await wait(1);
            response.write(piece);
          }
          const last = isEndedByLast ? pieces.at(-1)?.[0] : undefined;
          response.end(last);
        };
        const { status, headers, body } = await ask();
        const read = headers['content-encoding'] === 'gzip' ? gunzipSync(body) : body;
        expect(read.toString()).toBe(pieces.map(([piece]) => piece).join(''));
        expect(status).toBe(isHeadSaid ? 201 : 200);
      },
    ),
    { numRuns: 60 },
  );
});

test('what stands ready is shown while the rest is made', async () => {
  answerWith = async (_request, response) => {
    response.writeHead(200, html);
    response.write(long);
    await wait(300);
    response.end(long);
  };
  const { cameAt, body } = await ask();
  expect(gunzipSync(body).toString()).toBe(long + long);
  expect((cameAt.at(-1) ?? 0) - (cameAt[0] ?? 0)).toBeGreaterThan(150);
});

test('long text is far shorter on its way, and says how it is to be read', async () => {
  answerWith = (_request, response) => {
    response.setHeader('vary', 'rsc');
    response.writeHead(200, { ...html, 'content-length': Buffer.byteLength(long) }).end(long);
  };
  const { headers, body } = await ask();
  expect(headers).toMatchObject({ 'content-encoding': 'gzip', vary: 'rsc, accept-encoding' });
  expect(headers['content-length']).toBeUndefined();
  expect(body.length).toBeLessThan(long.length / 10);
});

test.each<[string, http.OutgoingHttpHeaders, http.OutgoingHttpHeaders, string]>([
  ['whoever does not take it', { 'accept-encoding': 'identity' }, html, 'GET'],
  ['whoever refuses it', { 'accept-encoding': 'gzip;q=0, br' }, html, 'GET'],
  ['a head alone', {}, html, 'HEAD'],
  ['pictures and documents', {}, { 'content-type': 'application/pdf' }, 'GET'],
  ['events, which must not wait', {}, { 'content-type': 'text/event-stream' }, 'GET'],
  ['what is not to be changed', {}, { ...html, 'cache-control': 'private, no-transform' }, 'GET'],
  ['what is squeezed already', {}, { ...html, 'content-encoding': 'br' }, 'GET'],
])('as it is for %s', async (_whom, asked, answered, method) => {
  answerWith = (_request, response) => response.writeHead(200, answered).end(long);
  const { headers, body } = await ask(asked, method);
  expect(headers['content-encoding']).not.toBe('gzip');
  expect(body.toString()).toBe(method === 'HEAD' ? '' : long);
});

test('of names and values in turn none is lost where a name comes twice', async () => {
  answerWith = (_request, response) =>
    response
      .writeHead(200, ['content-type', 'text/plain', 'set-cookie', 'a=1', 'set-cookie', 'b=2'])
      .end(long);
  const { headers, body } = await ask();
  expect(headers['set-cookie']).toEqual(['a=1', 'b=2']);
  expect(gunzipSync(body).toString()).toBe(long);
});

test('a few words go out as they are, with their length', async () => {
  answerWith = (_request, response) => {
    response.setHeader('content-type', 'text/plain');
    response.end('Nothing is here.');
  };
  const { headers, body } = await ask();
  expect([headers['content-encoding'], headers['content-length']]).toEqual([undefined, '16']);
  expect(body.toString()).toBe('Nothing is here.');
});

test('whoever writes more than is let through waits, and all of it comes', async () => {
  const piece = Buffer.alloc(200_000);
  for (let i = 0; i < piece.length; i++) piece[i] = (i * 7919) % 251;
  let waited = 0;
  answerWith = async (_request, response) => {
    response.writeHead(200, { 'content-type': 'text/csv' });
    for (let i = 0; i < 60; i++)
      if (!response.write(piece)) {
        waited++;
        await new Promise((done) => response.once('drain', done));
      }
    response.end();
  };
  const { body } = await ask();
  expect(gunzipSync(body).length).toBe(60 * piece.length);
  expect(waited).toBeGreaterThan(0);
});
