'use client';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { MEASURES, measured, type Measure, type Units } from '@/core/units/measures';

interface Reading {
  readonly units: Units;
  /** How the reader writes numbers. */
  readonly locale: string;
}
const ReaderContext = createContext<Reading>({ units: 'metric', locale: 'en-GB' });

/** Tells what is inside how its reader reads measures. */
export function ReaderProvider({ units, locale, children }: Reading & { children: ReactNode }) {
  const reading = useMemo(() => ({ units, locale }), [units, locale]);
  return <ReaderContext value={reading}>{children}</ReaderContext>;
}

interface Measures {
  readonly units: Units;
  /** "°C" or "°F". */
  readonly unit: (measure: Measure) => string;
  /** "6 °C" or "43 °F". */
  readonly told: (measure: Measure, n: number) => string;
}

/** Measures as whoever reads this tablet has them. */
export function useMeasures(): Measures {
  const { units, locale } = useContext(ReaderContext);
  return {
    units,
    unit: (measure) => MEASURES[measure][units],
    told: (measure, n) => measured(measure, n, units, locale),
  };
}

/** A measure in a list whose rows are made apart from it. */
export function Measured({ measure, n }: { measure: Measure; n: number }) {
  return <>{useMeasures().told(measure, n)}</>;
}

/** The units somebody can choose, each as what it comes to. */
export const UNIT_CHOICES: readonly { readonly value: Units; readonly label: string }[] = [
  { value: 'metric', label: '°C, cm, L' },
  { value: 'us', label: '°F, in, qt' },
];
