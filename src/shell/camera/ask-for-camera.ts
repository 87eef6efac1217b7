const ASKED = 'hush-pail-scan';

/** Asks for the camera from wherever a hand is; the scanner of the frame opens it. */
export const askForCamera = (): boolean => dispatchEvent(new Event(ASKED));

export function onCameraAsked(open: () => void): () => void {
  addEventListener(ASKED, open);
  return () => removeEventListener(ASKED, open);
}
