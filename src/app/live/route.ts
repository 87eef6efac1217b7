import { answerLive } from '@/server/answer-live';

export const dynamic = 'force-dynamic';

export function GET(request: Request): Promise<Response> {
  return answerLive(request);
}
