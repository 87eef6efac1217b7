// npm run schemas: writes docs/schemas from the schemas the core checks its input with.
import { runTs } from './lib/run-ts.mjs';

await runTs('schemas.ts');
