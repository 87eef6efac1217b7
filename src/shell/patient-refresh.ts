type Ask = typeof fetch;

/** By it the server in front knows that a page stands, and holds its answer until it is whole. */
export const REFRESH_HEADER = 'x-hush-pail-refresh';
/** How soon a shop that did not answer is asked whether it does again. */
const AGAIN_MS = 1500;
let away: Promise<void> | null = null;

/** Whether a refresh waits for the shop to answer again; it shows all that was done meanwhile. */
export const waitsForShop = (): boolean => away !== null;

async function answersAgain(ask: Ask): Promise<void> {
  for (;;) {
    await new Promise((later) => setTimeout(later, AGAIN_MS));
    const health = await ask('/health?memory', { cache: 'no-store' }).catch(() => null);
    if (health?.ok) return;
  }
}

/** Whether it is the page that stands here, asked for anew. */
function isRefresh(input: RequestInfo | URL, init: RequestInit | undefined): boolean {
  if (input instanceof Request || new Headers(init?.headers).get('rsc') !== '1') return false;
  const url = new URL(input, location.href);
  url.searchParams.delete('_rsc');
  return url.origin + url.pathname + url.search === location.origin + location.pathname + location.search;
}

/**
 * A page that stands is better than none: the framework goes to the answer itself where a refresh is refused,
 * and whoever had a card in hand would look at words about the database. So a refresh that is refused, or finds
 * no network, is asked again once the shop answers, and the page stands until then.
 * @param ask how the page asks; gives back how it is to ask
 */
export const patiently =
  (ask: Ask): Ask =>
  async (input, init) => {
    if (!isRefresh(input, init)) return ask(input, init);
    const headers = new Headers(init?.headers);
    headers.set(REFRESH_HEADER, '1');
    for (;;) {
      const answer = await ask(input, { ...init, headers }).catch((error: unknown) => {
        if (init?.signal?.aborted) throw error;
        return null;
      });
      if (answer && answer.status !== 503) return answer;
      await (away ??= answersAgain(ask).finally(() => {
        away = null;
      }));
    }
  };

/** Has this page refresh patiently; gives back what ends it. */
export function refreshPatiently(): () => void {
  const before = window.fetch.bind(window);
  const patient = patiently(before);
  window.fetch = patient;
  return () => {
    if (window.fetch === patient) window.fetch = before;
  };
}
