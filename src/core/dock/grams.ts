/** A bunch that was counted and weighed in this shop. */
export interface Weighing {
  readonly speciesKey: string;
  readonly lengthCm: number | null;
  readonly stems: number;
  readonly grams: number;
}

/** Grams a stem, by species and by "species grade": what a note by weight is counted with. */
export type GramsPerStem = Readonly<Record<string, number>>;

const GRADE_STEP_CM = 10;

/** The grade a length is sold as: lengths go in steps of ten centimetres. Null where none is said. */
export function gradeOf(lengthCm: number | null): number | null {
  return lengthCm === null ? null : Math.round(lengthCm / GRADE_STEP_CM) * GRADE_STEP_CM;
}

const keyOf = (speciesKey: string, grade: number | null): string =>
  grade === null ? speciesKey : `${speciesKey} ${grade}`;

/**
 * What the shop's own weighings make of grams a stem, g: all grams over all stems, so that a large
 * bunch counts for more than a small one; by species, and by species and grade.
 */
export function learnGrams(weighings: readonly Weighing[]): GramsPerStem {
  const sums = new Map<string, { grams: number; stems: number }>();
  for (const w of weighings)
    for (const key of new Set([w.speciesKey, keyOf(w.speciesKey, gradeOf(w.lengthCm))])) {
      const sum = sums.get(key) ?? { grams: 0, stems: 0 };
      sums.set(key, { grams: sum.grams + w.grams, stems: sum.stems + w.stems });
    }
  return Object.fromEntries([...sums].map(([key, { grams, stems }]) => [key, grams / stems]));
}

export interface GramsFound {
  readonly grams: number;
  /** Where the figure is from, as it is said. */
  readonly basis: 'as weighed here at this grade' | 'as weighed here' | 'by the table';
}

/** Grams a stem to count by: this grade's own, else this species' own, else the table's; null where none is. */
export function findGrams(
  learned: GramsPerStem,
  species: { readonly key: string; readonly gramsPerStem: number | null },
  lengthCm: number | null,
): GramsFound | null {
  const grade = gradeOf(lengthCm);
  const atGrade = grade === null ? undefined : learned[keyOf(species.key, grade)];
  if (atGrade !== undefined) return { grams: atGrade, basis: 'as weighed here at this grade' };
  const own = learned[species.key];
  if (own !== undefined) return { grams: own, basis: 'as weighed here' };
  return species.gramsPerStem === null ? null : { grams: species.gramsPerStem, basis: 'by the table' };
}

/** Stems in a weight, at least one, with how that was told. */
export function stemsByWeight(weightG: number, found: GramsFound): { stems: number; words: string } {
  const each = Math.round(found.grams * 10) / 10;
  return {
    stems: Math.max(1, Math.round(weightG / found.grams)),
    words: `${weightG} g at about ${each} g a stem${found.basis === 'by the table' ? '' : `, ${found.basis}`}`,
  };
}
