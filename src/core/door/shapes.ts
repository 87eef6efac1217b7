import * as v from 'valibot';

/** Shapes that the door's schemas are made of; each says what it wants. */
export const between = (low: number, high: number) =>
  v.pipe(
    v.number(`must be a number from ${low} to ${high}`),
    v.finite(`must be a number from ${low} to ${high}`),
    v.minValue(low, `must be from ${low} to ${high}`),
    v.maxValue(high, `must be from ${low} to ${high}`),
  );
export const whole = (low: number, high: number) =>
  v.pipe(between(low, high), v.integer('must be a whole number'));
export const oneOf = <const T extends readonly string[]>(options: T) =>
  v.picklist(options, `must be one of ${options.join(', ')}`);
export const flag = v.boolean('must be true or false');
export const strict = <T extends v.ObjectEntries>(entries: T) =>
  v.strictObject(entries, (issue) =>
    issue.expected === 'never'
      ? 'is not a field of this form'
      : issue.received === 'undefined'
        ? 'is missing'
        : 'must be an object',
  );
