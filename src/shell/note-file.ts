import type { Species } from '@/core/species/species';
import type { NoteHelp } from '@/core/note/note-help';
import { NOTE_MAX_BYTES } from '@/core/note/types';
import type { NoteDoor, NoteRead } from '@/workers/note.worker';

/** What the shop knows that helps to read a note. */
export type ReaderHelp = Required<
  Pick<NoteHelp, 'remembered' | 'rememberedColumns' | 'gramsPerStem' | 'usualStems'>
> & {
  /** Names of suppliers something came from, the last first. */
  readonly suppliers: readonly string[];
};

/** Fetches what the shop knows of its suppliers' notes; without it a note is still read, with more to decide. */
export async function fetchHelp(): Promise<ReaderHelp> {
  const response = await fetch('/dock/note-help').catch(() => null);
  return response?.ok
    ? ((await response.json()) as ReaderHelp)
    : { remembered: {}, rememberedColumns: {}, gramsPerStem: {}, usualStems: {}, suppliers: [] };
}

const newReader = (): Worker =>
  new Worker(new URL('../workers/note.worker.ts', import.meta.url), { type: 'module' });
/** A reader that was woken and has read nothing yet. */
let awake: Worker | null = null;

/** Makes the reader ready while a file is being chosen. */
export function wakeReader(): void {
  if (awake) return;
  const worker = newReader();
  awake = worker;
  // One that could not begin is not kept: the next reading tries again and tells.
  worker.onerror = () => {
    if (awake === worker) awake = null;
  };
  void import('comlink');
}

/** Reads a note's bytes in a worker of its own, which ends with it. @param help what the shop knows, or will have told */
export async function readBytes(
  bytes: Uint8Array,
  fileName: string,
  help: NoteHelp | Promise<NoteHelp>,
  own: readonly Species[],
): Promise<NoteRead> {
  // The worker wakes up while the shop is still asked what it knows.
  const worker = awake ?? newReader();
  awake = null;
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('the reader could not begin'));
  });
  const read = async (): Promise<NoteRead> => {
    const [{ wrap }, known] = await Promise.all([import('comlink'), help]);
    return wrap<NoteDoor>(worker).read(bytes, known, own);
  };
  try {
    return await Promise.race([broken, read()]);
  } catch {
    return {
      kind: 'refused',
      message: `“${fileName}” could not be read. Nothing was booked in; try choosing it again.`,
    };
  } finally {
    worker.terminate();
  }
}

/** A file's bytes, or why it is no note. */
export async function bytesOf(file: File): Promise<Uint8Array | string> {
  if (file.size > NOTE_MAX_BYTES)
    return `“${file.name}” is ${Math.round(file.size / 1e6)} MB; a delivery note is never more than 2 MB. Nothing was read or booked in. Choose the note’s CSV file.`;
  try {
    return new Uint8Array(await file.arrayBuffer());
  } catch {
    return `“${file.name}” could not be read. Nothing was booked in; try choosing it again.`;
  }
}
