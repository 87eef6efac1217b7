import { live } from '@/server/live';

const HEADERS = { 'cache-control': 'no-store' };

/**
 * Says that the application answers; it asks the database nothing. With ?memory it says whether the connection that
 * listens to the database stands, which it knows without asking.
 */
export function GET(request: Request): Response {
  const isLost = new URL(request.url).searchParams.has('memory') && live().isLost;
  return isLost
    ? new Response('the shop’s memory is not answering', { status: 503, headers: HEADERS })
    : new Response('ok', { headers: HEADERS });
}
