/** What a label names: a lot by its number, a pail by the number its shop counts it as. */
export type Labelled =
  { readonly kind: 'lot'; readonly number: number } | { readonly kind: 'pail'; readonly number: number };
/** A pail's label as older versions printed it: by the first eight figures of its key, which two pails may share. */
export interface OldPailLabel {
  readonly kind: 'old pail';
  readonly keyStart: string;
}

/** Every code begins so: no key of the application does, and QR's compact alphabet has it. */
export const CODE_PREFIX = '%';
const ALPHABET = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const LETTER = { lot: 'L', pail: 'P' } as const;
const OLD_PAIL = /^%P([0-9A-F]{8})([0-9A-Z])$/;
const CODE = /^%?([LP])([1-9]\d{0,8})([0-9A-Z])$/;

/** The check character of ISO 7064, MOD 37,36: it finds every single slip and nearly every swap. */
export function checkCharacter(text: string): string {
  let rest = 36;
  for (const character of text) {
    const sum = (rest + ALPHABET.indexOf(character)) % 36 || 36;
    rest = (sum * 2) % 37;
  }
  return ALPHABET[(37 - rest) % 36] ?? '';
}

/** The code a label carries: prefix, what it is of, and a check character; short enough to type. */
export function codeOf({ kind, number }: Labelled): string {
  const body = `${LETTER[kind]}${number}`;
  return `${CODE_PREFIX}${body}${checkCharacter(body)}`;
}

/** The start of a pail's key that an older label bears. */
export const pailKeyStart = (id: string): string => id.replaceAll('-', '').slice(0, 8).toUpperCase();

/** What a scanned or typed code names; null when it is none of ours, or was read wrong. */
export function readCode(text: string): Labelled | OldPailLabel | null {
  const code = text.trim().toUpperCase();
  const [, keyStart = '', oldCheck] = OLD_PAIL.exec(code) ?? [];
  if (oldCheck !== undefined && checkCharacter(`${LETTER.pail}${keyStart}`) === oldCheck)
    return { kind: 'old pail', keyStart };
  const [, letter = '', digits = '', check] = CODE.exec(code) ?? [];
  if (check === undefined || checkCharacter(letter + digits) !== check) return null;
  return { kind: letter === LETTER.lot ? 'lot' : 'pail', number: Number(digits) };
}
