import { transfer, wrap } from 'comlink';
import type { CodeDoor } from '@/workers/code.worker';

/** Finds a code in what a camera shows. */
export interface CodeReader {
  /** Its text; null where none is seen. */
  read(video: HTMLVideoElement): Promise<string | null>;
  stop(): void;
}

/** What browsers have that read codes themselves; none says so in its types yet. */
interface Detector {
  detect(of: HTMLVideoElement): Promise<readonly { readonly rawValue: string }[]>;
}
interface Detectors {
  new (how: { formats: string[] }): Detector;
  getSupportedFormats(): Promise<string[]>;
}

async function readerOfBrowser(): Promise<CodeReader | null> {
  const { BarcodeDetector } = globalThis as { BarcodeDetector?: Detectors };
  if (!BarcodeDetector) return null;
  const formats = await BarcodeDetector.getSupportedFormats().catch((): string[] => []);
  if (!formats.includes('qr_code')) return null;
  const detector = new BarcodeDetector({ formats: ['qr_code'] });
  return {
    read: async (video) => (await detector.detect(video))[0]?.rawValue ?? null,
    stop: () => undefined,
  };
}

/** Wide enough for a label at arm's length; more only takes longer. */
const READ_AT_PX = 640;

/** The same away from the page, where the browser has none. */
function readerInWorker(): CodeReader {
  const worker = new Worker(new URL('../../workers/code.worker.ts', import.meta.url), { type: 'module' });
  const door = wrap<CodeDoor>(worker);
  const canvas = document.createElement('canvas');
  const context = canvas.getContext('2d', { willReadFrequently: true });
  return {
    read: async (video) => {
      if (!context || video.videoWidth === 0) return null;
      canvas.width = READ_AT_PX;
      canvas.height = Math.round((READ_AT_PX * video.videoHeight) / video.videoWidth);
      context.drawImage(video, 0, 0, canvas.width, canvas.height);
      const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height);
      return door.read(transfer(data, [data.buffer]), width, height);
    },
    stop: () => worker.terminate(),
  };
}

export const codeReader = async (): Promise<CodeReader> => (await readerOfBrowser()) ?? readerInWorker();
