import { writtenNumber } from './written-number';

/** What is measured here, each in the metric unit it is kept in. */
export type Measure = 'tempC' | 'cm' | 'litres' | 'ml';

/** How somebody reads measures: as they are kept, or as the United States have them. */
export const UNITS = ['metric', 'us'] as const;
export type Units = (typeof UNITS)[number];

interface Unit {
  readonly metric: string;
  readonly us: string;
  readonly toUs: (n: number) => number;
  readonly fromUs: (n: number) => number;
  /** As it is told: rounded as hands measure it. */
  readonly told: (us: number) => string;
  /** One step of a button, in the US unit. */
  readonly byUs: number;
}

const CM_PER_IN = 2.54;
const L_PER_QT = 0.946352946;
const ML_PER_FL_OZ = 29.5735295625;

const QUARTERS = ['', '¼', '½', '¾'] as const;
/** From here on nobody measures quarters of an inch. */
const WHOLE_INCHES_FROM = 6;

/** Inches as a ruler has them: to the quarter while it is short, whole beyond. */
function inches(n: number): string {
  if (Math.abs(n) >= WHOLE_INCHES_FROM) return String(Math.round(n));
  const quarters = Math.max(1, Math.round(n * 4));
  const [whole, rest] = [Math.floor(quarters / 4), QUARTERS[quarters % 4] ?? ''];
  return n === 0 ? '0' : `${whole === 0 ? '' : whole}${rest}`;
}

const rounded = (n: number, places: number): string => String(Number(n.toFixed(places)));

export const MEASURES: Readonly<Record<Measure, Unit>> = {
  tempC: {
    metric: '°C',
    us: '°F',
    toUs: (c) => (c * 9) / 5 + 32,
    fromUs: (f) => ((f - 32) * 5) / 9,
    told: (f) => rounded(f, 0),
    byUs: 1,
  },
  cm: {
    metric: 'cm',
    us: 'in',
    toUs: (cm) => cm / CM_PER_IN,
    fromUs: (inch) => inch * CM_PER_IN,
    told: inches,
    byUs: 0.25,
  },
  litres: {
    metric: 'L',
    us: 'qt',
    toUs: (l) => l / L_PER_QT,
    fromUs: (qt) => qt * L_PER_QT,
    told: (qt) => rounded(qt, 1),
    byUs: 0.5,
  },
  ml: {
    metric: 'mL',
    us: 'fl oz',
    toUs: (ml) => ml / ML_PER_FL_OZ,
    fromUs: (oz) => oz * ML_PER_FL_OZ,
    told: (oz) => rounded(oz, oz < 0.1 ? 2 : 1),
    byUs: 0.1,
  },
};

/** The number of a measure as those units tell it: 6 (°C) is "43" in US units. */
export const measureNumber = (measure: Measure, n: number, units: Units, locale = 'en-GB'): string =>
  units === 'us' ? MEASURES[measure].told(MEASURES[measure].toUs(n)) : writtenNumber(n, locale);

/** A measure with its unit: "6 °C" or "43 °F". */
export const measured = (measure: Measure, n: number, units: Units, locale?: string): string =>
  `${measureNumber(measure, n, units, locale)} ${MEASURES[measure][units]}`;

/** A measure as it stands in a field to be typed over: "7.6" (qt). */
export const typedMeasure = (measure: Measure, n: number, units: Units): string =>
  rounded(units === 'us' ? MEASURES[measure].toUs(n) : n, 1);

/** What was typed in those units, in the metric unit to a tenth. */
export const fromTypedMeasure = (measure: Measure, typed: number, units: Units): number =>
  units === 'us' ? Number(MEASURES[measure].fromUs(typed).toFixed(1)) : typed;
