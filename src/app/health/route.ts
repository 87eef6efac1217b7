/** Says that the application answers; it asks the database nothing. */
export function GET(): Response {
  return new Response('ok', { headers: { 'cache-control': 'no-store' } });
}
