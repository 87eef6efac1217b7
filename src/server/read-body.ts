import 'server-only';

/** A body as text, read piece by piece and no further than it may be long; null where it is longer. */
export async function readBody(request: Request, mostBytes: number): Promise<string | null> {
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) return null;
  const reader = request.body?.getReader();
  if (!reader) return '';
  const pieces: Uint8Array[] = [];
  let bytes = 0;
  for (;;) {
    const { done, value } = (await reader.read()) as ReadableStreamReadResult<Uint8Array>;
    if (done) return Buffer.concat(pieces).toString('utf8');
    bytes += value.byteLength;
    if (bytes > mostBytes) {
      await reader.cancel().catch(() => undefined);
      return null;
    }
    pieces.push(value);
  }
}

export const isJson = (request: Request): boolean =>
  /^application\/json(\s*;\s*charset=utf-8)?$/i.test(request.headers.get('content-type') ?? '');
