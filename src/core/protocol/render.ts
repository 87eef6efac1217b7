import type { Species } from '../species/species';
import { m, type Words } from '../words/message';
import { saidOf, stepOf, type StepParams } from '../steps/steps';
import type { Because, Change, ProtocolStep } from './types';

/** A step as it is being composed: its parameters, why it is there, what has changed it. */
export interface Draft {
  readonly params: StepParams;
  readonly reason: Words;
  readonly changes: readonly Change[];
  readonly because: Because;
  /** Words of a shop's own, in the place of ours. */
  readonly title?: Words;
  readonly caution?: Words;
  readonly doneWord?: Words;
  readonly stems?: Words;
}

/** What a step is where its kind says nothing else. */
const UNSAID = {
  waitSeconds: 0,
  figures: [],
  stems: m('stems.all'),
  who: null,
  needs: [],
  risk: null,
  caution: null,
  pail: null,
} as const;

/** A step as the bench shows it, from its parameters. */
export function rendered(draft: Draft, species: Species, depthCm: number): ProtocolStep {
  const said = { ...UNSAID, ...saidOf(draft.params, species, depthCm) };
  const waitSeconds = Math.round(said.waitSeconds);
  const last = draft.changes.at(-1);
  const { isLook } = stepOf(draft.params.kind);
  return {
    kind: draft.params.kind,
    params: draft.params,
    isPlain: draft.changes[0]?.says !== draft.reason,
    mode: isLook ? 'look' : waitSeconds > 0 ? 'wait' : 'hands',
    title: draft.title ?? said.title,
    figures: said.figures,
    reason: last ? last.says : draft.reason,
    because: last ? last.because : draft.because,
    changes: draft.changes,
    stems: draft.stems ?? said.stems,
    who: said.who,
    needs: said.needs,
    risk: said.risk,
    doneWord: draft.doneWord ?? said.doneWord,
    caution: draft.caution ?? said.caution,
    waitSeconds,
    pail: said.pail,
  };
}
