import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** The checkout's folder, wherever the command was called from. */
export const CHECKOUT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');

/** Where the checkout keeps what it makes at run time (stamps, locks, secrets of a normal user). */
export const LOCAL = path.join(CHECKOUT, '.hush-pail');

export const isRoot = process.getuid?.() === 0;

/**
 * Where the database and its passwords live. PostgreSQL will not run as root, and the user it runs
 * as instead may not be able to read the checkout: then a folder of the system's, named after it.
 */
export const STATE = isRoot
  ? path.join(
      '/var/lib/hush-pail',
      `${path.basename(CHECKOUT)}-${createHash('sha256').update(CHECKOUT).digest('hex').slice(0, 8)}`,
    )
  : LOCAL;

/** Path of a package's command, run through Node so that no shell and no PATH is needed. */
export function bin(/** @type {string} */ name) {
  /** @type {Record<string, string>} */
  const homes = {
    next: 'next/dist/bin/next',
    tsx: 'tsx/dist/cli.mjs',
    jest: 'jest/bin/jest.js',
    eslint: 'eslint/bin/eslint.js',
    prettier: 'prettier/bin/prettier.cjs',
    tsc: 'typescript/bin/tsc',
    playwright: '@playwright/test/cli.js',
    depcruise: 'dependency-cruiser/bin/dependency-cruise.mjs',
    knip: 'knip/bin/knip.js',
  };
  return path.join(CHECKOUT, 'node_modules', homes[name] ?? name);
}

export function readJson(/** @type {string} */ file) {
  try {
    return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
  } catch {
    return null;
  }
}

export const userName = () => os.userInfo().username;

/** A sentence for the person at the terminal, and the end. */
export function giveUp(/** @type {string} */ sentence) {
  process.stderr.write(`\n${sentence}\n`);
  process.exit(1);
}

/** A full disk is told as that, once, in words; anything else as it is. */
export function tellFault(/** @type {unknown} */ error) {
  const text = error instanceof Error ? error.message : String(error);
  if (/ENOSPC|no space left/i.test(text))
    giveUp(
      `The disk is full, so this stopped where it was. Free some space and run it again; nothing that was kept is lost. (${text.split('\n')[0]})`,
    );
  giveUp(text);
}
