import { claimsCsv } from '@/core/dock/claims';
import { claimSheet } from '@/features/dock/claim-rows';

export async function GET(request: Request): Promise<Response> {
  const sheet = await claimSheet(new URL(request.url).searchParams.get('delivery'));
  if (!sheet) return new Response('Sign in first.', { status: 401 });
  return new Response(claimsCsv(sheet.rows), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="claims.csv"',
      'cache-control': 'private, no-store',
    },
  });
}
