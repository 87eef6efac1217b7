import 'server-only';
import type { Told } from '@/shell/live-told';
import { live } from './live';
import { maybeInMyShop } from './session';

const HEARTBEAT_MS = 20_000;
/** After so long a tablet asks anew, and whether it still may. */
const LASTS_MS = 10 * 60_000;

const HEADERS = {
  'content-type': 'text/event-stream; charset=utf-8',
  // Not to be squeezed on the way: an event that waits for the next is none.
  'cache-control': 'private, no-store, no-transform',
  'x-accel-buffering': 'no',
};

/** When the page was read that begins to listen; null where it does not say. */
function readAt(request: Request): number | null {
  const told = new URL(request.url).searchParams.get('since');
  return told !== null && /^\d{1,15}$/.test(told) ? Number(told) : null;
}

const eventOf = (told: Told): string => `data: ${JSON.stringify(told)}\n\n`;
/** It is not known what was done: whoever hears it looks anew. */
const toLook = eventOf({ key: '', place: null });

/** Tells a signed-in tablet what is done in its shop, as it is done. */
export async function answerLive(request: Request): Promise<Response> {
  const shopId = await maybeInMyShop((_trx, me) => Promise.resolve(me.shop.id));
  if (!shopId) return new Response('Sign in first.', { status: 401 });
  const readMs = readAt(request);
  let send: (line: string) => void = () => undefined;
  const leave = live().hear(shopId, (told: Told) => send(eventOf(told)));
  if (!leave) return new Response('Too many listen.', { status: 503, headers: { 'retry-after': '30' } });
  let end: () => void = leave;
  const text = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const beat = setInterval(() => send(': here\n\n'), HEARTBEAT_MS);
      const last = setTimeout(() => end(), LASTS_MS);
      end = () => {
        end = () => undefined;
        leave();
        clearInterval(beat);
        clearTimeout(last);
        try {
          controller.close();
        } catch {
          // The tablet has gone, and closed it.
        }
      };
      send = (line) => {
        try {
          controller.enqueue(text.encode(line));
        } catch {
          end();
        }
      };
      request.signal.addEventListener('abort', () => end());
      send('retry: 3000\n\n');
      if (readMs !== null && live().mayHaveMissed(shopId, readMs)) send(toLook);
    },
    cancel: () => end(),
  });
  return new Response(stream, { headers: HEADERS });
}
