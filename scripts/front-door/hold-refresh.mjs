/** How a page says that it stands and asks for itself anew: see shell/patient-refresh. */
const REFRESH_HEADER = 'x-hush-pail-refresh';

/**
 * The answer to a page that stands is held until it is whole: where the database goes in the middle of it, the
 * page is refused instead, and stands on. Half an answer would put words about the fault in its place.
 * @param {() => boolean} isRefused asked once all of it is there
 */
export function holdRefresh(
  /** @type {import('node:http').IncomingMessage} */ request,
  /** @type {import('node:http').ServerResponse} */ response,
  isRefused,
) {
  if (request.headers[REFRESH_HEADER] !== '1') return;
  const { writeHead, write, end, flushHeaders } = response;
  /** @type {any[] | null} */
  let head = null;
  /** @type {any[][]} */
  const pieces = [];
  response.writeHead = function (/** @type {any[]} */ ...args) {
    response.statusCode = args[0];
    head = args;
    return response;
  };
  response.flushHeaders = () => {};
  response.write = function (/** @type {any[]} */ ...args) {
    pieces.push(args);
    return true;
  };
  response.end = function (/** @type {any[]} */ ...args) {
    Object.assign(response, { writeHead, write, end, flushHeaders });
    if (isRefused()) {
      response.statusCode = 500;
      return response.end();
    }
    if (head) Reflect.apply(writeHead, response, head);
    for (const piece of pieces) Reflect.apply(write, response, piece);
    return Reflect.apply(end, response, args);
  };
}
