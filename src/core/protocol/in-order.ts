import type { Species } from '../species/species';
import { stepOf, type StepKind, type StepParams } from '../steps/steps';
import { m, type Words } from '../words/message';

/** A step of a lot's plan and what has come of it. */
export interface StepState {
  readonly kind: StepKind;
  readonly params: StepParams;
  readonly status: 'waiting' | 'running' | 'done' | 'skipped';
}

/** Why a step should not be done yet; `stop` is a rule, `warn` leaves it to whoever stands there. */
export interface OutOfOrder {
  readonly level: 'warn' | 'stop';
  readonly says: Words;
}

const isOpen = (s: StepState | undefined): boolean => s?.status === 'waiting' || s?.status === 'running';

/** Whether the sap of a lot is shut in: soaked, or for milk dabbed dry, since its last cut. */
export function isSealed(species: Pick<Species, 'sap'>, steps: readonly StepState[]): boolean {
  if (species.sap === 'none') return true;
  const cuts = (s: StepState): boolean =>
    s.status === 'done' && (s.kind === 'cut' || (s.params.kind === 'recut' && s.params.cm > 0));
  const since = steps.slice(steps.findLastIndex(cuts) + 1);
  const seals: readonly StepKind[] = species.sap === 'latex' ? ['sap-soak', 'sap-dab'] : ['sap-soak'];
  return since.some((s) => s.status === 'done' && seals.includes(s.kind));
}

/** What is wrong with doing the step at that place now; null when nothing is. */
export function outOfOrder(
  species: Pick<Species, 'sap'>,
  steps: readonly StepState[],
  at: number,
): OutOfOrder | null {
  const step = steps[at];
  if (!step) return null;
  if (step.kind === 'drink' && steps.some((s, i) => i !== at && s.kind === 'sap-soak' && isOpen(s)))
    return { level: 'stop', says: m('order.its-sap-still-runs-it-soaks-apart') };
  if (
    step.kind === 'cut' &&
    species.sap === 'mucilage' &&
    steps.some((s) => s.kind === 'sap-soak' && s.status !== 'waiting')
  )
    return { level: 'warn', says: m('order.it-has-soaked-a-cut-opens-the') };
  const wants = stepOf(step.kind).follows.find(({ kind }) =>
    steps.slice(0, at).some((s) => s.kind === kind && isOpen(s)),
  );
  return wants ? { level: 'warn', says: wants.says } : null;
}
