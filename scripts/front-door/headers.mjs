import { randomBytes } from 'node:crypto';

/** What every answer bears. */
export const SAFE_HEADERS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'x-frame-options': 'DENY',
};

/** Where the shop is reached by TLS alone, tablets ask for it in no other way for half a year. */
export const tlsHeaders = (/** @type {boolean} */ isTls) =>
  isTls ? { 'strict-transport-security': 'max-age=15724800' } : {};

/** A page's own policy: scripts of ours, and those inline ones that bear this answer's number and no other. */
export function pagePolicy(/** @type {string} */ nonce, dev = false) {
  return [
    "default-src 'self'",
    // What follows the sources as they change is put together in the page: while it is worked on, and never else.
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'${dev ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "frame-ancestors 'none'",
    "base-uri 'self'",
    "form-action 'self'",
  ].join('; ');
}

export const newNonce = () => randomBytes(16).toString('base64');

/** Headers that a stranger may write as well as a proxy of ours: nothing is decided by them. */
const FORWARDED = /^(x-forwarded-|forwarded$|x-real-ip$|x-original-|x-rewrite-|x-middleware-)/;

/**
 * Where a request came from: whoever is connected; behind a proxy of the shop's own (it is reached by
 * that proxy's address then), the last that the proxy itself wrote down.
 */
export function addressOf(
  /** @type {import('node:http').IncomingMessage} */ request,
  /** @type {boolean} */ isBehindProxy,
) {
  const forwarded = isBehindProxy
    ? String(request.headers['x-forwarded-for'] ?? '')
        .split(',')
        .at(-1)
        ?.trim()
    : '';
  return forwarded || request.socket.remoteAddress || 'unknown';
}

/** Takes off a request what only a proxy could know, and what only the framework itself may say. */
export function forgetForwarded(/** @type {import('node:http').IncomingMessage} */ request) {
  for (const name of Object.keys(request.headers)) if (FORWARDED.test(name)) delete request.headers[name];
}
