/** What went wrong in the database, in kinds the rest of the product can answer to. */
export type DataFault =
  | 'unavailable'
  | 'conflict'
  | 'already-done'
  | 'already-booked'
  | 'already-corrected'
  | 'claimed-already'
  | 'claimed-too-many'
  | 'settled-too-high'
  | 'not-enough-stems'
  | 'pail-not-clean'
  | 'pail-in-use'
  | 'water-gone'
  | 'append-only'
  | 'sap-runs'
  | 'stays-broken'
  | 'there-already'
  | 'not-there'
  | 'out-of-bounds'
  | 'unknown';

export class DataError extends Error {
  override readonly name = 'DataError';
  constructor(
    readonly fault: DataFault,
    cause: unknown,
    /** The column or rule that was broken, where the database names one. */
    readonly field: string | null = null,
  ) {
    super(`database: ${fault}`, { cause });
  }
}

/** An action that cannot be done as things stand, in words for whoever tapped. Nothing was changed. */
export class RefusedError extends Error {
  override readonly name = 'RefusedError';
  constructor(
    message: string,
    /** The field of what was told that it is about, where it is one. */
    readonly field: string | null = null,
  ) {
    super(message);
  }
}

const BY_CONSTRAINT: Readonly<Record<string, DataFault>> = {
  action_once: 'already-done',
  action_taken_back_once: 'already-corrected',
  record_entry_corrected_once: 'already-corrected',
  delivery_once: 'already-booked',
  lot_stems_left: 'not-enough-stems',
  portion_stems_left: 'not-enough-stems',
  pail_fill_one_open: 'pail-in-use',
  stay_in_open_water: 'water-gone',
  claim_once: 'claimed-already',
  claim_settled_within: 'settled-too-high',
};
const BY_CODE: Readonly<Record<string, DataFault>> = {
  HP001: 'append-only',
  HP002: 'pail-not-clean',
  HP003: 'sap-runs',
  HP004: 'stays-broken',
  HP005: 'claimed-too-many',
  HP006: 'not-enough-stems',
  '40001': 'conflict',
  '40P01': 'conflict',
  '55P03': 'conflict',
  '23505': 'there-already',
  '23503': 'not-there',
};
/** Values the database does not take: out of range, no text, no date (class 22), a rule of its table (class 23). */
const OUT_OF_BOUNDS_CODE = /^(22|23)/;
/** Connection refused or lost, starting up, shutting down, out of room (SQLSTATE classes 08, 53, 57P), or took too long. */
const UNAVAILABLE_CODE = /^(ECONN|EPIPE|ETIMEDOUT|ENOTFOUND|08|53|57P|57014|25P0[34])/;
const UNAVAILABLE_WORDS = /timeout|terminated|Connection ended|acquiring a connection|not queryable/i;

function textOf(value: unknown, key: string): string {
  const found: unknown = typeof value === 'object' && value !== null ? Reflect.get(value, key) : undefined;
  return typeof found === 'string' ? found : '';
}

/** Whether the database was not there, or did not answer in good time. */
function isUnavailable(error: unknown, code: string): boolean {
  return (
    UNAVAILABLE_CODE.test(code) ||
    (error instanceof Error && error.name === 'KnexTimeoutError') ||
    (code === '' && UNAVAILABLE_WORDS.test(textOf(error, 'message')))
  );
}

/** Names a database error once, keeping its cause; our own errors pass through. */
export function asDataError(error: unknown): unknown {
  if (error instanceof RefusedError || error instanceof DataError) return error;
  const code = textOf(error, 'code');
  const named = BY_CONSTRAINT[textOf(error, 'constraint')] ?? BY_CODE[code];
  const field = textOf(error, 'column') || textOf(error, 'constraint') || null;
  if (named) return new DataError(named, error, field);
  if (OUT_OF_BOUNDS_CODE.test(code)) return new DataError('out-of-bounds', error, field);
  if (isUnavailable(error, code)) return new DataError('unavailable', error);
  return code ? new DataError('unknown', error) : error;
}
