import 'server-only';
import * as v from 'valibot';
import { DEPTH_CM } from '@/core/protocol/figures';
import { SOLUTION_KEYS, SOLUTIONS } from '@/core/water/solutions';
import { RefusedError } from '@/data/errors';
import { changePail, emptyPail, fillPail, manyLotsByFill, onePailForUpdate } from '@/data/pails';
import { writeEntry } from '@/data/record';
import { actionKind } from '@/server/actions';

const id = v.pipe(v.string(), v.uuid());

const WASH = {
  scrubbed: 'Scrubbed',
  contact: 'In the solution',
  sanitised: 'Sanitised, upside down',
} as const;
const CONTACT_MS = 10 * 60_000;
const MAY_FOLLOW: Record<string, readonly string[]> = {
  scrubbed: ['dirty'],
  contact: ['scrubbed'],
  sanitised: ['contact'],
};

const wash = actionKind(
  v.object({ pailId: id, to: v.picklist(['scrubbed', 'contact', 'sanitised']) }),
  async ({ trx, action }, { pailId, to }) => {
    const pail = await onePailForUpdate(trx, pailId);
    if (!MAY_FOLLOW[to]?.includes(pail.state))
      throw new RefusedError(
        `Pail ${pail.name} is ${pail.state} now, so that step is not its next. Nothing was changed.`,
      );
    if (
      to === 'sanitised' &&
      pail.contactUntil &&
      action.at < pail.contactUntil &&
      pail.contactUntil.getTime() - action.at.getTime() > CONTACT_MS / 2
    )
      throw new RefusedError(
        `Pail ${pail.name} has stood under five minutes in the solution. Nothing was changed; wait for its clock.`,
      );
    await changePail(trx, pailId, {
      state: to,
      contact_until: to === 'contact' ? new Date(action.at.getTime() + CONTACT_MS) : null,
      ...(to === 'sanitised' ? { sanitised_at: action.at } : {}),
    });
    await writeEntry(trx, action, {
      kind: 'wash',
      subjectKind: 'pail',
      subjectId: pailId,
      words: `Pail ${pail.name}: ${WASH[to].toLowerCase()}`,
      detail: {
        pailWas: { state: pail.state, contact_until: pail.contactUntil, sanitised_at: pail.sanitisedAt },
      },
    });
  },
);

const fill = actionKind(
  v.object({
    pailId: id,
    litres: v.pipe(
      v.number('must be a number'),
      v.minValue(0.2, 'must be 0.2 L or more'),
      v.maxValue(100, 'must be 100 L or less'),
    ),
    solution: v.picklist(SOLUTION_KEYS),
    tempC: v.pipe(v.number('must be a number'), v.minValue(1), v.maxValue(60)),
    depth: v.picklist(Object.keys(DEPTH_CM) as (keyof typeof DEPTH_CM)[]),
    overrideReason: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(200))),
  }),
  async ({ trx, action }, { pailId, overrideReason, ...filling }) => {
    const pail = await onePailForUpdate(trx, pailId);
    const fillId = await fillPail(
      trx,
      action.shopId,
      pail,
      { ...filling, alone: false, overrideReason: overrideReason || null },
      action.at,
    );
    await writeEntry(trx, action, {
      kind: 'fill',
      subjectKind: 'pail',
      subjectId: pailId,
      words: `Pail ${pail.name}: ${filling.litres} L, ${SOLUTIONS[filling.solution].name.toLowerCase()}, ${filling.tempC} °C${overrideReason ? `. Not sanitised: ${overrideReason}` : ''}`,
      detail: { fillId, pailWas: { state: pail.state, contact_until: pail.contactUntil } },
    });
  },
);

const tipOut = actionKind(v.object({ pailId: id }), async ({ trx, action }, { pailId }) => {
  const pail = await onePailForUpdate(trx, pailId);
  const standing = (await manyLotsByFill(trx)).filter((l) => l.fillId === pail.fillId);
  if (standing.length > 0)
    throw new RefusedError(
      `Lot ${standing.map((l) => l.number).join(', ')} still stands in pail ${pail.name}. Nothing was tipped out; turn it over into a clean pail first.`,
    );
  await emptyPail(trx, pail, action.at);
  await writeEntry(trx, action, {
    kind: 'tip-out',
    subjectKind: 'pail',
    subjectId: pailId,
    words: `Pail ${pail.name}: tipped out`,
  });
});

const turnOver = actionKind(
  v.object({ pailId: id, toPailId: id }),
  async ({ trx, action }, { pailId, toPailId }) => {
    const [first, second] = [pailId, toPailId].sort();
    // Always in the same order, so that two people turning pails over cannot block each other.
    await onePailForUpdate(trx, first ?? pailId);
    await onePailForUpdate(trx, second ?? toPailId);
    const [from, to] = [await onePailForUpdate(trx, pailId), await onePailForUpdate(trx, toPailId)];
    if (!from.fillId || !from.solution || !from.depth)
      throw new RefusedError(`Pail ${from.name} has no water in it. Nothing was changed.`);
    const litres = Math.min(from.litres ?? 4, to.sizeL);
    const fillId = await fillPail(
      trx,
      action.shopId,
      to,
      {
        solution: from.solution as never,
        depth: from.depth as never,
        tempC: 12,
        litres,
        alone: from.alone ?? false,
        overrideReason: null,
      },
      action.at,
    );
    await trx('lot')
      .where({ fill_id: from.fillId })
      .update({ fill_id: fillId, version: trx.raw('version + 1') });
    await emptyPail(trx, from, action.at);
    await writeEntry(trx, action, {
      kind: 'turn-over',
      subjectKind: 'pail',
      subjectId: pailId,
      words: `Turned pail ${from.name} over into pail ${to.name}, ${litres} L fresh`,
    });
  },
);

export const pailActions = { wash, fill, 'tip-out': tipOut, 'turn-over': turnOver };
