import 'server-only';
import pino from 'pino';

/** The server's log: faults with their causes, nothing that names a customer or holds a secret. */
export const log = pino({ level: process.env.HUSH_PAIL_LOG ?? 'warn', base: null }, pino.destination(2));
