import { m, type Message, type Words } from '../words/message';
import type { StepFigure } from './types';

export const MINUTE = 60;
export const HOUR = 3600;
const DEEP_PAIL_CM = 30;

/** Spoken by warmth, as on the beaker. */
export function warmthWord(tempC: number): 'cold' | 'cool' | 'tepid' | 'warm' | 'hot' {
  if (tempC < 9) return 'cold';
  if (tempC < 18) return 'cool';
  if (tempC < 30) return 'tepid';
  return tempC < 45 ? 'warm' : 'hot';
}

/** The same as it is said. */
export const warmthMessage = (tempC: number): Message => m(`warmth.${warmthWord(tempC)}`);

/** A clock's length as it is said: 30 s, 20 min, 4 h, 3 days. */
export function spokenTime(seconds: number): Message {
  if (seconds < 120) return m('time.s', { n: Math.round(seconds) });
  if (seconds < 2 * HOUR) return m('time.min', { n: Math.round(seconds / MINUTE) });
  const hours = Math.round(seconds / HOUR);
  return hours < 48 ? m('time.h', { n: hours }) : m('time.days', { n: Math.round(hours / 24) });
}

export const lengthFigure = (cm: number, of: Words): StepFigure => ({
  value: m('figure.cm', { n: cm }),
  of,
  drawn: 'length',
  level: cm,
});
export const warmthFigure = (c: number, of: Words): StepFigure => ({
  value: m('figure.c', { n: c }),
  of,
  drawn: 'warmth',
  level: c,
});
export const depthFigure = (cm: number, of: Words): StepFigure => ({
  value: m('figure.cm', { n: cm }),
  of,
  drawn: 'depth',
  level: cm / DEEP_PAIL_CM,
});
export const timeFigure = (seconds: number, of: Words): StepFigure => ({
  value: spokenTime(seconds),
  of,
  drawn: 'time',
  level: seconds,
});
