import { ordinaryProtocol, protocolOf, type Protocol } from './compose';
import { sameParams, type StepKind } from '../steps/steps';
import type { Change, LotState, ProtocolStep } from './types';
import { m, type Words } from '../words/message';
import type { Ways } from './ways';

/** One thing in which a lot's protocol is not its species' plain one. */
export interface Difference {
  readonly what: 'added' | 'changed' | 'left out';
  readonly kind: StepKind;
  /** As it stands now; null for what is left out. */
  readonly title: Words | null;
  /** As the plain one has it; null for what was added. */
  readonly plain: Words | null;
  readonly because: readonly Change[];
}

export interface Compared extends Protocol {
  readonly plain: readonly ProtocolStep[];
  readonly differences: readonly Difference[];
}

/** A step and its figures, as many as it has. */
function said({ title, figures }: ProtocolStep): Words {
  return figures.reduce<Words>(
    (before, { value, of }) => m('figure.and-figure', { before, value, of }),
    title,
  );
}

/** A lot's protocol, its species' plain one, and every difference between them with its reason. */
export function comparedWithOrdinary(lot: LotState, ways: Ways): Compared {
  const mine = protocolOf(lot, ways);
  const { steps: plain } = ordinaryProtocol(lot.species);
  const left = [...plain];
  const differences: Difference[] = mine.steps.flatMap((step): Difference[] => {
    const same = left.findIndex(
      (p) =>
        step.isPlain && p.kind === step.kind && (step.kind !== 'wrap' || sameParams(p.params, step.params)),
    );
    const [twin] = same >= 0 ? left.splice(same, 1) : [];
    if (!twin)
      return [{ what: 'added', kind: step.kind, title: said(step), plain: null, because: step.changes }];
    if (step.changes.length === 0) return [];
    return [
      { what: 'changed', kind: step.kind, title: said(step), plain: said(twin), because: step.changes },
    ];
  });
  const gone = left.map((step): Difference => ({
    what: 'left out',
    kind: step.kind,
    title: null,
    plain: said(step),
    because: mine.leftOut.filter((l) => l.kind === step.kind).map((l) => l.change),
  }));
  return { ...mine, plain, differences: [...differences, ...gone] };
}
