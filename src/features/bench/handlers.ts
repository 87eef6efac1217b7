import { m } from '@/core/words/message';
import 'server-only';
import type { benchActions } from '@/core/actions/bench';
import { recutSteps } from '@/core/protocol/aftercare';
import { cameSince, manyAtBench, replaceBenchPlan, setAtBench } from '@/data/bench';
import { RefusedError } from '@/data/errors';
import { recordSkill } from '@/data/house';
import { maybePerson } from '@/data/people';
import { changePortion, manyPortionsInStock, onePortion, lotLabel } from '@/data/portions';
import { writeEntry } from '@/data/record';
import { moveStay } from '@/data/stays';
import { changeStep, insertBranch, manyStepsOfPortion } from '@/data/steps';
import { dayBegan, inZone } from '@/server/clock';
import type { Handlers } from '@/server/handler';
import { houseOf } from '@/server/house';
import { replan } from '@/server/replan';
import { lookBack } from './look-back';
import { setApartAndEnter } from './set-apart';
import { tapStep } from './tap-step';

/** How what is done at the bench is done. */
export const benchHandlers: Handlers<keyof typeof benchActions> = {
  'bench/tap': {
    work: async (context, tap) => {
      await tapStep(context, tap.stepId, tap);
      // Other lots' steps are theirs: neither pails nor stems nor what was binned go by this one's.
      const rest = { ...tap, binned: 0, pails: [], stems: null };
      for (const stepId of tap.also) await tapStep(context, stepId, rest);
      return null;
    },
  },
  'bench/look-back': {
    work: async (context, look) => {
      await lookBack(context, look);
      return null;
    },
  },
  'bench/apart': {
    work: async (context, { portionId, stems }) => {
      const apart = await setApartAndEnter(context, await onePortion(context.trx, portionId), stems);
      return { portionId: apart.id };
    },
  },
  'bench/recut': {
    // A cut out of turn: what bleeds is open again, leaves the water it shares, and soaks anew.
    work: async ({ trx, action, me }, { portionId, cm, handsId }) => {
      const portion = await onePortion(trx, portionId);
      const steps = await manyStepsOfPortion(trx, portion.id, portion.planNo);
      const [cut, ...soak] = recutSteps(me.species.byKey(portion.speciesKey), cm, await houseOf(trx));
      if (!cut) throw new RefusedError('This lot has nothing to cut. Nothing was logged.');
      if (soak.length > 0)
        await moveStay(trx, action.shopId, 'portion_id', portion.id, { wet: false, fillId: null }, action.at);
      const after = steps.findLastIndex((s) => s.status !== 'waiting');
      const planNo = await insertBranch(
        trx,
        action.shopId,
        portion.id,
        portion.planNo,
        steps[after]?.id ?? null,
        [cut, ...soak],
      );
      const made = (await manyStepsOfPortion(trx, portion.id, planNo))[after + 1];
      if (made)
        await changeStep(trx, made.id, {
          status: 'done',
          started_at: action.at,
          ended_at: action.at,
          hands_id: handsId ?? action.personId,
        });
      await writeEntry(trx, action, {
        kind: 'recut',
        subjectKind: 'lot',
        subjectId: portion.lotId,
        partId: portion.id,
        says: m(soak.length > 0 ? 'record.cut-again-soaks' : 'record.cut-again', {
          lot: lotLabel(portion),
          cm,
        }),
        detail: { portionId: portion.id, cm, soaks: soak.length > 0 },
      });
      return null;
    },
  },
  'bench/purpose': {
    work: async (context, { portionId, purpose, eventOn }) => {
      const { trx, action, me } = context;
      const portion = await onePortion(trx, portionId);
      if ((purpose === 'event') !== (eventOn !== null))
        throw new RefusedError('An event has a day, and nothing else has. Nothing was changed.', 'eventOn');
      if (eventOn !== null && eventOn < inZone(action.at, me.shop.timeZone).date)
        throw new RefusedError('That day is over. Nothing was changed; choose one to come.', 'eventOn');
      await changePortion(trx, portion.id, { purpose, event_on: eventOn });
      await replan(context, { ...portion, purpose, eventOn });
      await writeEntry(trx, action, {
        kind: 'purpose',
        subjectKind: 'lot',
        subjectId: portion.lotId,
        partId: portion.id,
        says: m(eventOn ? 'record.for-day' : 'record.for', {
          lot: lotLabel(portion),
          purpose: m(`record.purpose.${purpose}`),
          ...(eventOn ? { day: eventOn } : {}),
        }),
        detail: { portionId: portion.id, purpose, eventOn },
      });
      return null;
    },
  },
  'bench/plan': {
    work: async ({ trx, action, me }, { fromVersion, plan }) => {
      const lots = await manyPortionsInStock(trx);
      const here = cameSince(await manyAtBench(trx), dayBegan(action.at, me.shop.timeZone));
      const hands = here.length > 0 ? here : [{ name: me.name }];
      const isKnown =
        plan.lots.every((l) => lots.some((row) => row.id === l.lot)) &&
        plan.assignment.every((w) => hands.some((h) => h.name === w.hands));
      // Made of a bench that is no more: the page that sent it looks again, and plans anew.
      return { isPut: isKnown && (await replaceBenchPlan(trx, action, fromVersion, plan)) };
    },
  },
  'bench/stand': {
    work: async ({ trx, action }, { personId, isHere }) => {
      const person = await maybePerson(trx, personId);
      if (!person?.active)
        throw new RefusedError('Nobody of that name works here. Nothing was changed.', 'personId');
      await setAtBench(trx, action, personId, isHere);
      return null;
    },
  },
  'bench/skill': {
    work: async ({ trx, action }, shown) => {
      const person = await maybePerson(trx, shown.personId);
      if (!person?.active)
        throw new RefusedError('Nobody of that name works here. Nothing was changed.', 'personId');
      const says = m(shown.shown ? 'record.skill-shown' : 'record.skill-gone', {
        name: person.name,
        skill: m(`record.skill.${shown.skill}`),
      });
      await recordSkill(trx, action, shown, says);
      return null;
    },
  },
};
