import 'server-only';
import { sealData, unsealData } from 'iron-session';
import { Secret, TOTP } from 'otpauth';
import * as v from 'valibot';
import { sessionSecret } from './session-secret';

/** A code holds for half a minute; telephones' clocks are off by as much either way. */
const PERIOD_S = 30;
const OFF_BY = 1;
const SECRET_BYTES = 20;
/** So long what was offered may be taken up. */
const OFFERED_FOR_S = 15 * 60;

const totp = (secret: string, label = 'Hush Pail', shop = 'Hush Pail'): TOTP =>
  new TOTP({ issuer: shop, label, secret: Secret.fromBase32(secret), digits: 6, period: PERIOD_S });

/** What somebody is offered to take up: for their telephone, and sealed for when they come back with a code. */
export interface OfferedFactor {
  readonly secret: string;
  /** As a telephone's program for codes reads it. */
  readonly uri: string;
  readonly sealed: string;
}

/** A new second factor for somebody; nothing of it is kept here until they have shown a code of it. */
export async function offerFactor(personId: string, name: string, shop: string): Promise<OfferedFactor> {
  const secret = new Secret({ size: SECRET_BYTES }).base32;
  const sealed = await sealData({ secret, personId }, { password: sessionSecret(), ttl: OFFERED_FOR_S });
  return { secret, uri: totp(secret, name, shop).toString(), sealed };
}

const offeredSchema = v.object({ secret: v.string(), personId: v.string() });

/** What a seal holds; nothing where it is no seal of ours, whatever it is. */
async function unsealed(sealed: string): Promise<unknown> {
  try {
    return await unsealData(sealed, { password: sessionSecret(), ttl: OFFERED_FOR_S });
  } catch {
    return null;
  }
}

/** The secret that was offered to that person; null where the seal is broken, too old, or another's. */
export async function offeredTo(sealed: string, personId: string): Promise<string | null> {
  const told = v.safeParse(offeredSchema, await unsealed(sealed));
  return told.success && told.output.personId === personId ? told.output.secret : null;
}

/** The step of thirty seconds a code is of, where it is one of that secret's about now; null where it is none. */
export function stepOfCode(secret: string, code: string, at: Date): number | null {
  const off = totp(secret).validate({ token: code, window: OFF_BY, timestamp: at.getTime() });
  return off === null ? null : Math.floor(at.getTime() / 1000 / PERIOD_S) + off;
}
