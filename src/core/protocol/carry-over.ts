import { sameParams, type StepParams } from '../steps/steps';

interface Planned {
  readonly params: StepParams;
}

/**
 * Which step of an older plan each step of a newer one takes its state from, so that what was done
 * stays done: the very step with the same parameters first, since two of one kind do not take each
 * other's state, then one of its kind. None is taken twice.
 * @param older those that were begun, done or left out
 */
export function carriedOver<T>(
  plan: readonly Planned[],
  older: readonly T[],
  paramsOf: (of: T) => StepParams,
): readonly (T | undefined)[] {
  const left = [...older];
  const take = (fits: (params: StepParams) => boolean): T | undefined => {
    const at = left.findIndex((o) => fits(paramsOf(o)));
    return at >= 0 ? left.splice(at, 1)[0] : undefined;
  };
  const same = plan.map(({ params }) => take((of) => sameParams(of, params)));
  return plan.map(({ params }, at) => same[at] ?? take((of) => of.kind === params.kind));
}
