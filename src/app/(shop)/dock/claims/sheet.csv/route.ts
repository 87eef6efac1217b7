import { claimsCsv } from '@/core/dock/claims';
import { claimTable } from '@/features/dock/claim-rows';

export async function GET(request: Request): Promise<Response> {
  const rows = await claimTable(new URL(request.url).searchParams.get('delivery'));
  if (!rows) return new Response('Sign in first.', { status: 401 });
  return new Response(claimsCsv(rows), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="claims.csv"',
      'cache-control': 'private, no-store',
    },
  });
}
