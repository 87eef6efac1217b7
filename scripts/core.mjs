// Entry of the core's command line in plain Node: makes sure the packages are there, then runs it.
import { runTs } from './lib/run-ts.mjs';

await runTs('core.ts');
