import qrcode from 'qrcode-generator';

type QRCode = ReturnType<typeof qrcode>;

const QUIET = 4;

interface Drawn {
  readonly side: number;
  readonly path: string;
}
const drawn = new Map<string, Drawn>();
const MOST_DRAWN = 3000;

/** Rows of dark squares as one path, each run of them a stroke as wide as a square. */
function pathOf(code: QRCode): string {
  const n = code.getModuleCount();
  let path = '';
  for (let row = 0; row < n; row++) {
    let at: number | null = null;
    for (let from = 0; from < n; from++) {
      if (!code.isDark(row, from)) continue;
      let to = from;
      while (to + 1 < n && code.isDark(row, to + 1)) to++;
      // Within a row a run is told by how far it is from the one before.
      path += at === null ? `M${from + QUIET} ${row + QUIET + 0.5}` : `m${from - at} 0`;
      path += `h${to - from + 1}`;
      at = from = to + 1;
    }
  }
  return path;
}

/** What a label's code is written in: packed closer than other text. */
const OF_A_LABEL = /^[0-9A-Z $%*+\-./:]+$/;

/** A label's code is the same for ever; finding how it is best laid out takes a thousandth of a second or two. */
function drawnOf(text: string): Drawn {
  const known = drawn.get(text);
  if (known) return known;
  const isLabel = OF_A_LABEL.test(text);
  // Smallest size that fits; of a label a quarter may be wet or torn, on a screen nothing is.
  const code = qrcode(0, isLabel ? 'Q' : 'L');
  code.addData(text, isLabel ? 'Alphanumeric' : 'Byte');
  code.make();
  const made = { side: code.getModuleCount() + 2 * QUIET, path: pathOf(code) };
  // What is no label's may be a secret: it is not kept.
  if (!isLabel) return made;
  if (drawn.size >= MOST_DRAWN) drawn.clear();
  drawn.set(text, made);
  return made;
}

/** A code to be read by a scanner, its words beside it for those who have none. */
export function Qr({
  text,
  sizePx,
  label = `Code ${text}`,
}: {
  text: string;
  sizePx: number;
  label?: string;
}) {
  const { side, path } = drawnOf(text);
  return (
    <svg
      viewBox={`0 0 ${side} ${side}`}
      width={sizePx}
      height={sizePx}
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
    >
      <rect width={side} height={side} fill="#fff" />
      <path d={path} stroke="#000" />
    </svg>
  );
}
