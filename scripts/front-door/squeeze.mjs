// Answers are squeezed here and not piece by piece as a page is drawn: each piece would be a trip of its own.
import { constants, createGzip } from 'node:zlib';

/** How long a piece waits for those behind it, and how much is waited with. */
const HELD_MS = 4;
const HELD_BYTES = 64_000;
/** What is shorter gains nothing. */
const LEAST_BYTES = 1024;
/** A page is squeezed each time it is asked for; a script once a tablet, since it is kept there. */
const levelOf = (/** @type {string | undefined} */ url) => (url?.startsWith('/_next/static/') ? 6 : 4);
const TEXTS = /^(text\/(?!event-stream)|application\/(json|javascript|xml|manifest\+json)\b|image\/svg\+xml)/;

const takesGzip = (/** @type {import('node:http').IncomingMessage} */ request) =>
  /\bgzip\b(?!\s*;\s*q=0(\.0*)?\s*(,|$))/.test(String(request.headers['accept-encoding'] ?? ''));

/** Whether an answer with the headers it has now may be squeezed. */
function maySqueeze(/** @type {import('node:http').ServerResponse} */ response) {
  const length = response.getHeader('content-length');
  return (
    ![204, 206, 304].includes(response.statusCode) &&
    TEXTS.test(String(response.getHeader('content-type') ?? '')) &&
    !response.hasHeader('content-encoding') &&
    !String(response.getHeader('cache-control') ?? '').includes('no-transform') &&
    (length === undefined || Number(length) >= LEAST_BYTES)
  );
}

/** The headers that are given with the status, as `writeHead` takes them: an object, or names and values in turn. */
function setGiven(/** @type {import('node:http').ServerResponse} */ response, /** @type {any} */ given) {
  if (Array.isArray(given))
    for (let i = 0; i + 1 < given.length; i += 2) response.appendHeader(given[i], given[i + 1]);
  else for (const [name, value] of Object.entries(given ?? {})) response.setHeader(name, value);
}

/** What is squeezed on its way to the tablet; the next piece is taken when the last was let through. */
function pipeTo(
  /** @type {import('node:http').ServerResponse} */ response,
  /** @type {Pick<import('node:http').ServerResponse, 'write' | 'end'>} */ raw,
  /** @type {number} */ level,
) {
  const gzip = createGzip({ level });
  gzip.on('data', (piece) => {
    if (!Reflect.apply(raw.write, response, [piece])) gzip.pause();
  });
  response.on('drain', () => gzip.resume());
  gzip.on('end', () => Reflect.apply(raw.end, response, []));
  gzip.on('error', () => response.destroy());
  response.once('close', () => gzip.destroy());
  return gzip;
}

/**
 * Has what is written to `response` go out as gzip, where its reader takes that and it is text: all that is written
 * within a few milliseconds as one piece.
 */
export function squeeze(
  /** @type {import('node:http').IncomingMessage} */ request,
  /** @type {import('node:http').ServerResponse} */ response,
) {
  if (request.method === 'HEAD' || !takesGzip(request)) return;
  const { writeHead, write, end, flushHeaders } = response;
  /** @type {import('node:zlib').Gzip | null} */
  let gzip = null;
  /** @type {Buffer[]} */
  let held = [];
  let heldBytes = 0;
  /** @type {NodeJS.Timeout | undefined} */
  let timer;
  let isShort = false;
  response.once('close', () => clearTimeout(timer));

  function letGo(isLast = false) {
    clearTimeout(timer);
    timer = undefined;
    const all = held.length === 1 && held[0] ? held[0] : Buffer.concat(held);
    held = [];
    heldBytes = 0;
    if (isLast) return gzip?.end(all);
    gzip?.write(all);
    gzip?.flush(constants.Z_SYNC_FLUSH);
  }
  function hold(/** @type {any} */ piece, /** @type {any} */ encoding) {
    const bytes = typeof piece === 'string' ? Buffer.from(piece, encoding ?? 'utf8') : Buffer.from(piece);
    held.push(bytes);
    heldBytes += bytes.length;
    if (heldBytes >= HELD_BYTES) letGo();
    else timer ??= setTimeout(letGo, HELD_MS);
  }

  // Whatever sends the head comes by here, also where nobody says so.
  response.writeHead = function (/** @type {number} */ status, /** @type {any[]} */ ...rest) {
    response.statusCode = status;
    const given = rest.at(-1);
    if (typeof given === 'object') setGiven(response, given);
    if (!isShort && maySqueeze(response)) {
      response.removeHeader('content-length');
      response.setHeader('content-encoding', 'gzip');
      response.appendHeader('vary', 'accept-encoding');
      gzip = pipeTo(response, { write, end }, levelOf(request.url));
      gzip.on('drain', () => response.emit('drain'));
    }
    return Reflect.apply(writeHead, response, typeof rest[0] === 'string' ? [status, rest[0]] : [status]);
  };
  response.flushHeaders = function () {
    if (!response.headersSent) response.writeHead(response.statusCode);
    // They go out with what comes first.
    if (!gzip) Reflect.apply(flushHeaders, response, []);
  };
  response.write = function (/** @type {any[]} */ ...args) {
    if (!response.headersSent) response.writeHead(response.statusCode);
    if (!gzip) return Reflect.apply(write, response, args);
    hold(args[0], typeof args[1] === 'string' ? args[1] : undefined);
    return !gzip.writableNeedDrain;
  };
  response.end = function (/** @type {any[]} */ ...args) {
    const [last, encoding] = args;
    const hasLast = typeof last === 'string' || last instanceof Uint8Array;
    if (!response.headersSent) {
      // What is short goes out as it is, with its length: whatever says that sends the head.
      isShort = !hasLast || last.length < LEAST_BYTES;
      if (!isShort) response.writeHead(response.statusCode);
    }
    if (!gzip) return Reflect.apply(end, response, args);
    if (hasLast) hold(last, typeof encoding === 'string' ? encoding : undefined);
    letGo(true);
    const done = args.findLast((a) => typeof a === 'function');
    if (done) response.once('finish', done);
    return response;
  };
}
