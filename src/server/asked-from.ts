import 'server-only';
import { headers } from 'next/headers';

const LONGEST_ADDRESS = 80;

/** Where a request came from, as the front door saw it: what a stranger may write on it says nothing. */
export async function askedFrom(): Promise<string> {
  return (await headers()).get('x-hush-pail-address')?.slice(0, LONGEST_ADDRESS) || 'unknown';
}

/** What it was asked with, in a word: enough to know one's own tablet again. */
export async function deviceAsking(): Promise<'tablet or phone' | 'computer'> {
  const agent = (await headers()).get('user-agent') ?? '';
  return /Mobi|Tablet|Touch|Android|iP(ad|hone)/i.test(agent) ? 'tablet or phone' : 'computer';
}
