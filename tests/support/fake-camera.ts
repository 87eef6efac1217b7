import qrcode from 'qrcode-generator';
import { writeFileSync } from 'node:fs';

const [WIDE, HIGH] = [640, 480];
const [BLACK, WHITE] = [16, 235];
/** Pixels to a square of the code. */
const SQUARE = 10;

/** Writes what a camera sees that is held before a code, as a browser reads it in a camera's place (YUV4MPEG2). */
export function writeCameraView(file: string, text: string): void {
  const code = qrcode(0, 'Q');
  code.addData(text, 'Alphanumeric');
  code.make();
  const side = code.getModuleCount() * SQUARE;
  const [left, top] = [(WIDE - side) / 2, (HIGH - side) / 2];
  const frame = Buffer.alloc(WIDE * HIGH * 1.5, 128).fill(WHITE, 0, WIDE * HIGH);
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++)
      if (code.isDark(Math.floor(y / SQUARE), Math.floor(x / SQUARE)))
        frame[Math.floor(top + y) * WIDE + Math.floor(left + x)] = BLACK;
  const head = Buffer.from(`YUV4MPEG2 W${WIDE} H${HIGH} F10:1 Ip A1:1 C420\n`);
  writeFileSync(file, Buffer.concat([head, Buffer.from('FRAME\n'), frame, Buffer.from('FRAME\n'), frame]));
}
