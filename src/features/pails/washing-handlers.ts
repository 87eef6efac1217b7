import 'server-only';
import type { pailActions } from '@/core/actions/pails';
import { MINUTE_MS } from '@/core/calendar/spans';
import { washDose, type Sanitiser } from '@/core/sanitising/sanitiser';
import { relayJob } from '@/core/sanitising/relay-job';
import { demandOf, learntDemand, withStrip } from '@/core/sanitising/strip';
import { hasStoodTooLong } from '@/core/hygiene/ready';
import { m } from '@/core/words/message';
import type { Trx } from '@/data/connection';
import { RefusedError } from '@/data/errors';
import { changePail, manyPails, onePailForUpdate, type PailRow, type PailState } from '@/data/pails';
import { writeEntry, type Action } from '@/data/record';
import {
  beginRelay,
  endRelay,
  insertStrip,
  manyStripMeans,
  maybeOpenRelay,
  setRelayJob,
  type OpenRelay,
} from '@/data/sanitising';
import { inZone } from '@/server/clock';
import type { ActionContext, Handlers } from '@/server/handler';
import { houseOf } from '@/server/house';
import { sanitiserOf } from '@/server/sanitiser';

type WashingAction = Extract<
  keyof typeof pailActions,
  'pails/wash' | 'pails/wash-many' | 'pails/relay-begin' | 'pails/relay-end' | 'pails/strip'
>;

const MAY_FOLLOW = {
  scrubbed: ['dirty'],
  contact: ['scrubbed'],
  sanitised: ['contact'],
} as const satisfies Readonly<Record<string, readonly PailState[]>>;
const TO_WASH: readonly PailState[] = ['dirty', 'scrubbed', 'contact'];

type Washed = keyof typeof MAY_FOLLOW;

/** What stood clean longer than the house lets it goes into the solution again as it is. */
async function goesInAgain(trx: Trx, pail: PailRow, to: Washed, at: Date): Promise<boolean> {
  if (to !== 'contact' || pail.state !== 'sanitised') return false;
  return hasStoodTooLong(pail.sanitisedAt, at, (await houseOf(trx)).readyDays);
}

/** When a pail in the solution may come out, and when it came out. */
const clocksOf = (to: Washed, at: Date, contactMin: number) => ({
  contact_until: to === 'contact' ? new Date(at.getTime() + contactMin * MINUTE_MS) : null,
  ...(to === 'sanitised' ? { sanitised_at: at } : {}),
});

/** One pail goes on to its next state, by the shop's own contact time. */
async function washOne(
  { trx, action, me }: ActionContext,
  sanitiser: Sanitiser,
  pailId: string,
  to: Washed,
): Promise<void> {
  const pail = await onePailForUpdate(trx, pailId);
  const isAgain = await goesInAgain(trx, pail, to, action.at);
  if (!isAgain && !(MAY_FOLLOW[to] as readonly PailState[]).includes(pail.state))
    throw new RefusedError(
      `Pail ${pail.name} is ${pail.state} now, so that step is not its next. Nothing was changed.`,
    );
  const { contactMin } = sanitiser;
  const { date } = inZone(action.at, me.shop.timeZone);
  const dose = to === 'contact' ? washDose(sanitiser, pail.sizeL, date) : null;
  const leftMs = (pail.contactUntil?.getTime() ?? 0) - action.at.getTime();
  if (to === 'sanitised' && leftMs > (contactMin * MINUTE_MS) / 2)
    throw new RefusedError(
      `Pail ${pail.name} has not stood half its time in the solution. Nothing was changed; wait for its clock.`,
    );
  await changePail(trx, pailId, {
    state: to,
    ...clocksOf(to, action.at, contactMin),
    ...(isAgain ? { reserved_for: null } : {}),
  });
  await writeEntry(trx, action, {
    kind: 'wash',
    subjectKind: 'pail',
    subjectId: pail.id,
    says: m('record.wash', { pail: pail.name, wash: m(isAgain ? 'record.wash.again' : `record.wash.${to}`) }),
    detail: { from: pail.state, to, dose },
  });
}

async function enterRelayEnded(trx: Trx, action: Action, { id, job }: OpenRelay): Promise<void> {
  await writeEntry(trx, action, {
    kind: 'relay',
    subjectKind: 'house',
    subjectId: action.shopId,
    says: m('record.relay-ended'),
    detail: { relayId: id, pailIds: job.passes.flatMap((p) => p.pailIds) },
  });
}

/** A relay ends with the last of its pails upside down. */
async function endIfDone({ trx, action }: ActionContext): Promise<void> {
  const relay = await maybeOpenRelay(trx);
  if (!relay) return;
  const ids = relay.job.passes.flatMap((p) => p.pailIds);
  const isLeft = (await manyPails(trx)).some((p) => ids.includes(p.id) && TO_WASH.includes(p.state));
  if (!isLeft && (await endRelay(trx, relay.id, action.at))) await enterRelayEnded(trx, action, relay);
}

/** How pails are washed, one or many, and how a relay is run. */
export const washingHandlers: Handlers<WashingAction> = {
  'pails/wash': {
    work: async (context, { pailId, to }) => {
      await washOne(context, await sanitiserOf(context.trx), pailId, to);
      if (to === 'sanitised') await endIfDone(context);
      return null;
    },
  },
  'pails/wash-many': {
    work: async (context, { pailIds, to }) => {
      const sanitiser = await sanitiserOf(context.trx);
      for (const pailId of pailIds) await washOne(context, sanitiser, pailId, to);
      if (to === 'sanitised') await endIfDone(context);
      return null;
    },
  },
  'pails/relay-begin': {
    work: async ({ trx, action, me }, { pailIds, ...asked }) => {
      if (await maybeOpenRelay(trx))
        throw new RefusedError('A relay is being run already. Nothing was begun; end that one first.');
      const pails: PailRow[] = [];
      for (const pailId of pailIds) {
        const pail = await onePailForUpdate(trx, pailId);
        if (pail.state !== 'dirty' && pail.state !== 'scrubbed')
          throw new RefusedError(
            `Pail ${pail.name} is ${pail.state} now and not to be washed. Nothing was begun.`,
            'pailIds',
          );
        pails.push(pail);
      }
      const sanitiser = await sanitiserOf(trx);
      const job = relayJob({
        ...asked,
        pails: pails.map(({ id, sizeL }) => ({ id, litres: sizeL })),
        sanitiser,
        demand: demandOf(learntDemand(await manyStripMeans(trx))),
        today: inZone(action.at, me.shop.timeZone).date,
      });
      const relayId = await beginRelay(trx, action.shopId, action.personId, job, action.at);
      await writeEntry(trx, action, {
        kind: 'relay',
        subjectKind: 'house',
        subjectId: action.shopId,
        says: m('record.relay-begun', {
          n: pails.length,
          s: job.passes[0]?.pailIds.length ?? 0,
          ml: Math.round(job.stockMl),
          product: sanitiser.name,
          litres: job.litres,
        }),
        detail: { relayId, pailIds },
      });
      return { relayId };
    },
  },
  'pails/strip': {
    work: async ({ trx, action }, { relayId, pass, ppm }) => {
      const relay = await maybeOpenRelay(trx);
      if (relay?.id !== relayId)
        throw new RefusedError('That relay has ended already. Nothing was written down.', 'relayId');
      const read = withStrip(relay.job, pass, ppm, learntDemand(await manyStripMeans(trx)));
      if (!read || !relay.job.ways)
        throw new RefusedError(
          'That relay has no such pass to reckon on from. Nothing was written down.',
          'pass',
        );
      const { predictedPpm, demandMg, job } = read;
      const { dirt } = relay.job.ways;
      const strip = { relayId, pass, dirt, predictedPpm, readPpm: ppm, demandMg };
      if (!(await insertStrip(trx, action.shopId, action.personId, strip, action.at)))
        throw new RefusedError('That pass has its strip already. Nothing was written down twice.', 'pass');
      await setRelayJob(trx, relayId, job);
      await writeEntry(trx, action, {
        kind: 'strip',
        subjectKind: 'house',
        subjectId: action.shopId,
        says: m('record.strip', { read: ppm, pass: pass + 1, predicted: Math.round(predictedPpm) }),
        detail: { relayId, pass, readPpm: ppm, predictedPpm },
      });
      return null;
    },
  },
  'pails/relay-end': {
    work: async ({ trx, action }, { relayId }) => {
      const relay = await maybeOpenRelay(trx);
      if (relay?.id !== relayId || !(await endRelay(trx, relayId, action.at)))
        throw new RefusedError('That relay has ended already. Nothing was changed.', 'relayId');
      await enterRelayEnded(trx, action, relay);
      return null;
    },
  },
};
