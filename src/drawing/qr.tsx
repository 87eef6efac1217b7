import qrcode from 'qrcode-generator';

const QUIET = 4;

/** A code to be read by a scanner, its words beside it for those who have none. */
export function Qr({ text, sizePx }: { text: string; sizePx: number }) {
  // Smallest size that fits, and a quarter of it may be wet or torn.
  const code = qrcode(0, 'Q');
  code.addData(text, 'Alphanumeric');
  code.make();
  const n = code.getModuleCount();
  let path = '';
  for (let row = 0; row < n; row++)
    for (let column = 0; column < n; column++)
      if (code.isDark(row, column)) path += `M${column + QUIET} ${row + QUIET}h1v1h-1z`;
  const side = n + 2 * QUIET;
  return (
    <svg
      viewBox={`0 0 ${side} ${side}`}
      width={sizePx}
      height={sizePx}
      role="img"
      aria-label={`Code ${text}`}
      shapeRendering="crispEdges"
    >
      <rect width={side} height={side} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
