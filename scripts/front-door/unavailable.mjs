const TRIES_COOKIE = 'hush-pail-tries';
/** By itself it tries for some ten minutes; then somebody taps. */
const MOST_TRIES = 60;
const TRY_AGAIN_S = 10;

const WORDS = {
  memory: {
    title: 'The shop’s memory is not answering',
    text: 'Pages cannot be read just now. What is in the record stays there, and taps kept on this tablet are sent once it answers.',
  },
  busy: {
    title: 'More is asked at once than can be answered',
    text: 'This page was not read. Nothing was changed by asking for it.',
  },
};

const page = (
  /** @type {{ title: string, text: string }} */ { title, text },
  /** @type {boolean} */ triesByItself,
) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>${title} · Hush Pail</title>${triesByItself ? `<meta http-equiv="refresh" content="${TRY_AGAIN_S}">` : ''}
<style>:root{color-scheme:light dark}body{font:18px/1.5 system-ui,sans-serif;max-width:38rem;margin:12vh auto;padding:24px;
background:light-dark(#fbfaf6,#14201f);color:light-dark(#14201f,#f2f0e8)}h1{font-size:1.8rem;line-height:1.2}
a{display:inline-block;min-height:48px;line-height:48px;padding:0 20px;border:2px solid currentColor;border-radius:6px;color:inherit;text-decoration:none}</style>
</head><body><main><h1>${title}</h1><p>${text}</p>
<p>${triesByItself ? `This page tries again every ${TRY_AGAIN_S} seconds.` : 'It has tried for a while and waits for you now.'}</p>
<p><a href="">Try now</a></p></main></body></html>`;

function triesOf(/** @type {import('node:http').IncomingMessage} */ request) {
  const told = new RegExp(`(?:^|;\\s*)${TRIES_COOKIE}=(\\d{1,4})(?:;|$)`).exec(request.headers.cookie ?? '');
  return told ? Number(told[1]) : 0;
}

/**
 * Answers 503 with when to come again: a page that says so in its HTML, without script, to whoever
 * wants one; the outcome of a tap to a tap; a line to the rest.
 * @param {'memory' | 'busy'} why
 */
export function answerUnavailable(
  /** @type {import('node:http').IncomingMessage} */ request,
  /** @type {import('node:http').ServerResponse} */ response,
  why,
) {
  const words = WORDS[why];
  const tries = triesOf(request);
  const wantsPage = request.method === 'GET' && (request.headers.accept ?? '').includes('text/html');
  const body = wantsPage
    ? page(words, tries < MOST_TRIES)
    : request.url?.startsWith('/actions/')
      ? JSON.stringify({ ok: false, why: 'unavailable', message: `${words.title}.`, isNotDone: true })
      : `${words.title}.`;
  response.writeHead(503, {
    'retry-after': why === 'busy' ? '2' : '5',
    'cache-control': 'no-store',
    'content-type': wantsPage
      ? 'text/html; charset=utf-8'
      : request.url?.startsWith('/actions/')
        ? 'application/json'
        : 'text/plain; charset=utf-8',
    'content-length': Buffer.byteLength(body),
    ...(wantsPage
      ? { 'set-cookie': `${TRIES_COOKIE}=${tries + 1}; Max-Age=120; Path=/; HttpOnly; SameSite=Lax` }
      : {}),
  });
  response.end(request.method === 'HEAD' ? undefined : body);
}
