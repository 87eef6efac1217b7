import { AsyncLocalStorage } from 'node:async_hooks';
import { appendFile } from 'node:fs';
import { randomUUID } from 'node:crypto';
import http from 'node:http';
import { Admission } from './admission.mjs';
import { SAFE_HEADERS, addressOf, forgetForwarded, newNonce, pagePolicy, tlsHeaders } from './headers.mjs';
import { holdRefresh } from './hold-refresh.mjs';
import { Metrics } from './metrics.mjs';
import { squeeze } from './squeeze.mjs';
import { answerUnavailable } from './unavailable.mjs';

/** A note of two thousand lines is under two million bytes; nothing that is sent here is larger. */
const MOST_BODY_BYTES = 2_500_000;
/** How slowly a request may come: its head, and all of it. */
const BOUNDS = {
  headersTimeout: 10_000,
  requestTimeout: 30_000,
  keepAliveTimeout: 30_000,
  connectionsCheckingInterval: 1000,
};

/** What waits for the database waits here, where waiting costs nothing. Both together stay under its pool. */
const LANES = {
  pages: { atOnce: 4, mostWaiting: 120, longestWaitMs: 8000 },
  actions: { atOnce: 5, mostWaiting: 200, longestWaitMs: 9000 },
};

/** What asks the database nothing, or asks it for long: it waits for no turn. */
const isLight = (/** @type {string} */ path) =>
  path === '/health' ||
  path === '/live' ||
  path.startsWith('/_next/') ||
  path === '/icon.svg' ||
  path.startsWith('/solver/');

/** The computer itself, asked without a proxy between. */
const LOOPBACK = /^(::1|127\.|::ffff:127\.)/;

function refuseTooLarge(/** @type {import('node:http').ServerResponse} */ response) {
  const body = 'That is more than anything sent here may be. Nothing was done.';
  response.writeHead(413, {
    'content-type': 'text/plain; charset=utf-8',
    connection: 'close',
    'cache-control': 'no-store',
  });
  response.end(body);
}

/** What is still on its way when it was answered: so much of it is let in, for so long. */
const STRAGGLING = { bytes: 100_000, ms: 1500 };

/**
 * What was answered before its body was read: the little that was on its way is let in, so that the
 * answer is heard; a torrent is cut off.
 */
function letStragglersIn(/** @type {import('node:http').IncomingMessage} */ request) {
  let left = STRAGGLING.bytes;
  request.on('data', (/** @type {Buffer} */ piece) => {
    left -= piece.length;
    if (left < 0) request.destroy();
  });
  request.resume();
  setTimeout(() => {
    if (!request.complete) request.destroy();
  }, STRAGGLING.ms).unref();
}

/** A body that is longer than it said, or said nothing, is cut off; the rest of it is not read. */
function boundBody(
  /** @type {import('node:http').IncomingMessage} */ request,
  /** @type {import('node:http').ServerResponse} */ response,
) {
  const told = Number(request.headers['content-length'] ?? 0);
  if (told > MOST_BODY_BYTES) return false;
  response.once('finish', () => {
    if (!request.complete) letStragglersIn(request);
  });
  return true;
}

/** @typedef {{ id: string, isUnavailable: boolean, statements: number, underway: number, askedAt: number, sqlMs: number }} RequestState */

/** For benchmarks: a line for each request with its time, and the statements it took. */
function noteTimes(
  /** @type {import('node:http').IncomingMessage} */ request,
  /** @type {import('node:http').ServerResponse} */ response,
  /** @type {RequestState} */ state,
) {
  const file = process.env.HUSH_PAIL_TIMES_FILE;
  if (!file) return;
  const began = performance.now();
  response.once('close', () => {
    const { statements, sqlMs } = state;
    const ms = performance.now() - began;
    appendFile(
      file,
      `${JSON.stringify({ url: request.url, status: response.statusCode, ms, statements, sqlMs })}\n`,
      () => {},
    );
  });
}

/** A page that came to nothing because the database went away says so, whatever was to be sent instead. */
function sayIfUnavailable(
  /** @type {import('node:http').IncomingMessage} */ request,
  /** @type {import('node:http').ServerResponse} */ response,
  /** @type {RequestState} */ state,
) {
  const { writeHead, write, end } = response;
  let isReplaced = false;
  const replace = () => {
    isReplaced = true;
    for (const name of response.getHeaderNames())
      if (name !== 'content-security-policy') response.removeHeader(name);
    response.writeHead = writeHead;
    response.end = end;
    answerUnavailable(request, response, 'memory');
    response.end = () => response;
  };
  response.writeHead = function (/** @type {number} */ status, /** @type {any[]} */ ...rest) {
    if (state.isUnavailable && status >= 500 && !isReplaced) {
      replace();
      return response;
    }
    return isReplaced ? response : Reflect.apply(writeHead, response, [status, ...rest]);
  };
  const begin = () => {
    if (!response.headersSent && !isReplaced && state.isUnavailable && response.statusCode >= 500) replace();
  };
  response.write = function (/** @type {any[]} */ ...args) {
    begin();
    return isReplaced ? true : Reflect.apply(write, response, args);
  };
  response.end = function (/** @type {any[]} */ ...args) {
    begin();
    return isReplaced ? response : Reflect.apply(end, response, args);
  };
}

/**
 * The server in front of the application: bounds what is sent and how slowly, has requests wait
 * their turn, gives each page its policy, and says plainly when the database is away.
 * @param {{ handle: (request: import('node:http').IncomingMessage, response: import('node:http').ServerResponse) => Promise<void>, database: { isUp(): Promise<boolean> }, lanes?: any, bounds?: any, dev?: boolean }} parts
 */
export function frontDoor({ handle, database, lanes = LANES, bounds = BOUNDS, dev = false }) {
  // The application says in here that its database did not answer: see server/request-state.
  /** @type {{ hushPailRequests?: AsyncLocalStorage<RequestState> }} */
  const inCommon = /** @type {any} */ (globalThis);
  const states = (inCommon.hushPailRequests ??= new AsyncLocalStorage());
  const tls = tlsHeaders(process.env.HUSH_PAIL_HTTPS === '1');
  const metrics = new Metrics();
  const admissions = { pages: new Admission(lanes.pages), actions: new Admission(lanes.actions) };

  /** What whoever looks after the computer asks: nothing of it is for tablets. */
  async function tellKeeper(
    /** @type {string} */ path,
    /** @type {string} */ address,
    /** @type {import('node:http').ServerResponse} */ response,
  ) {
    const isUp = await database.isUp();
    const plain = { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' };
    if (path === '/ready') response.writeHead(isUp ? 200 : 503, plain).end(isUp ? 'ready' : 'no database');
    else if (!LOOPBACK.test(address)) response.writeHead(404, plain).end('Nothing is here.');
    else {
      const lanes = { pages: admissions.pages.now(), actions: admissions.actions.now() };
      response.writeHead(200, plain).end(metrics.text({ lanes, isDatabaseUp: isUp }));
    }
  }

  async function answer(
    /** @type {import('node:http').IncomingMessage} */ request,
    /** @type {import('node:http').ServerResponse} */ response,
  ) {
    squeeze(request, response);
    const path = (request.url ?? '/').split('?')[0] ?? '/';
    const address = addressOf(request, Boolean(process.env.HUSH_PAIL_ORIGIN));
    forgetForwarded(request);
    request.headers['x-hush-pail-address'] = address;
    const id = randomUUID();
    response.setHeader('x-request-id', id);
    for (const [name, value] of Object.entries({ ...SAFE_HEADERS, ...tls })) response.setHeader(name, value);
    if (!boundBody(request, response)) return refuseTooLarge(response);
    const nonce = newNonce();
    const policy = pagePolicy(nonce, dev);
    request.headers['content-security-policy'] = policy;
    request.headers['x-nonce'] = nonce;
    response.setHeader('content-security-policy', policy);
    if (path === '/ready' || path === '/metrics') return tellKeeper(path, address, response);
    if (isLight(path)) return handle(request, response);
    metrics.count(request.method === 'POST' ? 'actions' : 'pages', response);
    const lane = request.method === 'POST' ? admissions.actions : admissions.pages;
    const leave = await lane.enter();
    if (!leave) return answerUnavailable(request, response, 'busy');
    response.once('close', leave);
    if (response.destroyed) return leave();
    if (!(await database.isUp())) return answerUnavailable(request, response, 'memory');
    const state = { id, isUnavailable: false, statements: 0, underway: 0, askedAt: 0, sqlMs: 0 };
    noteTimes(request, response, state);
    sayIfUnavailable(request, response, state);
    holdRefresh(request, response, () => state.isUnavailable);
    return states.run(state, () => handle(request, response));
  }

  const server = http.createServer(bounds, (request, response) => {
    answer(request, response).catch(() => {
      if (!response.headersSent) response.writeHead(500, { 'content-type': 'text/plain; charset=utf-8' });
      response.end('Something is wrong on our side.');
    });
  });
  server.maxConnections = 2000;
  return server;
}
