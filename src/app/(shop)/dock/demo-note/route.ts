import { demoNoteCsv } from '@/demo/world';
import { now } from '@/server/clock';
import { maybeInMyShop } from '@/server/session';

/** The note that came with this morning's van, in the demo shop alone. */
export async function GET(): Promise<Response> {
  const isDemo = await maybeInMyShop((_trx, me) => Promise.resolve(me.shop.demo));
  if (!isDemo) return new Response('Not here.', { status: 404 });
  return new Response(demoNoteCsv(now()), {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'cache-control': 'no-store' },
  });
}
