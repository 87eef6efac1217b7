import { readFile } from 'node:fs/promises';
import path from 'node:path';

/** The solver's compiled code, from the package that ships it. */
export async function GET(): Promise<Response> {
  const file = path.join(process.cwd(), 'node_modules/highs/build/highs.wasm');
  return new Response(new Uint8Array(await readFile(file)), {
    headers: { 'content-type': 'application/wasm', 'cache-control': 'public, max-age=86400' },
  });
}
