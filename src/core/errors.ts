/** One thing wrong with an input: the field's path as the caller wrote it, and what it should be. */
export interface FieldProblem {
  readonly field: string;
  readonly message: string;
}

/**
 * The one family of errors the core throws. It means that the caller broke a
 * contract (a field out of range, an unknown species), never that a flower did.
 */
export class BrokenContractError extends Error {
  override readonly name = 'BrokenContractError';
  constructor(readonly problems: readonly FieldProblem[]) {
    super(problems.map((p) => `${p.field}: ${p.message}`).join('; '));
  }
}
