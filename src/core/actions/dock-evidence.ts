import * as v from 'valibot';
import { ANYBODY, defineAction, lock } from './contract';
import { id, measure, stems, whole } from './fields';

const ofLot = ({ lotId }: { readonly lotId: string }) => [lock('lot', 'lotId', lotId)];

/** What is measured and photographed of a lot, and the logger that travelled with it. */
export const evidenceActions = {
  'dock/count': defineAction({
    input: v.object({
      lotId: id,
      stems,
      weighed: v.optional(
        v.nullable(v.object({ stems: whole(1, 10_000), grams: measure(1, 1_000_000, 'g') })),
        null,
      ),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['count'],
    takenBack: 'both',
    locks: ofLot,
  }),
  'dock/temperature': defineAction({
    input: v.object({
      lotId: id,
      place: v.picklist(['box', 'water']),
      tempC: v.pipe(
        v.number('must be a temperature'),
        v.minValue(-20, 'is under −20 °C'),
        v.maxValue(60, 'is over 60 °C'),
      ),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['temperature'],
    takenBack: 'undone',
    locks: ofLot,
  }),
  'dock/photo': defineAction({
    input: v.object({
      lotId: id,
      jpeg: v.pipe(v.string(), v.base64('is no picture'), v.maxLength(800_000, 'is too large')),
    }),
    result: v.object({ photoId: v.string() }),
    roles: ANYBODY,
    mayWait: false,
    entries: ['photo'],
    takenBack: 'restored',
    locks: ofLot,
  }),
  'dock/photo-away': defineAction({
    input: v.object({ lotId: id, photoId: id }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: true,
    entries: ['photo-away'],
    takenBack: 'restored',
    locks: ({ lotId, photoId }) => [lock('lot', 'lotId', lotId), lock('photo', 'photoId', photoId)],
  }),
  'dock/logger': defineAction({
    input: v.object({
      deliveryId: id,
      csv: v.pipe(v.string(), v.minLength(1), v.maxLength(1_500_000, 'is larger than a logger’s file')),
    }),
    result: v.null(),
    roles: ANYBODY,
    mayWait: false,
    entries: ['logger'],
    takenBack: 'restored',
    locks: ({ deliveryId }) => [lock('lots of delivery', 'deliveryId', deliveryId)],
  }),
} as const;
