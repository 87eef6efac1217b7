import { maybeLot } from '@/data/lots';
import { demoBox } from '@/demo/world';
import { maybeInMyShop } from '@/server/session';

/** What an eye would find in a box of the demo's van. */
export async function GET(request: Request): Promise<Response> {
  const lotId = new URL(request.url).searchParams.get('lot') ?? '';
  if (!/^[0-9a-f-]{36}$/i.test(lotId)) return new Response('Which lot?', { status: 400 });
  const lot = await maybeInMyShop((trx, me) =>
    me.shop.demo ? maybeLot(trx, lotId) : Promise.resolve(undefined),
  );
  const found = lot && demoBox(lot.supplier, lot.deliveryRef, lot.line, lot.arrivedAt);
  if (!found) return new Response('Not of the demo’s van.', { status: 404 });
  return Response.json(found, { headers: { 'cache-control': 'no-store' } });
}
