/** What went wrong in the database, in kinds the rest of the product can answer to. */
export type DataFault =
  | 'unavailable'
  | 'already-done'
  | 'already-booked'
  | 'already-corrected'
  | 'not-enough-stems'
  | 'pail-not-clean'
  | 'pail-in-use'
  | 'append-only'
  | 'sap-runs'
  | 'unknown';

export class DataError extends Error {
  override readonly name = 'DataError';
  constructor(
    readonly fault: DataFault,
    cause: unknown,
  ) {
    super(`database: ${fault}`, { cause });
  }
}

/** An action that cannot be done as things stand, in words for whoever tapped. Nothing was changed. */
export class RefusedError extends Error {
  override readonly name = 'RefusedError';
}

const BY_CONSTRAINT: Readonly<Record<string, DataFault>> = {
  record_entry_action_key: 'already-done',
  record_entry_corrected_once: 'already-corrected',
  delivery_once: 'already-booked',
  lot_stems_left: 'not-enough-stems',
  pail_fill_one_open: 'pail-in-use',
};
const BY_CODE: Readonly<Record<string, DataFault>> = {
  HP001: 'append-only',
  HP002: 'pail-not-clean',
  HP003: 'sap-runs',
};
/** Connection refused or lost, starting up, shutting down, out of room (SQLSTATE classes 08, 53, 57P). */
const UNAVAILABLE_CODE = /^(ECONN|EPIPE|ETIMEDOUT|ENOTFOUND|08|53|57P)/;
const UNAVAILABLE_WORDS = /timeout|terminated|Connection ended|acquiring a connection|not queryable/i;

function textOf(value: unknown, key: string): string {
  const found: unknown = typeof value === 'object' && value !== null ? Reflect.get(value, key) : undefined;
  return typeof found === 'string' ? found : '';
}

/** Names a database error once, keeping its cause; our own errors pass through. */
export function asDataError(error: unknown): unknown {
  if (error instanceof RefusedError || error instanceof DataError) return error;
  const code = textOf(error, 'code');
  const named = BY_CONSTRAINT[textOf(error, 'constraint')] ?? BY_CODE[code];
  if (named) return new DataError(named, error);
  const name = error instanceof Error ? error.name : '';
  const isDown =
    UNAVAILABLE_CODE.test(code) ||
    name === 'KnexTimeoutError' ||
    (code === '' && UNAVAILABLE_WORDS.test(textOf(error, 'message')));
  if (isDown) return new DataError('unavailable', error);
  return code ? new DataError('unknown', error) : error;
}
