import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { LOCAL, readJson } from './paths.mjs';

const FILE = path.join(LOCAL, 'running.json');

/** When a process began, in ticks since the machine did: with its number it names one process for good. */
function beganAt(/** @type {number} */ pid) {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)?.split(' ')[19] ?? null;
  } catch {
    return null;
  }
}

/** The copy that runs from this checkout, or null. A note left by a killed run, or one nobody can read, counts for nothing. */
export function runningCopy(file = FILE) {
  const note = readJson(file);
  const isNote = Number.isInteger(note?.pid) && note.pid > 0;
  // A process number is given out again: another that bears it now is not ours.
  return isNote && note.began !== undefined && note.began !== null && beganAt(note.pid) === note.began
    ? note
    : null;
}

export function noteRunning(/** @type {Record<string, unknown>} */ note, file = FILE) {
  mkdirSync(LOCAL, { recursive: true });
  writeFileSync(file, JSON.stringify({ pid: process.pid, began: beganAt(process.pid), ...note }));
}

export function noteStopped(file = FILE) {
  if (readJson(file)?.pid === process.pid) rmSync(file, { force: true });
}
