import { predictArrangement } from '../arrangement/predict-arrangement';
import { decodeNote } from '../note/decode';
import { UnreadableNoteError } from '../note/note-help';
import { readNoteFile } from '../note/read-file';
import { sampleInterval } from '../dock/sample-interval';
import type { DeliveryNote } from '../note/types';
import { BrokenContractError } from '../errors';
import { whatADayCosts } from '../habits/what-a-day-costs';
import { readLogger } from '../logger/read-logger';
import { CONSTANTS, MODEL_VERSION } from '../model/constants';
import { SHIPPED_SPECIES } from '../species/registry';
import { predictLot } from '../vase-life/predict-lot';
import { planBench } from '../bench/plan';
import type { SolveMixed } from '../bench/pails';
import { comparedWithOrdinary } from '../protocol/compare';
import { idealArrivalStage, SPECIES } from '../species/species';
import { dilution } from '../sanitising/dilution';
import { planRelay } from '../sanitising/relay';
import { forecastWater } from '../water/water-forecast';
import { spoken } from '../words/say';
import { benchInputSchema, protocolInputSchema } from './bench-schemas';
import { checked } from './check';
import { dilutionSchema, relaySchema, waterForecastSchema } from './sanitising-schemas';
import { arrangementInputSchema, lotInputSchema, sampleSchema } from './schemas';

/** A command of the core: what it answers, what it takes, and how. */
export interface Command {
  readonly summary: string;
  readonly takes: 'nothing' | 'json' | 'file';
  /** Flags it knows, each with what it means. */
  readonly flags?: Readonly<Record<string, string>>;
  /** Runs on parsed JSON, or on the bytes of a file as they came. */
  readonly run: (
    input: unknown,
    flags?: Readonly<Record<string, string>>,
    solve?: SolveMixed | null,
  ) => unknown;
}

const isArrangement = (input: unknown): boolean =>
  typeof input === 'object' && input !== null && 'lines' in input;

const bytesOf = (input: unknown): Uint8Array =>
  input instanceof Uint8Array ? input : new TextEncoder().encode(String(input));

async function readNoteOrRefuse(
  bytes: Uint8Array,
  flags: Readonly<Record<string, string>>,
): Promise<DeliveryNote> {
  const { supplier, today } = flags;
  try {
    return await readNoteFile(bytes, {
      ...(supplier === undefined ? {} : { supplier }),
      ...(today === undefined ? {} : { today }),
    });
  } catch (error) {
    if (error instanceof UnreadableNoteError)
      throw new BrokenContractError([{ field: 'file', message: error.message }]);
    throw error;
  }
}

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
    takes: 'file',
    flags: { zone: 'zone of its clocks, where the file does not say (UTC)' },
    run: (input, flags = {}) => readLogger(decodeNote(bytesOf(input)), flags.zone),
  },
  'read-delivery-note': {
    summary: 'a delivery note (CSV, .xlsx or a page’s table), line by line as it is understood',
    takes: 'file',
    flags: {
      supplier: 'who sent it, where the file does not say',
      today: 'ISO date of today, for a note without a date',
    },
    run: (input, flags = {}) => readNoteOrRefuse(bytesOf(input), flags),
  },
  'bench-plan': {
    summary: 'who does what when with the lots that wait, and into which pails',
    takes: 'json',
    run: (input, _, solve) =>
      spoken(planBench(checked(benchInputSchema, input), SHIPPED_SPECIES, solve ?? null), 'en'),
  },
  protocol: {
    summary: 'one lot’s steps with their reasons, and what differs from its species’ plain ones',
    takes: 'json',
    run: (input) => {
      const {
        species: key,
        stage,
        droop,
        packing,
        hoursDry,
        flaws,
        ...rest
      } = checked(protocolInputSchema, input);
      const species = SHIPPED_SPECIES.byKey(key);
      const { equipment: has, ...ways } = rest;
      const lot = { species, stage: stage ?? idealArrivalStage(species), droop, packing, hoursDry, flaws };
      return spoken(comparedWithOrdinary(lot, { ...ways, has }), 'en');
    },
  },
  'sample-interval': {
    summary: 'the share of a lot that a sample of it supports',
    takes: 'json',
    run: (input) => sampleInterval(checked(sampleSchema, input)),
  },
  dilution: {
    summary: 'millilitres of product for a pail, from a bottle of some age',
    takes: 'json',
    run: (input) => {
      const { pailL, targetPpm, bottleMonths, ...bottle } = checked(dilutionSchema, input);
      return dilution(pailL, targetPpm, { ...bottle, months: bottleMonths });
    },
  },
  'relay-plan': {
    summary: 'how many pails to start at once, and every pass of one solution through them all',
    takes: 'json',
    run: (input) => {
      const { pails, mode, prices, demandMg, ...ways } = checked(relaySchema, input);
      const plan = { ...ways, ...(demandMg ? { demand: demandMg } : {}) };
      return planRelay(pails, plan, mode, prices ?? null);
    },
  },
  'water-forecast': {
    summary: 'the count of a pail’s water by the hour, looks put together with it',
    takes: 'json',
    run: (input) => {
      const { log10ByHour, passesLimitAtHour } = forecastWater(checked(waterForecastSchema, input));
      return { log10ByHour, passesLimitAtHour };
    },
  },
};
