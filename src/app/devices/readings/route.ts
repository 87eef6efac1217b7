import { answerDevice } from '@/server/answer-device';

export const dynamic = 'force-dynamic';

export function POST(request: Request): Promise<Response> {
  return answerDevice(request);
}
