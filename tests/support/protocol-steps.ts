import { composeProtocol } from '@/core/protocol/compose';
import type { Schools } from '@/core/protocol/schools';
import type { LotState, ProtocolStep, StepKind } from '@/core/protocol/types';
import { DEFAULT_WAYS, type Ways } from '@/core/protocol/ways';
import type { ParamsOf } from '@/core/steps/steps';
import { SHIPPED_SPECIES } from '@/core/species/registry';
import { soundLot } from './lot-state';

/** A lot of that species as it should come, changed where told. */
export const lotOfKey = (key: string, over: Partial<LotState> = {}): LotState =>
  soundLot(SHIPPED_SPECIES.byKey(key), over);

/** A shop's ways that are the defaults but for what is told. */
export const ways = (over: Partial<Ways>): Ways => ({ ...DEFAULT_WAYS, ...over });

/** A house that answers these questions so, and every other as we do. */
export const house = (answers: Schools['house'], exceptions: Schools['exceptions'] = {}): Ways =>
  ways({ schools: { house: answers, exceptions } });

export const stepsOf = (key: string, way?: Ways, over?: Partial<LotState>): readonly ProtocolStep[] =>
  composeProtocol(lotOfKey(key, over), way);

/** Kinds of its steps, in their order. */
export const kindsOf = (key: string, way?: Ways, over?: Partial<LotState>): StepKind[] =>
  stepsOf(key, way, over).map((s) => s.kind);

/** What its step of that kind is done with; undefined where it has none. */
export function paramsOf<K extends StepKind>(
  key: string,
  kind: K,
  way?: Ways,
  over?: Partial<LotState>,
): ParamsOf<K> | undefined {
  const params = stepsOf(key, way, over).find((s) => s.kind === kind)?.params;
  return params?.kind === kind ? (params as ParamsOf<K>) : undefined;
}
