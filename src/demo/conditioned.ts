import { SHIPPED_SPECIES } from '../core/species/registry';
import { isTropical } from '../core/species/traits';
import type { Trx } from '../data/connection';
import { newId } from '../data/ids';
import { changeLot } from '../data/lots';
import { fillPail, onePailForUpdate } from '../data/pails';
import { manyPortionsOfLot } from '../data/portions';
import { writeEntry, type Action } from '../data/record';
import { moveStay } from '../data/stays';
import { changeStep, type StepRow } from '../data/steps';

const LITRES = 4;

/** A lot that somebody worked through. */
export interface Conditioned {
  readonly lotId: string;
  readonly speciesKey: string;
  readonly pailId: string;
  /** Rooms by kind. */
  readonly rooms: ReadonlyMap<string, string>;
  /** Where it was put then; by its species where it is not told. */
  readonly roomKind?: string;
  /** Its drink is not over: its clock ends then. */
  readonly drinksUntil?: Date;
}

/** How far each step has come: done, but for the drink that lasts and the change of water that is to come. */
function statesOf(
  steps: readonly Pick<StepRow, 'id' | 'kind' | 'step'>[],
  at: Date,
  now: Date,
  drinksUntil: Date | undefined,
): [id: string, Record<string, unknown>][] {
  const drinkAt = steps.findIndex((s) => s.kind === 'drink');
  return steps.map((step, i) => {
    const due = new Date(at.getTime() + step.step.waitSeconds * 1000);
    if (drinksUntil && i > drinkAt) return [step.id, {}];
    if (drinksUntil && i === drinkAt)
      return [step.id, { status: 'running', started_at: at, due_at: drinksUntil }];
    // The next change of water runs on; what was due while nobody counted is not held against the demo.
    const runs = step.kind === 'recut' && due > now;
    return [
      step.id,
      runs
        ? { status: 'running', started_at: at, due_at: due }
        : { status: 'done', started_at: at, ended_at: at },
    ];
  });
}

/** Stands a lot in its pail with its protocol behind it; false where its protocol has no drink. */
export async function condition(trx: Trx, action: Action, lot: Conditioned, now: Date): Promise<boolean> {
  const species = SHIPPED_SPECIES.find(lot.speciesKey);
  const [portion] = await manyPortionsOfLot(trx, lot.lotId);
  if (!portion) return false;
  const steps = await trx('protocol_step')
    .where({ portion_id: portion.id, plan_no: 1 })
    .orderBy('position')
    .select<Pick<StepRow, 'id' | 'kind' | 'step'>[]>('id', 'kind', 'step');
  const wish = steps.find((s) => s.kind === 'drink')?.step.pail;
  if (!wish) return false;
  const pail = await onePailForUpdate(trx, lot.pailId);
  const filling = { ...wish, alone: false, litres: LITRES, overrideReason: null };
  const fillId = await fillPail(trx, action.shopId, pail, filling, action.at);
  for (const [id, state] of statesOf(steps, action.at, now, lot.drinksUntil))
    if (Object.keys(state).length > 0) await changeStep(trx, id, state);
  const kind = lot.roomKind ?? (species && isTropical(species) ? 'warm' : 'cold');
  const roomId = lot.rooms.get(kind) ?? portion.roomId;
  await moveStay(trx, action.shopId, 'portion_id', portion.id, { roomId, wet: true, fillId }, action.at);
  await moveStay(trx, action.shopId, 'pail_id', pail.id, { roomId }, action.at);
  await changeLot(trx, lot.lotId, { looked_at: action.at });
  await writeEntry(
    trx,
    { ...action, actionKey: newId() },
    {
      kind: 'processed',
      subjectKind: 'lot',
      subjectId: lot.lotId,
      says: {
        message: 'record.processed',
        with: {
          species: { species: lot.speciesKey, name: species?.name ?? lot.speciesKey },
          pail: pail.name,
        },
      },
      detail: {},
    },
  );
  return true;
}
