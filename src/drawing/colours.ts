/** Petal colours by the words a note uses, muted to sit on paper; unknown words get the neutral. */
const PETALS: Readonly<Record<string, string>> = {
  blush: '#dfa9a6',
  cream: '#ecdfb8',
  white: '#f6f2e9',
  mixed: '#cf8aa0',
  yellow: '#e2b33c',
  blue: '#8aa3c9',
  orange: '#d9773a',
  red: '#b5384a',
  coral: '#de8069',
  lilac: '#a892c4',
  grey: '#93a79c',
  green: '#6f9a76',
  'deep red': '#8e2b3d',
  pink: '#d98ba3',
  purple: '#7d64a6',
};

export function petalColour(word: string | null): string {
  return PETALS[(word ?? '').trim().toLowerCase()] ?? '#cfa9b4';
}
