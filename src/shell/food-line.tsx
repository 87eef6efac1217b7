'use client';
import { foodDose, type Foods } from '@/core/water/food';
import { foodWords } from '@/core/water/food-words';
import type { SolutionKey } from '@/core/water/solutions';
import { useSay } from './words';

interface Props {
  readonly solution: SolutionKey;
  readonly litres: number;
  readonly foods: Foods;
}

/** How much of the shop's own food goes into these litres; nothing where it is none, or the shop told of none. */
export function FoodLine({ solution, litres, foods }: Props) {
  const say = useSay();
  const dose = foodDose(solution, litres, foods);
  if (!dose) return null;
  return (
    <p data-food-dose style={{ margin: '0.25rem 0' }}>
      <strong>{say(foodWords(dose, litres))}</strong>
    </p>
  );
}
