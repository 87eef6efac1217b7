import { toJsonSchema } from '@valibot/to-json-schema';
import { benchInputSchema, protocolInputSchema } from '@/core/door/bench-schemas';
import { speciesFileSchema } from '@/core/door/species-schema';
import { dilutionSchema, relaySchema, waterForecastSchema } from '@/core/door/sanitising-schemas';
import { arrangementInputSchema, lotInputSchema } from '@/core/door/schemas';
import { CONSTANTS, MODEL_VERSION } from '@/core/model/constants';

const INPUTS = {
  'predict-lot': {
    schema: lotInputSchema,
    says: 'Only the last stay has null hours, and it has.',
  },
  'predict-arrangement': {
    schema: arrangementInputSchema,
    says: 'Only the last stay has null hours, and it has. Either water or care is given. Draws times stems is at most a million.',
  },
  'bench-plan': {
    schema: benchInputSchema,
    says: 'Names of hands and pails and ids of lots are each of their own.',
  },
  protocol: {
    schema: protocolInputSchema,
    says: 'What is left out is the default: a sound lot at the stage it should arrive, every default school, a shop that has everything.',
  },
  dilution: {
    schema: dilutionSchema,
    says: 'Answers the millilitres of product (stockMl) and the bottle’s strength now. Left out: a new bottle, kept at 20 °C.',
  },
  'relay-plan': {
    schema: relaySchema,
    says: 'The floor is not over the target, the target not over the product. Percent is the product’s strength now (see dilution). Demand is for a pail of 10 L.',
  },
  'water-forecast': {
    schema: waterForecastSchema,
    says: 'Answers one band an hour, the first at the fill (hour 0), the last at its end; looks lie within them.',
  },
  'species-file': {
    schema: speciesFileSchema,
    says: 'A species and a shop’s own changes to its protocol, as Desk, Species saves and reads it. Parameters of a change are ones its kind of step has.',
  },
} as const;

function jsonSchema(name: keyof typeof INPUTS): string {
  const { schema, says } = INPUTS[name];
  // Rules that span fields cannot be written in it: the description says them.
  const json = toJsonSchema(schema, { errorMode: 'ignore' });
  return `${JSON.stringify({ ...json, title: name, description: says }, null, 1)}\n`;
}

function constantsTable(): string {
  const rows = Object.entries(CONSTANTS).map(
    ([key, { value, unit, basis, says }]) => `| \`${key}\` | ${value} | ${unit} | ${basis} | ${says} |`,
  );
  return `# The model's constants

Version ${MODEL_VERSION}, written by \`npm run published\` from \`src/core/model/constants.ts\`. *Estimate*: ours, chosen
together so that the cases in [model.md](model.md) come out right. *Convention*: what the others are counted from.
A shop may put its own in the place of any of them (Desk, Figures), within a fifth and five times ours.

| constant | value | unit | basis | what it is |
| --- | --- | --- | --- | --- |
${rows.join('\n')}
`;
}

/** Files under docs that are written from the code, by path. */
export function publishedDocs(): Record<string, string> {
  return {
    'docs/schemas/predict-lot.json': jsonSchema('predict-lot'),
    'docs/schemas/predict-arrangement.json': jsonSchema('predict-arrangement'),
    'docs/schemas/bench-plan.json': jsonSchema('bench-plan'),
    'docs/schemas/protocol.json': jsonSchema('protocol'),
    'docs/schemas/dilution.json': jsonSchema('dilution'),
    'docs/schemas/relay-plan.json': jsonSchema('relay-plan'),
    'docs/schemas/water-forecast.json': jsonSchema('water-forecast'),
    'docs/schemas/species-file.json': jsonSchema('species-file'),
    'docs/constants.md': constantsTable(),
  };
}
