import type { Species } from '../species/species';
import type { SolutionKey } from '../water/solutions';
import { m, shortName, type Message, type MessageKey } from '../words/message';

/** The cautions a card must carry, gravest first. Silence about a species is never said to be safety. */
export function cardCautions(
  species: readonly Species[],
  solution: SolutionKey,
  kind: 'vase' | 'foam',
): Message[] {
  const out: Message[] = [];
  const caution = (key: MessageKey, test: (s: Species) => boolean): void => {
    // Two sorts of one flower are told once.
    const byName = new Map(species.filter(test).map((s) => [s.name.split(',')[0], shortName(s)]));
    if (byName.size > 0) out.push(m(key, { names: [...byName.values()] }));
  };
  caution('card.caution.cats', (s) => s.pets === 'deadly to cats');
  caution('card.caution.poisonous', (s) => s.pets === 'poisonous');
  caution('card.caution.mild', (s) => s.pets === 'mild');
  caution('card.caution.sap', (s) => /burn|latex|rash/.test(s.skin));
  caution('card.caution.not-on-food', (s) => s.notOnFood === 'yes');
  if (kind === 'foam') out.push(m('card.caution.foam'));
  else out.push(m(solution === 'plain' ? 'card.caution.water' : 'card.caution.fed-water'));
  return out;
}
