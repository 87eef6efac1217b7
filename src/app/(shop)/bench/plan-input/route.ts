import { planInput } from '@/features/bench/plan-input';

export async function GET(): Promise<Response> {
  const input = await planInput();
  if (!input) return new Response('Sign in first.', { status: 401 });
  return Response.json(input, { headers: { 'cache-control': 'private, no-store' } });
}
