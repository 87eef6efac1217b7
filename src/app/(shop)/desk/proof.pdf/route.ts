import { proofSheet } from '@/features/desk/proof/proof-file';
import { inWorker } from '@/server/pool/pool';

export async function GET(request: Request): Promise<Response> {
  const sheet = await proofSheet(Object.fromEntries(new URL(request.url).searchParams));
  if (sheet === null) return new Response('Sign in first.', { status: 401 });
  return new Response(await inWorker('proof-sheet', sheet), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': 'inline; filename="pails.pdf"',
      'cache-control': 'private, no-store',
    },
  });
}
