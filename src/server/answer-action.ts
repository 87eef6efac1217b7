import 'server-only';
import { isActionName, type ActionName } from '@/core/actions/actions';
import { QUESTIONS } from '@/core/actions/contract';
import type { Outcome } from '@/shell/outcome';
import type { Handlers } from './handler';
import { askedFrom } from './asked-from';
import { isJson, readBody } from './read-body';
import { runAction, SIGNED_OUT } from './run-action';
import { sealedSession } from './session';

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
    headers: {
      'cache-control': 'no-store',
      ...(!outcome.ok && outcome.why === 'unavailable' ? { 'retry-after': '3' } : {}),
    },
  });
const refuse = (message: string): Response => answer({ ok: false, why: 'invalid', message });

/** Where the shop is reached, where a proxy stands in front of it; else the host that was asked. */
const OWN_ORIGIN = process.env.HUSH_PAIL_ORIGIN;

/**
 * Whether the request came from a page of ours: another site's forms cannot send our taps. What a
 * proxy may have written on it says nothing: anybody can write that.
 */
function isOurs(request: Request): boolean {
  const origin = request.headers.get('origin');
  if (origin === null || !URL.canParse(origin)) return false;
  if (request.headers.get('sec-fetch-site') === 'cross-site') return false;
  return OWN_ORIGIN ? origin === OWN_ORIGIN : new URL(origin).host === request.headers.get('host');
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
  if (!isOurs(request) || !isJson(request))
    return refuse('This did not come from a page of the shop. Nothing was done.');
  if (!isActionName(name))
    return refuse('This page is older than the application. Reload it; nothing was done.');
  const key = request.headers.get('x-action-key') ?? '';
  if (!UUID.test(key)) return refuse('The tap carries no key of its own. Nothing was done.');
  // Nobody's body is read before it is known whose it is.
  if (!(await sealedSession()).personId) return answer(SIGNED_OUT);
  const text = await readBody(request, MAX_BODY_BYTES).catch(() => null);
  if (text === null) return refuse('That is more than a delivery note can hold. Nothing was done.');
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
      address: await askedFrom(),
      signal: request.signal,
      sure: QUESTIONS.filter((q) => sure.includes(q)),
    }),
  );
}
