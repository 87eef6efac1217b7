import 'server-only';
import * as v from 'valibot';
import { takeBack } from '@/server/corrections';
import { deedKind } from '@/server/deeds';

const entryId = v.pipe(v.number(), v.integer(), v.minValue(1));

export const deskDeeds = {
  correct: deedKind(v.object({ entryId }), (context, input) => takeBack(context, input.entryId)),
};
