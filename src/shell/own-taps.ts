/** Keys of the last taps of this page: it has looked anew after each, and needs not hear of them. */
const keys = new Set<string>();
const MOST = 100;

export function rememberOwnTap(key: string): void {
  keys.add(key);
  if (keys.size > MOST) keys.delete(keys.values().next().value ?? '');
}

export const isOwnTap = (key: string): boolean => keys.has(key);
