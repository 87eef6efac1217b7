const LONGEST_PX = 1280;
const MOST_BYTES = 250_000;
const QUALITIES = [0.8, 0.65, 0.5, 0.35] as const;

const jpegOf = (canvas: HTMLCanvasElement, quality: number): Promise<Blob | null> =>
  new Promise((resolve) => canvas.toBlob(resolve, 'image/jpeg', quality));

async function asBase64(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let binary = '';
  for (let at = 0; at < bytes.length; at += 8192)
    binary += String.fromCharCode(...bytes.subarray(at, at + 8192));
  return btoa(binary);
}

/**
 * A picture drawn anew, small: what the camera wrote beside it does not come along.
 * @returns base64 of a JPEG; null when the file is no picture a browser can read
 */
export async function smallPicture(file: File): Promise<string | null> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null);
  if (!bitmap) return null;
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  const context = canvas.getContext('2d');
  if (!context) return null;
  // A picture with holes in it would go black.
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  for (const quality of QUALITIES) {
    const blob = await jpegOf(canvas, quality);
    if (blob && (blob.size <= MOST_BYTES || quality === QUALITIES.at(-1))) return asBase64(blob);
  }
  return null;
}
