import { answerAction } from '@/server/answer-action';
import { HANDLERS } from '../../handlers';

export async function POST(
  request: Request,
  { params }: { params: Promise<{ place: string; name: string }> },
): Promise<Response> {
  const { place, name } = await params;
  return answerAction(request, HANDLERS, `${place}/${name}`);
}
