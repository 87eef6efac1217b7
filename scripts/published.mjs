// npm run published: writes the files under docs that are made from the code.
import { runTs } from './lib/run-ts.mjs';

await runTs('published.ts');
