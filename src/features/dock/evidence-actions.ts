import 'server-only';
import * as v from 'valibot';
import { boxTemperature, packWaterTemperature } from '@/core/dock/temperatures';
import { stripJpeg } from '@/core/photo/strip-jpeg';
import { speciesByKey } from '@/core/species/species';
import {
  insertPhoto,
  insertTemperature,
  insertWeighing,
  manyPhotos,
  manyTemperatures,
  withdrawPhoto,
} from '@/data/evidence';
import { RefusedError } from '@/data/errors';
import { changeLot, oneLotForUpdate } from '@/data/lots';
import { writeEntry } from '@/data/record';
import { actionKind } from '@/server/actions';
import { count, id } from './checks';

const MOST_PHOTO_BYTES = 400_000;
const LONGEST_SIDE_PX = 1600;

/** What was really in the box; a bunch that was weighed as well teaches what a stem of it weighs. */
const counted = actionKind(
  v.object({
    lotId: id,
    stems: count(100_000),
    weighed: v.optional(
      v.nullable(
        v.object({ stems: count(10_000), grams: v.pipe(v.number(), v.minValue(1), v.maxValue(1_000_000)) }),
      ),
      null,
    ),
  }),
  async ({ trx, action }, { lotId, stems, weighed }) => {
    const lot = await oneLotForUpdate(trx, lotId);
    const noted = lot.stemsBooked + lot.stemsShort;
    const used = lot.stemsBooked - lot.stemsLeft;
    if (stems < used)
      throw new RefusedError(
        `${used} stems of lot ${lot.number} are used or binned already: it held more than ${stems}. Nothing was changed; count again.`,
      );
    const { speciesKey, lengthCm } = lot;
    const weighingId =
      weighed && (await insertWeighing(trx, action, lotId, { speciesKey, lengthCm, ...weighed }));
    const short = noted - stems;
    await changeLot(trx, lotId, { stems_booked: stems, stems_left: stems - used, stems_short: short });
    const against =
      short === 0 ? 'as the note says' : short > 0 ? `${short} short of the note` : `${-short} over the note`;
    await writeEntry(trx, action, {
      kind: 'count',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Lot ${lot.number} counted: ${stems}, ${against}${weighed ? `; ${weighed.stems} weigh ${weighed.grams} g` : ''}`,
      detail: {
        before: { stems_booked: lot.stemsBooked, stems_short: lot.stemsShort },
        stems,
        weighingId,
      },
    });
  },
);

const temperature = actionKind(
  v.object({
    lotId: id,
    place: v.picklist(['box', 'water']),
    tempC: v.pipe(
      v.number('must be a temperature'),
      v.minValue(-20, 'is under −20 °C'),
      v.maxValue(60, 'is over 60 °C'),
    ),
  }),
  async ({ trx, action }, { lotId, place, tempC }) => {
    const lot = await oneLotForUpdate(trx, lotId);
    const before = (await manyTemperatures(trx, [lotId])).find((t) => t.place === place)?.tempC ?? null;
    await insertTemperature(trx, action, lotId, place, tempC);
    const said =
      place === 'box' ? boxTemperature(speciesByKey(lot.speciesKey), tempC) : packWaterTemperature(tempC);
    await writeEntry(trx, action, {
      kind: 'temperature',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Lot ${lot.number}: ${said.words}`.slice(0, 300),
      detail: { place, before },
    });
  },
);

/** A photograph, without where it was taken. */
const photo = actionKind(
  v.object({
    lotId: id,
    jpeg: v.pipe(v.string(), v.base64('is no picture'), v.maxLength(800_000, 'is too large')),
  }),
  async ({ trx, action }, { lotId, jpeg }) => {
    const lot = await oneLotForUpdate(trx, lotId);
    const picture = stripJpeg(Buffer.from(jpeg, 'base64'));
    if (
      picture.bytes.length > MOST_PHOTO_BYTES ||
      Math.max(picture.widthPx, picture.heightPx) > LONGEST_SIDE_PX
    )
      throw new RefusedError(
        'That picture is larger than is kept. Nothing was kept; take it with this page’s own button.',
      );
    const photoId = await insertPhoto(trx, action, lotId, picture);
    await writeEntry(trx, action, {
      kind: 'photo',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Photograph of lot ${lot.number}, ${picture.widthPx} × ${picture.heightPx}`,
      detail: { photoId },
    });
    return { photoId };
  },
);

const photoAway = actionKind(
  v.object({ lotId: id, photoId: id }),
  async ({ trx, action }, { lotId, photoId }) => {
    const lot = await oneLotForUpdate(trx, lotId);
    if (!(await manyPhotos(trx, [lotId])).some((p) => p.id === photoId))
      throw new RefusedError('That photograph was taken away already. Nothing was changed.');
    await withdrawPhoto(trx, photoId, action.at);
    await writeEntry(trx, action, {
      kind: 'photo-away',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Photograph of lot ${lot.number} taken away`,
      detail: { photoId },
    });
  },
);

export const evidenceActions = { count: counted, temperature, photo, 'photo-away': photoAway };
