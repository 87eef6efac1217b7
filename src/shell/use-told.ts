'use client';
import { useMemo } from 'react';
import { read, type Told } from './told';

/** What the page told, read once while it stays the same. */
export const useTold = <T>(told: Told<T>): T => useMemo(() => read(told), [told]);
