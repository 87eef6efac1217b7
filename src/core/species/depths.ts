import type { Depth } from './species';

/** From the least to the most. */
export const DEPTHS = ['shallow', 'third', 'normal', 'deep'] as const satisfies readonly Depth[];

/** Water depth a species drinks from, cm; a third is taken of a 24 cm pail. */
export const DEPTH_CM: Readonly<Record<Depth, number>> = { shallow: 5, third: 8, normal: 13, deep: 20 };
