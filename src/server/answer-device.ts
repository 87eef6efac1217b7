import 'server-only';
import * as v from 'valibot';
import {
  deviceBatchSchema,
  sortReadings,
  type DeviceReading,
  type RefusedReading,
} from '@/core/devices/device-readings';
import { readCode } from '@/core/labels/codes';
import { readingWords } from '@/core/water/seen-words';
import { m } from '@/core/words/message';
import { inShop, type Trx } from '@/data/connection';
import { insertReadings, maybeDevice, type DeviceRow, type NewReading } from '@/data/devices';
import { DataError } from '@/data/errors';
import { newId } from '@/data/ids';
import { manyPails, type PailRow } from '@/data/pails';
import { writeEntry } from '@/data/record';
import { now } from './clock';
import { database } from './database';
import { deviceNamed, type DeviceNamed } from './device-token';
import { log } from './log';
import { isJson, readBody } from './read-body';

/** Two hundred readings are a fifth of this. */
const MOST_BYTES = 256_000;

const answer = (status: number, body: unknown, more: Readonly<Record<string, string>> = {}): Response =>
  Response.json(body, { status, headers: { 'cache-control': 'no-store', ...more } });

type Placed = NewReading & { readonly pail: PailRow | null };

/** Which pail a reading names by its label. @returns why not, where it names one that is not here */
function placed(reading: DeviceReading, pails: readonly PailRow[]): Placed | string {
  if (reading.pail === null) return { reading, pailId: null, pail: null };
  const code = readCode(reading.pail);
  const pail = code?.kind === 'pail' ? pails.find((p) => p.labelNo === code.number) : undefined;
  return pail ? { reading, pailId: pail.id, pail } : `pail: no pail here has the label ${reading.pail}`;
}

/** What a strip read counts for the water that stands in its pail, in the name of whoever set the device up. */
async function enterStrip(
  trx: Trx,
  shopId: string,
  device: DeviceRow,
  { reading, pail }: Placed,
): Promise<void> {
  if (reading.kind !== 'strip' || !pail?.fillId || !pail.filledAt) return;
  const at = new Date(reading.at);
  // A reading from before this water tells of another.
  if (at < pail.filledAt) return;
  const { ph, us, chlorinePpm } = reading;
  const action = { shopId, personId: device.addedBy, actionKey: newId(), at };
  await writeEntry(trx, action, {
    kind: 'water-reading',
    subjectKind: 'pail',
    subjectId: pail.id,
    says: m('record.water-reading.device', {
      ...{ pail: pail.name, device: device.name },
      readings: readingWords({ ph, us, chlorinePpm }),
    }),
    detail: { fillId: pail.fillId, ph, us, chlorinePpm },
  });
}

interface Kept {
  readonly kept: number;
  /** Readings that were here already: they may come as often as they like. */
  readonly known: number;
  readonly refused: readonly RefusedReading[];
}

async function keepReadings(
  { shopId, deviceId }: DeviceNamed,
  readings: readonly unknown[],
): Promise<Kept | null> {
  const at = now();
  return inShop(database(), shopId, async (trx) => {
    const device = await maybeDevice(trx, deviceId);
    if (!device) return null;
    const sorted = sortReadings(readings, at.getTime());
    const pails = await manyPails(trx);
    const refused: RefusedReading[] = [...sorted.refused];
    const fit: Placed[] = [];
    for (const reading of sorted.kept) {
      const found = placed(reading, pails);
      if (typeof found === 'string') refused.push({ seq: reading.seq, why: found });
      else fit.push(found);
    }
    const fresh = await insertReadings(trx, shopId, device.id, fit, at);
    for (const one of fit) if (fresh.has(one.reading.seq)) await enterStrip(trx, shopId, device, one);
    return { kept: fresh.size, known: fit.length - fresh.size, refused };
  });
}

const LOST = { message: 'The shop’s memory is not answering. Nothing was kept; send them again.' };

/** Answers a device's batch: what is new is kept once, what was here is left, what cannot be is told by its number. */
export async function answerDevice(request: Request): Promise<Response> {
  if (!isJson(request)) return answer(415, { message: 'Readings are sent as application/json.' });
  // Nobody's body is read before it is known whose it is.
  const named = deviceNamed(request.headers.get('authorization'));
  if (!named) return answer(401, { message: 'No device of this shop has that token.' });
  const text = await readBody(request, MOST_BYTES).catch(() => null);
  if (text === null) return answer(413, { message: 'That is more than a batch of readings can be.' });
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return answer(422, { message: 'The batch could not be read as JSON. Nothing was kept.' });
  }
  const batch = v.safeParse(deviceBatchSchema, body);
  if (!batch.success) {
    const [issue] = batch.issues;
    return answer(422, {
      message: `${v.getDotPath(issue) ?? 'The batch'}: ${issue.message}. Nothing was kept.`,
    });
  }
  try {
    const kept = await keepReadings(named, batch.output.readings);
    return kept ? answer(200, kept) : answer(401, { message: 'No device of this shop has that token.' });
  } catch (error) {
    if (error instanceof DataError && error.fault === 'unavailable')
      return answer(503, LOST, { 'retry-after': '5' });
    log.error({ err: error }, 'readings were not kept');
    return answer(500, { message: 'Something is wrong on our side. Nothing was kept; send them again.' });
  }
}
