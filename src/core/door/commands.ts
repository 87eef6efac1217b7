import { predictArrangement } from '../arrangement/predict-arrangement';
import { whatADayCosts } from '../habits/what-a-day-costs';
import { readLogger } from '../logger/read-logger';
import { CONSTANTS, MODEL_VERSION } from '../model/constants';
import { SPECIES } from '../species/species';
import { predictLot } from '../vase-life/predict-lot';
import { checked } from './check';
import { arrangementInputSchema, lotInputSchema } from './schemas';

/** A command of the core: what it answers, what it takes, and how. */
export interface Command {
  readonly summary: string;
  readonly takes: 'nothing' | 'json' | 'text';
  /** Runs on parsed JSON or on the text as it came. */
  readonly run: (input: unknown) => unknown;
}

const isArrangement = (input: unknown): boolean =>
  typeof input === 'object' && input !== null && 'lines' in input;

/** What the core answers from outside: JSON or a file in, JSON out, the same code as everywhere. */
export const COMMANDS: Readonly<Record<string, Command>> = {
  species: { summary: 'the species table', takes: 'nothing', run: () => SPECIES },
  constants: {
    summary: 'the model’s constants, each with its unit and basis',
    takes: 'nothing',
    run: () => ({ modelVersion: MODEL_VERSION, constants: CONSTANTS }),
  },
  'predict-lot': {
    summary: 'days left in one lot',
    takes: 'json',
    run: (input) => predictLot(checked(lotInputSchema, input)),
  },
  'predict-arrangement': {
    summary: 'three dates and the promise of an arrangement',
    takes: 'json',
    run: (input) => predictArrangement(checked(arrangementInputSchema, input)),
  },
  'what-a-day-costs': {
    summary: 'what each habit is worth for a lot or an arrangement (takes either input)',
    takes: 'json',
    run: (input) =>
      whatADayCosts(
        isArrangement(input) ? checked(arrangementInputSchema, input) : checked(lotInputSchema, input),
      ),
  },
  'read-logger': {
    summary: 'a temperature logger’s CSV as it is understood',
    takes: 'text',
    run: (input) => readLogger(String(input)),
  },
};
