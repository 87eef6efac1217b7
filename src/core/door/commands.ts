import { predictArrangement } from '../arrangement/predict-arrangement';
import { SPECIES } from '../species/species';
import { predictLot } from '../vase-life/predict-lot';
import { checked } from './check';
import { arrangementInputSchema, lotInputSchema } from './schemas';

interface Command {
  readonly summary: string;
  readonly needsInput: boolean;
  readonly run: (input: unknown) => unknown;
}

/** What the core answers from outside: JSON in, JSON out, the same code as everywhere. */
export const COMMANDS: Readonly<Record<string, Command>> = {
  species: { summary: 'the species table', needsInput: false, run: () => SPECIES },
  'predict-lot': {
    summary: 'days left in one lot',
    needsInput: true,
    run: (input) => predictLot(checked(lotInputSchema, input)),
  },
  'predict-arrangement': {
    summary: 'three dates and the promise of an arrangement',
    needsInput: true,
    run: (input) => predictArrangement(checked(arrangementInputSchema, input)),
  },
};
