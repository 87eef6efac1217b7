import type { PailColour, PailForm } from '@/core/water/pail-shape';
import type { PailWater } from '@/core/water/pail-water';
import type { SolutionKey } from '@/core/water/solutions';
import type { PailRow } from '@/data/pails';

/** A point of a line over time: hours since the fill, and the count's p10, p50 and p90, log10 CFU/mL. */
export type CoursePoint = readonly [atHour: number, p10: number, p50: number, p90: number];

/** A course as one text of whole numbers: hours, and hundredths of a count. Sixty go out at once, and one is drawn. */
export const courseText = (course: PailWater['course']): string =>
  course
    .flatMap((c) => [c.atHour, ...[c.p10, c.p50, c.p90].map((log10) => Math.round(log10 * 100))])
    .join(' ');

/** The points of a course as `courseText` writes it. */
export function pointsOf(text: string): CoursePoint[] {
  const course = text === '' ? [] : text.split(' ').map(Number);
  return Array.from({ length: Math.floor(course.length / 4) }, (_, i) => {
    const [atHour = 0, p10 = 0, p50 = 0, p90 = 0] = course.slice(4 * i, 4 * i + 4);
    return [atHour, p10 / 100, p50 / 100, p90 / 100];
  });
}

/** A pail's water as it is told, its course to as much as a line shows. */
export interface WaterView extends Pick<
  PailWater,
  'looks' | 'dueInHours' | 'because' | 'litresLeft' | 'dose' | 'without'
> {
  /** The middle of its count, log10 CFU/mL. */
  readonly log10: number;
  /** As `pointsOf` reads it. */
  readonly course: string;
}

/** A pail as its rack shows it. */
export interface PailView {
  readonly id: string;
  readonly name: string;
  /** The room it stands in. */
  readonly room: string;
  readonly sizeL: number;
  readonly heightCm: number;
  readonly form: PailForm;
  readonly colour: PailColour | null;
  readonly state: PailRow['state'];
  readonly litres: number;
  /** How its water stands; null where there is none. */
  readonly water: WaterView | null;
  /** What the last look said of it; null where nobody looked. */
  readonly looked: string | null;
  readonly solution: string | null;
  /** The same by its key, for what goes into it anew. */
  readonly solutionKey: SolutionKey | null;
  readonly tempC: number | null;
  readonly filledAt: number | null;
  readonly sanitisedAt: number | null;
  /** It stands clean longer than the house lets it: it counts as rinsed alone. */
  readonly isStale: boolean;
  readonly contactUntil: number | null;
  /** The delivery it is kept for; null where it is free. */
  readonly reservedFor: string | null;
  readonly lots: readonly {
    readonly id: string;
    readonly words: string;
    readonly colour: string | null;
    readonly stems: number;
  }[];
}
