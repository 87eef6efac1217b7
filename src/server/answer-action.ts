import 'server-only';
import type { Outcome } from '@/shell/outcome';
import type { ActionKind } from './actions';

const MAX_BODY_BYTES = 2_000_000;
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/i;
const STATUS = { refused: 409, unavailable: 503, 'signed-out': 401, invalid: 422, broken: 500 } as const;

const answer = (outcome: Outcome): Response =>
  Response.json(outcome, {
    status: outcome.ok ? 200 : STATUS[outcome.why],
    headers: { 'cache-control': 'no-store' },
  });
const refuse = (message: string): Response => answer({ ok: false, why: 'invalid', message });

/** Whether the request came from a page of ours: another site's forms cannot send our taps. */
function isOurs(request: Request): boolean {
  const origin = request.headers.get('origin');
  if (origin === null || !request.headers.get('content-type')?.startsWith('application/json')) return false;
  const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host');
  return URL.canParse(origin) && new URL(origin).host === host;
}

/** Answers one tap sent to the server: checked at the edge, then done once for its key. */
export async function answerAction(request: Request, action: ActionKind | undefined): Promise<Response> {
  if (!isOurs(request)) return refuse('This did not come from a page of the shop. Nothing was done.');
  if (!action) return refuse('This page is older than the application. Reload it; nothing was done.');
  const actionKey = request.headers.get('x-action-key') ?? '';
  if (!UUID.test(actionKey)) return refuse('The tap carries no key of its own. Nothing was done.');
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BODY_BYTES)
    return refuse('That is more than a delivery note can hold. Nothing was done.');
  const text = await request.text();
  if (text.length > MAX_BODY_BYTES)
    return refuse('That is more than a delivery note can hold. Nothing was done.');
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return refuse('The tap could not be read. Nothing was done.');
  }
  return answer(await action.run(actionKey, body));
}
