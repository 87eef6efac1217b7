import { HOUR_MS } from '@/core/calendar/spans';

/** How long ago something was, in words. */
export function ago(at: number | null, now: number | null): string {
  if (at === null) return 'never in the record';
  if (now === null) return '';
  const hours = Math.floor((now - at) / HOUR_MS);
  return hours < 1 ? 'within the hour' : hours < 48 ? `${hours} h ago` : `${Math.floor(hours / 24)} days ago`;
}
