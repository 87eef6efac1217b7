import 'server-only';
import pino from 'pino';
import { requestId } from './request-state';

/** The server's log: faults with their causes, nothing that names a customer or holds a secret. */
export const log = pino(
  {
    level: process.env.HUSH_PAIL_LOG ?? 'warn',
    base: null,
    // Also in what an error carries with it: a body that was refused, a form that was sent.
    redact: { paths: ['*.pin', '*.password', '*.secret', '*.current', '*.cookie'], censor: 'not logged' },
    mixin: () => ({ request: requestId() }),
  },
  pino.destination(2),
);
