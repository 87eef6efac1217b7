import type { StepKind, StepParams } from '../steps/steps';
import type { Words } from '../words/message';
import type { Draft } from './render';
import type { Change } from './types';

/** A step the plain protocol has and this one has not. */
export interface LeftOut {
  readonly kind: StepKind;
  readonly change: Change;
}

/** A protocol as it is being composed. */
export interface DraftProtocol {
  readonly steps: readonly Draft[];
  readonly leftOut: readonly LeftOut[];
}

export const hasKind = (soFar: DraftProtocol, kind: StepKind): boolean =>
  soFar.steps.some((d) => d.params.kind === kind);

/** A step the species itself asks for. */
export function asked(params: StepParams, reason: Words, extra: Partial<Draft> = {}): Draft {
  return { params, reason, changes: [], because: 'species', ...extra };
}

/** A step that something about this lot or this house put there. */
export function added(change: Change, params: StepParams, extra: Partial<Draft> = {}): Draft {
  return { params, reason: change.says, changes: [change], because: change.because, ...extra };
}

/** The kind's steps with other parameters; those that have them already are left as they are. */
export function changed(
  soFar: DraftProtocol,
  kind: StepKind,
  change: Change,
  params: Readonly<Record<string, unknown>>,
): DraftProtocol {
  const steps = soFar.steps.map((d): Draft => {
    if (d.params.kind !== kind) return d;
    const has = d.params as Readonly<Record<string, unknown>>;
    if (Object.entries(params).every(([key, value]) => has[key] === value)) return d;
    return { ...d, params: { ...d.params, ...params }, changes: [...d.changes, change] };
  });
  return { ...soFar, steps };
}

/** Without the kind's steps, telling why; nothing is told of a kind that was not there. */
export function without(soFar: DraftProtocol, kind: StepKind, change: Change): DraftProtocol {
  if (!hasKind(soFar, kind)) return soFar;
  return {
    steps: soFar.steps.filter((d) => d.params.kind !== kind),
    leftOut: [...soFar.leftOut, { kind, change }],
  };
}

/** The drafts put before the first step of one of the kinds; at the end where there is none. */
export function before(
  soFar: DraftProtocol,
  kinds: readonly StepKind[],
  ...drafts: readonly Draft[]
): DraftProtocol {
  const at = soFar.steps.findIndex((d) => kinds.includes(d.params.kind));
  const where = at < 0 ? soFar.steps.length : at;
  return { ...soFar, steps: [...soFar.steps.slice(0, where), ...drafts, ...soFar.steps.slice(where)] };
}

/** The drafts put after the first step of the kind; at the start where there is none. */
export function after(soFar: DraftProtocol, kind: StepKind, ...drafts: readonly Draft[]): DraftProtocol {
  const where = soFar.steps.findIndex((d) => d.params.kind === kind) + 1;
  return { ...soFar, steps: [...soFar.steps.slice(0, where), ...drafts, ...soFar.steps.slice(where)] };
}

/** The kind's steps as they are, with a reason of their own for this lot. */
export function noted(soFar: DraftProtocol, kind: StepKind, change: Change): DraftProtocol {
  const steps = soFar.steps.map((d) =>
    d.params.kind === kind ? { ...d, changes: [...d.changes, change] } : d,
  );
  return { ...soFar, steps };
}
