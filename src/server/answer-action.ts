import 'server-only';
import { isActionName, type ActionName } from '@/core/actions/actions';
import { QUESTIONS } from '@/core/actions/contract';
import type { Outcome } from '@/shell/outcome';
import type { Handlers } from './handler';
import { runAction } from './run-action';

const MAX_BODY_BYTES = 2_000_000;
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/i;
const STATUS = {
  refused: 409,
  asked: 409,
  unavailable: 503,
  'signed-out': 401,
  invalid: 422,
  broken: 500,
} as const;

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

/** When the tap was made, where it says so and that is a time. */
function tappedAt(request: Request): number | null {
  const told = Number(request.headers.get('x-tapped-at') ?? NaN);
  return Number.isFinite(told) && told > 0 && told < 8e15 ? told : null;
}

/** Answers one tap sent to the server: checked at the edge, then done once for its key. */
export async function answerAction(
  request: Request,
  handlers: Handlers<ActionName>,
  name: string,
): Promise<Response> {
  if (!isOurs(request)) return refuse('This did not come from a page of the shop. Nothing was done.');
  if (!isActionName(name))
    return refuse('This page is older than the application. Reload it; nothing was done.');
  const key = request.headers.get('x-action-key') ?? '';
  if (!UUID.test(key)) return refuse('The tap carries no key of its own. Nothing was done.');
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
  const sure = (request.headers.get('x-sure') ?? '').split(',');
  return answer(
    await runAction(handlers, name, {
      key,
      body,
      tappedAt: tappedAt(request),
      sure: QUESTIONS.filter((q) => sure.includes(q)),
    }),
  );
}
