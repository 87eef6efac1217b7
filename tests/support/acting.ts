import type { Role } from '@/core/actions/contract';
import { SHIPPED_SPECIES } from '@/core/species/registry';
import { isLanguage } from '@/core/words/catalogues';
import { randomUUID } from 'node:crypto';
import { HANDLERS } from '@/app/actions/handlers';
import type { ActionName, InputOf } from '@/core/actions/actions';
import type { Question } from '@/core/actions/contract';
import { manyPails } from '@/data/pails';
import { manyPortionsOfLot, type PortionRow } from '@/data/portions';
import { manyNewestEntries, type Entry } from '@/data/record';
import { manyStepsOfPortion, type StepRow } from '@/data/steps';
import { runAction } from '@/server/run-action';
import type { Outcome } from '@/shell/outcome';
import type { TestShop } from './database';
import { stage } from './stage';

/** How a tap is sent, where it is not the usual way. */
export interface Sending {
  readonly key?: string;
  readonly tappedAt?: number | null;
  readonly sure?: readonly Question[];
}

/** Everything that may be asked, answered with yes. */
export const SURE: readonly Question[] = ['out of order', 'early', 'crowded', 'handed over', 'kept'];

/** Does an action as a tablet sends it: checked, locked, once for its key. */
export function act<N extends ActionName>(
  name: N,
  body: InputOf<N>,
  sending: Sending = {},
): Promise<Outcome> {
  return send(name, body, sending);
}

/** The same for a body that no page of ours would send. */
export function send(name: ActionName, body: unknown, sending: Sending = {}): Promise<Outcome> {
  const { key = randomUUID(), tappedAt = null, sure = [] } = sending;
  return runAction(HANDLERS, name, { key, body, tappedAt, sure });
}

/** The words it is answered with; "done" where it was. */
export async function does<N extends ActionName>(
  name: N,
  body: InputOf<N>,
  sending: Sending = {},
): Promise<string> {
  const outcome = await act(name, body, sending);
  return outcome.ok ? 'done' : outcome.message;
}

const shop = (): TestShop => {
  if (!stage.shop) throw new Error('nobody has set the stage');
  return stage.shop;
};

/** Signs somebody of the demo shop in. */
export async function be(name: string): Promise<void> {
  const person = await shop()
    .owner('person')
    .where({ name })
    .first<{ id: string; role: Role; language: string }>('id', 'role', 'language');
  stage.me = {
    personId: person.id,
    name,
    role: person.role,
    language: isLanguage(person.language) ? person.language : 'en',
    species: SHIPPED_SPECIES,
  };
}

export const later = (minutes: number): void => {
  stage.at = new Date(stage.at.getTime() + minutes * 60_000);
};

/** Portions of a lot that have stems, by number. */
export const portionsOf = (lotId: string): Promise<PortionRow[]> =>
  shop().inside((trx) => manyPortionsOfLot(trx, lotId));

export async function portionOf(lotId: string): Promise<PortionRow> {
  const [first] = await portionsOf(lotId);
  if (!first) throw new Error('the lot is used up');
  return first;
}

export const stepsOf = (portion: PortionRow): Promise<StepRow[]> =>
  shop().inside((trx) => manyStepsOfPortion(trx, portion.id, portion.planNo));

export async function portionById(portionId: string): Promise<PortionRow> {
  const row = await shop().owner('portion').where({ id: portionId }).first<{ lot_id: string }>('lot_id');
  const found = (await portionsOf(row.lot_id)).find((p) => p.id === portionId);
  if (!found) throw new Error('the portion is used up');
  return found;
}

/** The step a portion is at. */
export async function openStep(portionId: string): Promise<StepRow> {
  const steps = await stepsOf(await portionById(portionId));
  const open = steps.find((s) => s.status === 'waiting' || s.status === 'running');
  if (!open) throw new Error('all its steps are done');
  return open;
}

export const pailsIn = async (state: string): Promise<{ id: string; name: string }[]> =>
  (await shop().inside((trx) => manyPails(trx))).filter((p) => p.state === state);

export async function cleanPail(): Promise<string> {
  const [pail] = await pailsIn('sanitised');
  if (!pail) throw new Error('no pail stands clean');
  return pail.id;
}

/** Taps a portion's steps through, as the card suggests, until one of the kind is open. */
export async function until(portionId: string, kind: string): Promise<StepRow> {
  for (let i = 0; i < 20; i++) {
    const step = await openStep(portionId);
    if (step.kind === kind) return step;
    const isWait = step.step.waitSeconds > 0 && step.status === 'waiting';
    const pails = step.step.pail && step.status === 'waiting' ? [{ pailId: await cleanPail() }] : [];
    const done = await act(
      'bench/tap',
      { stepId: step.id, to: isWait ? 'running' : 'done', pails },
      { sure: SURE },
    );
    if (!done.ok) throw new Error(done.message);
  }
  throw new Error(`no ${kind}`);
}

/** A lot of that kind, as if its note had said so, with the plan that is its own. */
export async function bookOf(speciesKey: string, stems = 20): Promise<PortionRow> {
  await be('Wen');
  const lotId = await shop().bookLot(stems);
  await shop().owner('lot').where({ id: lotId }).update({ species_key: speciesKey });
  const { id } = await portionOf(lotId);
  await act('bench/purpose', { portionId: id, purpose: 'hold' });
  await act('bench/purpose', { portionId: id, purpose: 'usual' });
  return portionById(id);
}

/** The newest entry that stands, and corrects none. */
export async function lastEntry(): Promise<Entry> {
  const entries = await shop().inside((trx) => manyNewestEntries(trx, 60));
  const standing = entries.find((e) => e.corrects === null && !e.corrected);
  if (!standing) throw new Error('the record is empty');
  return standing;
}

/** Takes the last thing back, as the key does; answers what it was answered. */
export async function takeBackLast(sure: readonly Question[] = []): Promise<string> {
  return does('desk/take-back', { entryId: (await lastEntry()).id }, { sure });
}
