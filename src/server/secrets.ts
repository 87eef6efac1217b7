import 'server-only';
import { hash, verify } from '@node-rs/argon2';
import { Turns } from './turns';

// Hashing takes a tenth of a second and much memory: few do it at once, whoever asks.
const turns = new Turns(2, 40);
// Compared against when nobody has that name, so that an answer takes as long either way.
const NOBODY = hash('nobody has this password');

/** What of a PIN or password is kept. @throws DataError 'unavailable' where too many wait */
export const hashOf = (secret: string): Promise<string> => turns.run(() => hash(secret));

/** Whether a secret is the one that hash was made of; it takes as long where there is none to compare with. */
export const isSecretOf = (kept: string | undefined, secret: string): Promise<boolean> =>
  turns.run(async () => verify(kept ?? (await NOBODY), secret));
