import 'server-only';
import * as v from 'valibot';
import { checked } from '@/core/door/check';
import { overridesSchema } from '@/core/door/schemas';
import { setOwnFigure } from '@/data/figures';
import { RefusedError } from '@/data/errors';
import { takeBack } from '@/server/corrections';
import { actionKind } from '@/server/actions';
import { overridesOf } from '@/server/own-figures';
import { figureName } from './figure-rows';
import { houseActions } from './house-actions';

const entryId = v.pipe(v.number(), v.integer(), v.minValue(1));

const setFigure = actionKind(
  v.object({
    kind: v.picklist(['constant', 'species', 'solution']),
    subject: v.pipe(v.string(), v.maxLength(60)),
    figure: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
    /** Null: ours again. */
    value: v.nullable(v.pipe(v.number('must be a number'), v.finite('must be a number'))),
    reason: v.pipe(
      v.string('is missing'),
      v.trim(),
      v.minLength(3, 'says in a few words why'),
      v.maxLength(200, 'is longer than 200 characters'),
    ),
  }),
  async ({ trx, action, me }, own) => {
    if (me.role !== 'manager') throw new RefusedError('Only a manager changes figures. Nothing was changed.');
    // A value to try the figure’s name with, where it is given back.
    const value = own.value ?? 1;
    const name = figureName(own);
    if (!name) throw new RefusedError('There is no such figure. Nothing was changed.');
    if (own.value !== null)
      checked(overridesSchema, overridesOf([{ ...own, value, setAt: action.at, setByName: me.name }]));
    const words =
      own.value === null ? `${name}: the product’s figure again` : `${name}: our own figure, ${own.value}`;
    await setOwnFigure(trx, action, own, `${words}. ${own.reason}`);
  },
);

export const deskActions = {
  correct: actionKind(v.object({ entryId }), (context, input) => takeBack(context, input.entryId)),
  'set-figure': setFigure,
  ...houseActions,
};
