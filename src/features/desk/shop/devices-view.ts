import 'server-only';
import * as v from 'valibot';
import { mayManage } from '@/core/actions/contract';
import { formatDate } from '@/core/calendar/format-date';
import { deviceReadingSchema, type DeviceKind, type Dose } from '@/core/devices/device-readings';
import { doserNow } from '@/core/devices/doser';
import type { Trx } from '@/data/connection';
import { manyDevices, manyReadings } from '@/data/devices';
import { deviceToken } from '@/server/device-token';
import type { SignedIn } from '@/server/session';

/** A device as the desk shows it. */
export interface DeviceView {
  readonly id: string;
  readonly name: string;
  readonly kind: DeviceKind;
  /** How it stands, in words. */
  readonly stands: string;
  /** Something is to be done about it. */
  readonly isWrong: boolean;
  /** What it sends with its readings; null for whoever may not set it up. */
  readonly token: string | null;
}

/** So many of its last readings say how a device stands. */
const LOOKED_AT = 200;
/** A stroke that gives so much more or less than it did is told. */
const DRIFT_TOLD = 0.05;

const isDose = (r: unknown): r is Dose => v.is(deviceReadingSchema, r) && r.kind === 'dose';

function doserStands(doses: readonly Dose[]): Pick<DeviceView, 'stands' | 'isWrong'> {
  const now = doserNow(doses);
  if (!now) return { stands: 'nothing read yet', isWrong: false };
  if (now.isEmpty) return { stands: 'its last strokes gave air: a new bottle?', isWrong: true };
  const { mlAStroke, drift } = now;
  const more = `${Math.abs(Math.round(100 * drift))} % ${drift > 0 ? 'more' : 'less'} than it gave at first`;
  const isOff = Math.abs(drift) >= DRIFT_TOLD;
  return {
    stands: `${mlAStroke.toFixed(1)} mL a stroke${isOff ? `, ${more}: weigh it, and set the food’s measure` : ''}`,
    isWrong: isOff,
  };
}

/** The shop's devices, each with how it stands by its readings. */
export async function deviceViews(trx: Trx, me: SignedIn): Promise<DeviceView[]> {
  const devices = await manyDevices(trx);
  const readings = await Promise.all(devices.map((d) => manyReadings(trx, d.id, LOOKED_AT)));
  return devices.map(({ id, name, kind }, i) => {
    const mine = readings[i] ?? [];
    const last = mine.at(-1);
    const read = last
      ? `last read ${formatDate(last.at.getTime(), me.shop.timeZone, 'date and clock')}`
      : 'nothing read yet';
    const doses = mine.map((r) => r.reading).filter(isDose);
    return {
      ...{ id, name, kind },
      ...(kind === 'doser' && doses.length > 0 ? doserStands(doses) : { stands: read, isWrong: false }),
      token: mayManage(me.role) ? deviceToken({ shopId: me.shop.id, deviceId: id }) : null,
    };
  });
}
