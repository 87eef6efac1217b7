import * as v from 'valibot';
import { BrokenContractError, type FieldProblem } from '../errors';

/** A field's path as a person writes it: `stays[1].hours`. */
function pathOf(issue: v.BaseIssue<unknown>): string {
  const keys = (issue.path ?? []).map((part) => part.key);
  return keys.reduce<string>(
    (path, key) =>
      typeof key === 'number' ? `${path}[${key}]` : path === '' ? String(key) : `${path}.${String(key)}`,
    '',
  );
}

/** Every problem an input has with a schema, one for each field. */
export function problemsOf(issues: readonly v.BaseIssue<unknown>[]): FieldProblem[] {
  const seen = new Set<string>();
  return issues.flatMap((issue) => {
    const field = pathOf(issue) || 'input';
    if (seen.has(field)) return [];
    seen.add(field);
    return [{ field, message: issue.message }];
  });
}

/**
 * The input as its schema types it.
 * @throws BrokenContractError naming every field that is wrong
 */
export function checked<TSchema extends v.GenericSchema>(
  schema: TSchema,
  input: unknown,
): v.InferOutput<TSchema> {
  const result = v.safeParse(schema, input);
  if (!result.success) throw new BrokenContractError(problemsOf(result.issues));
  return result.output;
}
