import * as v from 'valibot';
import { m, type Words } from '../words/message';

export const numberIn = (low: number, high: number) =>
  v.pipe(
    v.number(`must be a number from ${low} to ${high}`),
    v.finite(`must be a number from ${low} to ${high}`),
    v.minValue(low, `must be from ${low} to ${high}`),
    v.maxValue(high, `must be from ${low} to ${high}`),
  );
export const flag = v.boolean('must be true or false');
export const words = (most: number) =>
  v.pipe(v.string('must be words'), v.trim(), v.minLength(1, 'is empty'), v.maxLength(most, 'is too long'));
export const oneOf = <const T extends readonly string[]>(options: T) =>
  v.picklist(options, `must be one of ${options.join(', ')}`);

export const tempC = numberIn(0, 100);
export const depthCm = numberIn(0, 60);
export const cm = numberIn(0, 30);

/** What may be taken off when a bunch is unpacked. */
export const WRAPPINGS = ['paper', 'sleeve', 'mesh', 'bands', 'ties', 'water caps', 'bract'] as const;
export const TOOLS = ['knife or snips', 'knife', 'snips', 'secateurs', 'scissors'] as const;
export type Tool = (typeof TOOLS)[number];
export const PLACES = [
  'the cold room',
  'the coolest corner',
  'the tropical shelf',
  'the shop floor',
  'a warm bright shelf',
  'the bench',
  'a dry dark loft',
] as const;
export type KeepingPlace = (typeof PLACES)[number];

/** What to look for in buds that may be too thin to open. */
export const PENCIL_BUDS_CHECK = 'the buds: fat and coloured, not thin and green';
/** What to look at, in words: one of ours in the reader's language, one of a shop's own as it is written. */
export const checkWords = (check: string): Words =>
  check === PENCIL_BUDS_CHECK ? m('check.pencil-buds') : check;
