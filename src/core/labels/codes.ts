/** What a label names: a lot by its number, a pail by the first eight figures of its key. */
export type Labelled =
  { readonly kind: 'lot'; readonly number: number } | { readonly kind: 'pail'; readonly keyStart: string };

/** Every code begins so: no key of the application does, and QR's compact alphabet has it. */
export const CODE_PREFIX = '%';
const ALPHABET = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const [LOT, PAIL] = ['L', 'P'];

/** The check character of ISO 7064, MOD 37,36: it finds every single slip and nearly every swap. */
export function checkCharacter(text: string): string {
  let rest = 36;
  for (const character of text) {
    const sum = (rest + ALPHABET.indexOf(character)) % 36 || 36;
    rest = (sum * 2) % 37;
  }
  return ALPHABET[(37 - rest) % 36] ?? '';
}

/** The code a label carries: prefix, what it is of, and a check character. */
export function codeOf(labelled: Labelled): string {
  const body =
    labelled.kind === 'lot' ? `${LOT}${labelled.number}` : `${PAIL}${labelled.keyStart.toUpperCase()}`;
  return `${CODE_PREFIX}${body}${checkCharacter(body)}`;
}

/** The start of a pail's key that its label bears. */
export const pailKeyStart = (id: string): string => id.replaceAll('-', '').slice(0, 8).toUpperCase();

/** What a scanned code names; null when it is none of ours, or was read wrong. */
export function readCode(text: string): Labelled | null {
  const match = /^%([LP])([0-9A-F]{1,9})([0-9A-Z])$/.exec(text.trim().toUpperCase());
  const [, kind = '', what = '', check] = match ?? [];
  if (!match || checkCharacter(kind + what) !== check) return null;
  if (kind === PAIL) return what.length === 8 ? { kind: 'pail', keyStart: what } : null;
  return /^[1-9]\d*$/.test(what) ? { kind: 'lot', number: Number(what) } : null;
}
