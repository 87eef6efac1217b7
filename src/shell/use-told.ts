'use client';
import { useMemo } from 'react';
import type { Told } from './told';

/** What the page told, read once while it stays the same. */
export const useTold = <T>(told: Told<T>): T => useMemo(() => JSON.parse(told) as T, [told]);
