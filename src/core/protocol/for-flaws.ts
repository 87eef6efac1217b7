import { figure, step } from './steps';
import type { LotState, ProtocolStep } from './types';

/** What comes off before the bunch meets water, by what was found at the dock. */
export function flawsFirst({ flaws = [] }: LotState): ProtocolStep[] {
  const first: ProtocolStep[] = [];
  if (flaws.includes('grey-mould'))
    first.push(
      step('discard', {
        title: 'Bin what is soft or furred; pull spotted petals; stand the rest apart',
        reason: 'Grey mould goes on from petal to petal where it is wet and still.',
        because: 'state',
        doneWord: 'Sorted',
        caution: 'Spores: bin it in a closed bag, wash hands before the next bunch.',
      }),
    );
  if (flaws.includes('broken'))
    first.push(
      step('discard', {
        title: 'Shorten at the break what will serve short; bin the rest',
        reason: 'A kinked stem lifts no water past the kink.',
        because: 'state',
        doneWord: 'Sorted',
      }),
    );
  if (flaws.includes('brown-buds'))
    first.push(
      step('discard', {
        title: 'Pinch off brown buds; bin stems with no sound one left',
        reason: 'A bud that went brown in the cold never opens and gives off gas.',
        because: 'state',
        doneWord: 'Sorted',
      }),
    );
  if (flaws.includes('nectar'))
    first.push(
      step('plunge', {
        title: 'Float the heads in tepid water, then shake',
        figures: [figure.warmthFigure(22, 'tepid'), figure.timeFigure(300, 'heads only')],
        reason: 'Ants and nectar come off in the water, not on the customer’s table.',
        because: 'state',
        waitSeconds: 300,
        doneWord: 'Floating',
      }),
    );
  if (flaws.includes('yellow-leaves'))
    first.push(
      step('strip', {
        title: 'Take off every yellow leaf',
        reason: 'A yellow leaf gives off gas and drops into the water.',
        because: 'state',
        doneWord: 'Yellow leaves off',
      }),
    );
  return first;
}

/** What is left for later, by what was found. */
export function afterFlaws({ flaws = [] }: LotState): ProtocolStep[] {
  if (!flaws.includes('bruised-outer')) return [];
  return [
    step('guard-petals', {
      title: 'Leave the bruised guard petals on until it is used',
      reason: 'They keep the good ones whole; they come off at the making.',
      because: 'state',
      doneWord: 'Left on',
    }),
  ];
}

const kept = (title: string, reason: string, doneWord: string): ProtocolStep =>
  step('move', { title, reason, because: 'state', doneWord });

/** Where it is kept, where what was found decides it; null where the species does. */
export function keepFor({ species, flaws = [] }: LotState): ProtocolStep | null {
  const warm = (species.chillBelowC ?? 0) > 4 ? 'the tropical shelf' : 'the bench';
  if (flaws.includes('chilled'))
    return kept(
      `To ${warm}, out of draughts: look again tomorrow`,
      'Chilling shows late: dark, glassy spots come a day or two after.',
      'Kept warm',
    );
  if (flaws.includes('blown'))
    return kept(
      'To the shop floor, to sell today',
      'Fully open has little left to give: today’s flower.',
      'On the floor',
    );
  if (flaws.includes('too-tight'))
    return kept(
      'To the shop floor, in light and warmth, to open',
      'Too tight to open in the cold: warmth and light bring it on, if anything does.',
      'Set to open',
    );
  return null;
}
