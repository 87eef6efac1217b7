import { toJsonSchema } from '@valibot/to-json-schema';
import { arrangementInputSchema, lotInputSchema } from '@/core/door/schemas';

const PUBLISHED = {
  'predict-lot': lotInputSchema,
  'predict-arrangement': arrangementInputSchema,
} as const;

/** The published JSON Schemas by name, as text; rules that span fields stand in their descriptions. */
export function jsonSchemas(): Record<string, string> {
  const says = {
    'predict-lot': 'Only the last stay has null hours, and it has.',
    'predict-arrangement':
      'Only the last stay has null hours, and it has. Either water or care is given. Draws times stems is at most a million.',
  };
  return Object.fromEntries(
    Object.entries(PUBLISHED).map(([name, schema]) => {
      const json = toJsonSchema(schema, { errorMode: 'ignore' });
      const titled = { ...json, title: name, description: says[name as keyof typeof says] };
      return [name, `${JSON.stringify(titled, null, 1)}\n`];
    }),
  );
}
