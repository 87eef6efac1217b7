import { maybePhoto } from '@/data/evidence';
import { maybeInMyShop } from '@/server/session';

/** A photograph of one's own shop. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params;
  if (!/^[0-9a-f-]{36}$/i.test(id)) return new Response('Not here.', { status: 404 });
  const jpeg = await maybeInMyShop((trx) => maybePhoto(trx, id));
  if (!jpeg) return new Response('Not here.', { status: 404 });
  return new Response(Uint8Array.from(jpeg), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, no-store' },
  });
}
