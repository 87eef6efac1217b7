import type { LookOutcome } from '../core/protocol/aftercare';
import type { StepKind } from '../core/steps/steps';
import { readStoredStep } from '../core/protocol/stored-step';
import type { ProtocolStep } from '../core/protocol/types';
import { isLocked, type Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';
import { withInstructions } from './instructions';

export type StepStatus = 'waiting' | 'running' | 'done' | 'skipped';

export interface StepRow {
  readonly id: string;
  readonly portionId: string;
  readonly planNo: number;
  readonly position: number;
  readonly kind: StepKind;
  readonly step: ProtocolStep;
  readonly status: StepStatus;
  readonly startedAt: Date | null;
  readonly dueAt: Date | null;
  readonly endedAt: Date | null;
  /** What was really used where it differed; null where it was as planned. */
  readonly used: Readonly<Record<string, number>> | null;
  readonly outcome: LookOutcome | null;
  /** Whose hands did it or began it. */
  readonly handsId: string | null;
}

const OWN_COLUMNS = {
  id: 's.id',
  portionId: 's.portion_id',
  planNo: 's.plan_no',
  position: 's.position',
  kind: 's.kind',
  status: 's.status',
  startedAt: 's.started_at',
  dueAt: 's.due_at',
  endedAt: 's.ended_at',
  used: 's.used',
  outcome: 's.outcome',
  handsId: 's.hands_id',
};
const COLUMNS = { ...OWN_COLUMNS, step: 's.step' };
type Stored = Omit<StepRow, 'step'> & { readonly step: unknown };
const parsed = (row: Stored): StepRow => ({ ...row, step: readStoredStep(row.step) });

const inForce = (trx: Trx) =>
  trx('protocol_step as s')
    .join('portion as o', (on) => on.on('o.id', 's.portion_id').andOn('o.plan_no', 's.plan_no'))
    .whereRaw('o.stems > 0');

/** Steps of the plans in force of every portion with stems, in order. */
export async function manyStepsInForce(trx: Trx): Promise<StepRow[]> {
  const rows: Omit<StepRow, 'step'>[] = await inForce(trx)
    .orderBy(['s.portion_id', 's.position'])
    .select(OWN_COLUMNS);
  return withInstructions(trx, rows);
}

/** What of a step says how far a portion has come. */
export type StepState = Pick<StepRow, 'portionId' | 'kind' | 'status'>;

/** How far the plans in force have come, of every portion with stems: no words, no instructions. */
export async function manyStepStates(trx: Trx): Promise<StepState[]> {
  return inForce(trx)
    .orderBy(['s.portion_id', 's.position'])
    .select({ portionId: 's.portion_id', kind: 's.kind', status: 's.status' }) as Promise<StepState[]>;
}

/** Steps whose clock runs, of portions with stems. */
export async function manyRunningSteps(trx: Trx): Promise<StepRow[]> {
  const rows: Stored[] = await inForce(trx)
    .whereRaw("s.status = 'running' and s.is_live")
    .orderBy(['s.due_at', 's.id'])
    .select(COLUMNS);
  return rows.map(parsed);
}

export async function manyStepsOfPortion(trx: Trx, portionId: string, planNo: number): Promise<StepRow[]> {
  const rows: Stored[] = await trx('protocol_step as s')
    .where({ portion_id: portionId, plan_no: planNo })
    .orderBy('position')
    .select(COLUMNS);
  return rows.map(parsed);
}

/**
 * The step, its row locked until the transaction ends.
 * @throws RefusedError when it is not there or a newer plan has taken its place
 */
export async function oneStepForUpdate(trx: Trx, id: string): Promise<StepRow> {
  const row = (await isLocked(trx, 'protocol_step', id))
    ? await trx('protocol_step as s').where('s.id', id).first<Stored | undefined>(COLUMNS)
    : undefined;
  const portion =
    row &&
    (await trx('portion').where({ id: row.portionId }).first<{ plan_no: number } | undefined>('plan_no'));
  if (!row || portion?.plan_no !== row.planNo)
    throw new RefusedError(
      'That step belongs to an older plan of this lot. Nothing was changed; the newer plan is on the bench.',
    );
  return parsed(row);
}

export async function changeStep(
  trx: Trx,
  id: string,
  changes: Readonly<Record<string, unknown>>,
): Promise<void> {
  await trx('protocol_step')
    .where({ id })
    .update({ ...changes, version: trx.raw('version + 1') });
}

/** What a step had come to, for carrying over to a newer plan or for taking a tap back. */
export function stepStateOf(
  row: Pick<StepRow, 'status' | 'startedAt' | 'dueAt' | 'endedAt' | 'used' | 'outcome' | 'handsId'>,
): Record<string, unknown> {
  return {
    status: row.status,
    started_at: row.startedAt,
    due_at: row.dueAt,
    ended_at: row.endedAt,
    used: row.used && JSON.stringify(row.used),
    outcome: row.outcome,
    hands_id: row.handsId,
  };
}

/** A number no plan of the portion has had, those gone back from included. */
export async function nextPlanNo(trx: Trx, portionId: string): Promise<number> {
  const [row] = await trx('protocol_step')
    .where({ portion_id: portionId })
    .max<{ max: number | null }[]>({ max: 'plan_no' });
  return (row?.max ?? 0) + 1;
}

/** Lays a plan for a portion, each step in the state of the older plan's step it carries over. */
export async function insertPlan(
  trx: Trx,
  shopId: string,
  portionId: string,
  planNo: number,
  plan: readonly ProtocolStep[],
  carried: readonly (StepRow | undefined)[] = [],
): Promise<void> {
  const rows = plan.map((step, position) => {
    const older = carried[position];
    return {
      id: newId(),
      shop_id: shopId,
      portion_id: portionId,
      plan_no: planNo,
      position,
      kind: step.kind,
      step: JSON.stringify(step),
      ...(older ? stepStateOf(older) : { status: 'waiting' }),
    };
  });
  await trx.batchInsert('protocol_step', rows, 200);
}

/** So many plans are written out at once: others are answered between. */
const PLANS_AT_ONCE = 60;

/** Lays the first plans of many lots together: a delivery of hundreds is booked in a few statements. */
export async function insertFirstPlans(
  trx: Trx,
  shopId: string,
  plans: readonly { readonly portionId: string; readonly plan: readonly ProtocolStep[] }[],
): Promise<void> {
  for (let at = 0; at < plans.length; at += PLANS_AT_ONCE) {
    const rows = plans.slice(at, at + PLANS_AT_ONCE).flatMap(({ portionId, plan }) =>
      plan.map((step, position) => ({
        id: newId(),
        portion_id: portionId,
        position,
        kind: step.kind,
        step,
      })),
    );
    // One parameter for all rows: a placeholder for each value would take seconds to write out.
    await trx.raw(
      `insert into protocol_step (id, shop_id, portion_id, plan_no, position, kind, step, status)
       select id, ?::uuid, portion_id, 1, position, kind, step, 'waiting'
       from jsonb_to_recordset(?::jsonb) as r(id uuid, portion_id uuid, position int, kind text, step jsonb)`,
      [shopId, JSON.stringify(rows)],
    );
  }
}

/**
 * A newer plan of a portion: the one in force as it stands, with other steps put in after one of them.
 * The older plan stays as it was, so that going back to it takes nothing away.
 * @returns the newer plan's number
 */
export async function insertBranch(
  trx: Trx,
  shopId: string,
  portionId: string,
  planNo: number,
  afterStepId: string | null,
  steps: readonly ProtocolStep[],
): Promise<number> {
  const current = await manyStepsOfPortion(trx, portionId, planNo);
  const newPlanNo = await nextPlanNo(trx, portionId);
  const at = current.findIndex((s) => s.id === afterStepId) + 1;
  const rows = [
    ...current.slice(0, at).map((s) => ({ step: s.step, state: stepStateOf(s) })),
    ...steps.map((step) => ({ step, state: { status: 'waiting' } })),
    ...current.slice(at).map((s) => ({ step: s.step, state: stepStateOf(s) })),
  ];
  await trx('portion').where({ id: portionId }).update({ plan_no: newPlanNo });
  await trx.batchInsert(
    'protocol_step',
    rows.map(({ step, state }, position) => ({
      id: newId(),
      shop_id: shopId,
      portion_id: portionId,
      plan_no: newPlanNo,
      position,
      kind: step.kind,
      step: JSON.stringify(step),
      ...state,
    })),
    200,
  );
  return newPlanNo;
}
