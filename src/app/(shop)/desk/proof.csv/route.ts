import { proofCsv } from '@/features/desk/proof/proof-file';

export async function GET(request: Request): Promise<Response> {
  const csv = await proofCsv(Object.fromEntries(new URL(request.url).searchParams));
  if (csv === null) return new Response('Sign in first.', { status: 401 });
  return new Response(csv, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="pails.csv"',
      'cache-control': 'private, no-store',
    },
  });
}
