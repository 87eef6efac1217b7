import { claimSheet } from '@/features/dock/claim-rows';
import { inWorker } from '@/server/pool/pool';

export async function GET(request: Request): Promise<Response> {
  const sheet = await claimSheet(new URL(request.url).searchParams.get('delivery'));
  if (!sheet) return new Response('Sign in first.', { status: 401 });
  return new Response(await inWorker('claim-sheet', sheet), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': 'inline; filename="claims.pdf"',
      'cache-control': 'private, no-store',
    },
  });
}
