import { standsMm } from '@/core/bench/pail-fit';
import { m } from '@/core/words/message';
import 'server-only';
import type { pailActions } from '@/core/actions/pails';
import { roomLeft } from '@/core/bench/pail-room';
import type { Depth } from '@/core/species/species';
import { solutionOf } from '@/core/water/solutions';
import { litresFor } from '@/core/water/pail-shape';
import { RefusedError } from '@/data/errors';
import { emptyPail, onePailForUpdate } from '@/data/pails';
import { lotLabel, manyPortionsInFill } from '@/data/portions';
import { writeEntry } from '@/data/record';
import { readingWords } from '@/core/water/seen-words';
import { oneTool } from '@/data/tools';
import { fillAndEnter, pourInto } from '@/server/fill-pail';
import { moveStay } from '@/data/stays';
import { askIfKept } from '@/server/ask-if-kept';
import type { Handlers } from '@/server/handler';
import { reserveHandler } from './reserve-handler';
import { washingHandlers } from './washing-handlers';

const FRESH_C = 12;

/** How what is done with pails is done. */
export const pailHandlers: Handlers<keyof typeof pailActions> = {
  ...washingHandlers,
  ...reserveHandler,
  'pails/fill': {
    work: async ({ trx, action, ask }, { pailId, overrideReason, ...filling }) => {
      const pail = await onePailForUpdate(trx, pailId);
      askIfKept(ask, pail);
      await fillAndEnter(trx, action, pail, {
        ...filling,
        alone: false,
        overrideReason: overrideReason || null,
      });
      return null;
    },
  },
  'pails/look': {
    work: async ({ trx, action }, { pailId, look }) => {
      const pail = await onePailForUpdate(trx, pailId);
      if (!pail.fillId)
        throw new RefusedError(`Pail ${pail.name} has no water in it. Nothing was noted.`, 'pailId');
      await writeEntry(trx, action, {
        kind: 'water-look',
        subjectKind: 'pail',
        subjectId: pail.id,
        says: m('record.water-look', { pail: pail.name, look: m(`water.look.${look}`) }),
        detail: { fillId: pail.fillId, look },
      });
      return null;
    },
  },
  'pails/read': {
    work: async ({ trx, action }, { pailId, ph, us, chlorinePpm }) => {
      const pail = await onePailForUpdate(trx, pailId);
      if (!pail.fillId)
        throw new RefusedError(`Pail ${pail.name} has no water in it. Nothing was noted.`, 'pailId');
      const readings = readingWords({ ph, us, chlorinePpm });
      await writeEntry(trx, action, {
        kind: 'water-reading',
        subjectKind: 'pail',
        subjectId: pail.id,
        says: m('record.water-reading', { pail: pail.name, readings }),
        detail: { fillId: pail.fillId, ph, us, chlorinePpm },
      });
      return null;
    },
  },
  'pails/top-up': {
    work: async ({ trx, action }, { pailId, litres }) => {
      const pail = await onePailForUpdate(trx, pailId);
      if (!pail.fillId)
        throw new RefusedError(
          `Pail ${pail.name} has no water in it. Nothing was entered; fill it.`,
          'pailId',
        );
      if (litres > pail.sizeL)
        throw new RefusedError(
          `Pail ${pail.name} holds ${pail.sizeL} L. Nothing was entered; correct the litres.`,
          'litres',
        );
      await writeEntry(trx, action, {
        kind: 'top-up',
        subjectKind: 'pail',
        subjectId: pail.id,
        says: m('record.top-up', { pail: pail.name, litres }),
        detail: { fillId: pail.fillId, litres },
      });
      return null;
    },
  },
  'pails/clean-tool': {
    work: async ({ trx, action }, { toolId }) => {
      const { name } = await oneTool(trx, toolId);
      await writeEntry(trx, action, {
        kind: 'tool-cleaned',
        subjectKind: 'tool',
        subjectId: toolId,
        says: m('record.tool-cleaned', { name }),
        detail: { toolId },
      });
      return null;
    },
  },
  'pails/tip-out': {
    work: async ({ trx, action }, { pailId }) => {
      const pail = await onePailForUpdate(trx, pailId);
      const fillId = pail.fillId ?? '';
      const standing = pail.fillId ? await manyPortionsInFill(trx, pail.fillId) : [];
      if (standing.length > 0)
        throw new RefusedError(
          `Lot ${standing.map(lotLabel).join(', ')} still stands in pail ${pail.name}. Nothing was tipped out; turn it over into a clean pail first.`,
        );
      await emptyPail(trx, pail, action.at);
      await writeEntry(trx, action, {
        kind: 'tip-out',
        subjectKind: 'pail',
        subjectId: pail.id,
        says: m('record.tipped-out', { pail: pail.name }),
        detail: { fillId },
      });
      return null;
    },
  },
  'pails/turn-over': {
    work: async ({ trx, action, ask, me }, { pailId, toPailId }) => {
      const [from, to] = [await onePailForUpdate(trx, pailId), await onePailForUpdate(trx, toPailId)];
      if (!from.fillId || !from.solution || !from.depth)
        throw new RefusedError(`Pail ${from.name} has no water in it. Nothing was changed.`, 'pailId');
      if (from.id === to.id)
        throw new RefusedError('That is the same pail. Nothing was changed; choose a clean one.', 'toPailId');
      askIfKept(ask, to);
      const standing = await manyPortionsInFill(trx, from.fillId);
      const [first] = standing;
      const stems = standing.reduce((n, s) => n + s.stemsLeft, 0);
      const thickest = Math.max(0, ...standing.map((s) => standsMm(me.species.byKey(s.speciesKey))));
      if (first && stems > roomLeft(to.sizeL, [], thickest))
        ask(
          'crowded',
          `Pail ${to.name} has room for about ${roomLeft(to.sizeL, [], thickest)} such stems; ${stems} would go in. Put them all in?`,
        );
      const depth = from.depth as Depth;
      const litres = litresFor({ litres: to.sizeL, heightCm: to.heightCm, form: to.form }, depth);
      const fillId = await pourInto(trx, action, to, {
        solution: solutionOf(from.solution),
        depth,
        tempC: FRESH_C,
        litres,
        alone: from.alone ?? false,
        overrideReason: null,
      });
      await moveStay(trx, action.shopId, 'pail_id', to.id, { roomId: from.roomId }, action.at);
      for (const { id } of standing)
        await moveStay(
          trx,
          action.shopId,
          'portion_id',
          id,
          { roomId: from.roomId, wet: true, fillId },
          action.at,
        );
      await emptyPail(trx, from, action.at);
      await writeEntry(trx, action, {
        kind: 'turn-over',
        subjectKind: 'pail',
        subjectId: from.id,
        says: m('record.turned-over', { pail: from.name, other: to.name, litres }),
        detail: { fromFillId: from.fillId, toPailId: to.id, fillId, litres },
      });
      return null;
    },
  },
};
