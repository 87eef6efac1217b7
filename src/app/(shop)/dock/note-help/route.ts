import { noteHelp } from '@/features/dock/note-help';

export async function GET(): Promise<Response> {
  const help = await noteHelp();
  if (!help) return new Response('Sign in first.', { status: 401 });
  return Response.json(help, { headers: { 'cache-control': 'private, no-store' } });
}
