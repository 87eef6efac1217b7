import { quickAnswer } from '@/features/quick-line/answer';

/** As much as a few words can be. */
const LONGEST = 120;

/** What a few words may have meant. Nothing is done by asking. */
export async function GET(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const answer = await quickAnswer(
    (searchParams.get('text') ?? '').slice(0, LONGEST),
    searchParams.get('at') === 'bench',
  );
  if (!answer) return Response.json({ options: [], problem: 'Sign in first.' }, { status: 401 });
  return Response.json(answer, { headers: { 'cache-control': 'no-store' } });
}
