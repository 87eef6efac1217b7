import 'server-only';

/** What seals cookies and what is handed out to come back. */
export function sessionSecret(): string {
  const password = process.env.HUSH_PAIL_SESSION_SECRET;
  if (!password) throw new Error('HUSH_PAIL_SESSION_SECRET is not set; the shop is started by "npm start".');
  return password;
}
