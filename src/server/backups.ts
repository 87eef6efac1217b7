import 'server-only';
import { readdir } from 'node:fs/promises';
import { DAY_MS } from '@/core/calendar/spans';

const NAME = /^hush-pail-(\d{4}-\d\d-\d\dT)(\d\d)-(\d\d)-(\d\d)Z\.dump$/;
/** A daily backup that is older than this did not happen. */
const OLD_MS = 2 * DAY_MS;

/** How the backups of this computer stand. */
export interface Backups {
  /** Milliseconds of the computer's own clock; null where there is none. */
  readonly lastAt: number | null;
  readonly kept: number;
  readonly isOld: boolean;
}

/** Backups where the start command has them made; a folder that is not there holds none. */
export async function backupsHere(nowMs = Date.now()): Promise<Backups> {
  const names = await readdir(process.env.HUSH_PAIL_BACKUPS ?? '').catch((): string[] => []);
  const made = names.flatMap((name) => {
    const [, day, h, m, s] = NAME.exec(name) ?? [];
    return day ? [Date.parse(`${day}${h}:${m}:${s}Z`)] : [];
  });
  const lastAt = made.length > 0 ? Math.max(...made) : null;
  return { lastAt, kept: made.length, isOld: lastAt === null || nowMs - lastAt > OLD_MS };
}
