import type { DeviceKind, DeviceReading } from '../core/devices/device-readings';
import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';

/** What reads by itself, with what came of it. */
export interface DeviceRow {
  readonly id: string;
  readonly name: string;
  readonly kind: DeviceKind;
  /** Whoever set it up: what it enters is entered in their name. */
  readonly addedBy: string;
  readonly retiredAt: Date | null;
}

const COLUMNS = { id: 'id', name: 'name', kind: 'kind', addedBy: 'added_by', retiredAt: 'retired_at' };

/** The shop's devices in use, by name. */
export const manyDevices = (trx: Trx): Promise<DeviceRow[]> =>
  trx('device').whereNull('retired_at').orderBy('name').select<DeviceRow[]>(COLUMNS);

export const maybeDevice = (trx: Trx, id: string): Promise<DeviceRow | undefined> =>
  trx('device').where({ id }).whereNull('retired_at').first<DeviceRow | undefined>(COLUMNS);

export async function insertDevice(
  trx: Trx,
  shopId: string,
  device: Pick<DeviceRow, 'name' | 'kind' | 'addedBy'> & { readonly at: Date },
): Promise<string> {
  const taken: unknown = await trx('device')
    .whereNull('retired_at')
    .whereRaw('lower(name) = lower(?)', [device.name])
    .first('id');
  if (taken) throw new RefusedError('A device goes by that name already. Nothing was added.', 'name');
  const id = newId();
  await trx('device').insert({
    id,
    shop_id: shopId,
    name: device.name,
    kind: device.kind,
    added_by: device.addedBy,
    added_at: device.at,
  });
  return id;
}

/** @throws RefusedError where there is none in use of that id */
export async function retireDevice(trx: Trx, id: string, at: Date): Promise<DeviceRow> {
  const device = await maybeDevice(trx, id);
  if (!device) throw new RefusedError('That device is not in use here. Nothing was changed.', 'deviceId');
  await trx('device').where({ id }).update({ retired_at: at });
  return device;
}

/** A reading as it is kept. */
export interface NewReading {
  readonly reading: DeviceReading;
  readonly pailId: string | null;
}

/** Keeps readings, each number of a device once. @returns the numbers that were new */
export async function insertReadings(
  trx: Trx,
  shopId: string,
  deviceId: string,
  readings: readonly NewReading[],
  receivedAt: Date,
): Promise<Set<number>> {
  if (readings.length === 0) return new Set();
  const rows = await trx('device_reading')
    .insert(
      readings.map(({ reading, pailId }) => ({
        device_id: deviceId,
        seq: reading.seq,
        shop_id: shopId,
        at: reading.at,
        received_at: receivedAt,
        pail_id: pailId,
        reading: JSON.stringify(reading),
      })),
    )
    .onConflict(['device_id', 'seq'])
    .ignore()
    .returning<{ seq: number }[]>('seq');
  return new Set(rows.map((r) => r.seq));
}

/** A device's last readings, the oldest first. */
export async function manyReadings(
  trx: Trx,
  deviceId: string,
  limit: number,
): Promise<{ at: Date; reading: unknown }[]> {
  const rows = await trx('device_reading')
    .where({ device_id: deviceId })
    .orderBy('at', 'desc')
    .limit(limit)
    .select<{ at: Date; reading: unknown }[]>('at', 'reading');
  return rows.reverse();
}
