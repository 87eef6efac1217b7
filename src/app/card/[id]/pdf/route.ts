import { inWorker } from '@/server/pool/pool';
import { printedCard } from '@/features/send-off/issued-card';

export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params;
  const card = await printedCard(id);
  if (!card) return new Response('There is no such card in this shop.', { status: 404 });
  return new Response(await inWorker('care-card', card), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="care-card-${id.slice(-6)}.pdf"`,
      'cache-control': 'private, no-store',
    },
  });
}
