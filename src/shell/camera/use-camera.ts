'use client';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { codeReader, type CodeReader } from './code-reader';

/** Between two looks at the picture: a hand holds still for longer. */
const LOOK_EVERY_MS = 150;
/** The same label still before the camera is not read again so soon. */
const SAME_AGAIN_MS = 2500;

const WHY_NOT: Readonly<Record<string, string>> = {
  NotAllowedError:
    'This tablet was told not to lend its camera. Allow it in the browser’s settings for this page.',
  NotFoundError: 'This tablet has no camera. A scanner that types, or the number in Find, does the same.',
  NotReadableError: 'Another program holds the camera. Close it, and open this again.',
};
const UNSAFE =
  'A browser lends its camera only to a page reached by https. Ask whoever keeps the shop’s computer; meanwhile type the number in Find.';

async function cameraOf(video: HTMLVideoElement): Promise<MediaStream> {
  // The one that looks away from whoever holds the tablet, where there are two.
  const stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
  video.srcObject = stream;
  await video.play();
  return stream;
}

/** Reads what the camera shows again and again until it is told to stop. */
async function watch(
  reader: CodeReader,
  video: HTMLVideoElement,
  onCode: (code: string) => void,
  isOver: () => boolean,
): Promise<void> {
  let last = { code: '', at: -Infinity };
  while (!isOver()) {
    const code = await reader.read(video).catch(() => null);
    const isNews = code !== null && (code !== last.code || performance.now() - last.at > SAME_AGAIN_MS);
    if (isNews && !isOver()) {
      last = { code, at: performance.now() };
      onCode(code);
    }
    await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
  }
}

/** Shows the camera in `video` and tells each code it sees, while what shows it is there. @returns why it cannot */
export function useCamera(
  video: RefObject<HTMLVideoElement | null>,
  onCode: (code: string) => void,
): string | null {
  const [problem, setProblem] = useState<string | null>(null);
  const latest = useRef(onCode);
  useEffect(() => {
    latest.current = onCode;
  });
  useEffect(() => {
    let isOver = false;
    let stream: MediaStream | null = null;
    let reader: CodeReader | null = null;
    const release = () => {
      for (const track of stream?.getTracks() ?? []) track.stop();
      reader?.stop();
    };
    const begin = async () => {
      const shown = video.current;
      if (!shown) return;
      // Not there at all where the page was reached without TLS.
      if (!('mediaDevices' in navigator)) return setProblem(UNSAFE);
      try {
        stream = await cameraOf(shown);
        reader = await codeReader();
      } catch (error) {
        if (!isOver) setProblem(WHY_NOT[(error as Error).name] ?? 'The camera did not start. Try it again.');
      }
      // Shut while it was still starting.
      if (isOver) return release();
      if (reader)
        await watch(
          reader,
          shown,
          (code) => latest.current(code),
          () => isOver,
        );
    };
    void begin();
    return () => {
      isOver = true;
      release();
    };
  }, [video]);
  return problem;
}
