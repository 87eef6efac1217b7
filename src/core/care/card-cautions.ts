import type { Species } from '../species/species';
import type { SolutionKey } from '../water/solutions';

function namesOf(species: readonly Species[]): string {
  const names = [...new Set(species.map((s) => s.name.split(',')[0] ?? s.name))];
  const last = names.pop() ?? '';
  return names.length === 0 ? last : `${names.join(', ')} and ${last.toLowerCase()}`;
}

/** The cautions a card must carry, gravest first. Silence about a species is never said to be safety. */
export function cardCautions(
  species: readonly Species[],
  solution: SolutionKey,
  kind: 'vase' | 'foam',
): string[] {
  const of = (test: (s: Species) => boolean): Species[] => species.filter(test);
  const out: string[] = [];
  const deadly = of((s) => s.pets === 'deadly to cats');
  if (deadly.length > 0)
    out.push(
      `Cats: ${namesOf(deadly)} can kill a cat, pollen and vase water too. Any contact: call a vet at once.`,
    );
  const poisonous = of((s) => s.pets === 'poisonous');
  if (poisonous.length > 0) out.push(`Poisonous to pets if eaten: ${namesOf(poisonous)}.`);
  const mild = of((s) => s.pets === 'mild');
  if (mild.length > 0) out.push(`Can upset a pet that eats it: ${namesOf(mild)}.`);
  const sappy = of((s) => /burn|latex|rash/.test(s.skin));
  if (sappy.length > 0) out.push(`Sap can irritate skin and eyes: ${namesOf(sappy)}. Gloves, wash hands.`);
  const notOnFood = of((s) => s.notOnFood === 'yes');
  if (notOnFood.length > 0) out.push(`Not on plates or cakes: ${namesOf(notOnFood)}.`);
  out.push(
    kind === 'foam'
      ? 'Foam and the water in its dish are not to be eaten or drunk: keep them from children.'
      : solution === 'plain'
        ? 'Vase water is not for drinking.'
        : 'Vase water with food in it is not for drinking: keep it from children.',
  );
  return out;
}
