import type { FirstGuess } from '../dock/first-guess';
import { SHIPPED } from '../model/figures';

/**
 * What a lot that stands in the shop's water already is, from what its journey would have left behind: it
 * was cut and has drunk, and nothing of receiving is asked of it any more but which pail it stands in.
 */
export function conditioned(guess: FirstGuess): FirstGuess {
  const { cutClearsAir } = SHIPPED.constants;
  const plan = guess.plan.filter((step) => step.kind === 'drink');
  return { ...guess, droop: 'firm', airShare: guess.airShare * (1 - cutClearsAir), plan };
}
