import { expose } from 'comlink';
import jsQR from 'jsqr';

const door = {
  /** The text of a code in a picture; null where none is found. @param pixels RGBA, row by row */
  read(pixels: Uint8ClampedArray, width: number, height: number): string | null {
    return jsQR(pixels, width, height, { inversionAttempts: 'dontInvert' })?.data ?? null;
  },
};
export type CodeDoor = typeof door;
expose(door);
