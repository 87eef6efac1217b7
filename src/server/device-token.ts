import 'server-only';
import { createHmac, timingSafeEqual } from 'node:crypto';
import { sessionSecret } from './session-secret';

const UUID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';
const TOKEN = new RegExp(`^(${UUID})\\.(${UUID})\\.([A-Za-z0-9_-]{43})$`);

/** Which device of which shop a token is of. */
export interface DeviceNamed {
  readonly shopId: string;
  readonly deviceId: string;
}

const sealOf = ({ shopId, deviceId }: DeviceNamed): string =>
  createHmac('sha256', sessionSecret()).update(`device ${shopId} ${deviceId}`).digest('base64url');

/** What a device sends with its readings. It is worked out anew each time it is shown, and kept nowhere. */
export const deviceToken = (named: DeviceNamed): string =>
  `${named.shopId}.${named.deviceId}.${sealOf(named)}`;

/** The device that a request's token is of; null where it is none of ours. */
export function deviceNamed(authorization: string | null): DeviceNamed | null {
  const token = /^Bearer (\S+)$/i.exec(authorization ?? '')?.[1] ?? '';
  const [, shopId, deviceId, seal] = TOKEN.exec(token) ?? [];
  if (!shopId || !deviceId || !seal) return null;
  const named = { shopId, deviceId };
  const [told, right] = [Buffer.from(seal), Buffer.from(sealOf(named))];
  return told.length === right.length && timingSafeEqual(told, right) ? named : null;
}
