import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { LOCAL, readJson } from './paths.mjs';

const FILE = path.join(LOCAL, 'running.json');

/** The copy that runs from this checkout, or null. A note left by a killed run counts for nothing. */
export function runningCopy() {
  const note = readJson(FILE);
  if (!note) return null;
  const cmdline = `/proc/${note.pid}/cmdline`;
  return existsSync(cmdline) && readFileSync(cmdline, 'utf8').includes('start.mjs') ? note : null;
}

export function noteRunning(note) {
  mkdirSync(LOCAL, { recursive: true });
  writeFileSync(FILE, JSON.stringify({ pid: process.pid, ...note }));
}

export function noteStopped() {
  if (readJson(FILE)?.pid === process.pid) rmSync(FILE, { force: true });
}
