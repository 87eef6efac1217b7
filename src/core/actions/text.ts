import type { FieldProblem } from '../errors';

const CANNOT_BE_KEPT = 'holds a character that cannot be kept; type it again';
const MOST_DEEP = 40;

/**
 * Text that no database keeps: NUL, and halves of a pair of code units. Every such string of a body
 * is named by its path, keys included; what is nested past any form of ours as well.
 */
export function unkeepableText(body: unknown, path = '', depth = 0): FieldProblem[] {
  const field = path || 'input';
  if (typeof body === 'string')
    return body.includes('\u0000') || !isWellFormed(body) ? [{ field, message: CANNOT_BE_KEPT }] : [];
  if (typeof body !== 'object' || body === null) return [];
  if (depth > MOST_DEEP) return [{ field, message: 'is nested deeper than any form of ours' }];
  if (Array.isArray(body))
    return body.flatMap((value, i) => unkeepableText(value, `${path}[${i}]`, depth + 1));
  return Object.entries(body).flatMap(([key, value]) => {
    const at = path === '' ? key : `${path}.${key}`;
    return [...unkeepableText(key, field, depth + 1), ...unkeepableText(value, at, depth + 1)];
  });
}

/** Whether every high surrogate is followed by a low one, and no low one stands alone. */
function isWellFormed(text: string): boolean {
  return !/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/.test(text);
}
