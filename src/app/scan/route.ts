import { findLabelled } from '@/features/labels/find-labelled';

/** Where a scanned code leads. */
export async function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const found = await findLabelled(
    (searchParams.get('code') ?? '').slice(0, 40),
    searchParams.get('at') === 'bench',
  );
  if (!found) return Response.json({ href: null, words: 'Sign in first.' }, { status: 401 });
  return Response.json(found, { headers: { 'cache-control': 'no-store' } });
}
