// Every setting there is, with what it is where it is not told and what it may be: one table for help, checks and docs.

const isOneOf = (/** @type {string[]} */ ...values) => ({
  may: values.join(' or '),
  isRight: (/** @type {string} */ value) => values.includes(value),
});
const whole = (/** @type {number} */ from, /** @type {number} */ to) => ({
  may: `a whole number from ${from} to ${to}`,
  isRight: (/** @type {string} */ value) =>
    /^\d+$/.test(value) && Number(value) >= from && Number(value) <= to,
});

/** @type {Readonly<Record<string, { usual: string, says: string, may: string, isRight: (value: string) => boolean }>>} */
export const SETTINGS = {
  HUSH_PAIL_PORT: {
    usual: 'the next free one from 3210',
    says: 'port of the application on this computer',
    ...whole(1, 65535),
  },
  HUSH_PAIL_ORIGIN: {
    usual: 'whatever address is asked',
    says: 'where the shop is reached when a proxy stands in front of it',
    may: 'an address such as https://pails.shop.lan, without a path',
    isRight: (value) => URL.canParse(value) && new URL(value).origin === value,
  },
  HUSH_PAIL_HTTPS: {
    usual: '0',
    says: 'cookies travel by TLS alone: 1 behind a proxy that has it',
    ...isOneOf('0', '1'),
  },
  HUSH_PAIL_DEMO: {
    usual: 'the demo, at work',
    says: 'none leaves the demo out where it is not there yet; quiet is the demo as tests begin',
    ...isOneOf('none', 'quiet'),
  },
  HUSH_PAIL_MOST_SHOPS: {
    usual: '8',
    says: 'how many shops besides the demo may be opened here',
    ...whole(0, 1000),
  },
  HUSH_PAIL_LOG: {
    usual: 'warn',
    says: 'how much is logged on standard error, as JSON',
    ...isOneOf('silent', 'error', 'warn', 'info', 'debug'),
  },
  HUSH_PAIL_NOW: {
    usual: 'the computer’s clock',
    says: 'sets the shop’s clock; it runs on from there',
    may: 'a time such as 2026-11-24T06:50:00Z',
    isRight: (value) => !Number.isNaN(Date.parse(value)),
  },
};

/** What our own commands hand to each other; nobody sets them by hand. */
const INSIDE =
  /^HUSH_PAIL_(APP_PASSWORD|BACKUPS|BENCH_LOTS|CLOCK_OFFSET_MS|DATABASE_URL|OWNER_URL|SESSION_SECRET|SHAPE|TEST_\w+|TIMES_FILE|TORTURE|YEARS)$/;

/**
 * What is wrong with the settings of an environment, a line each; none where all is right.
 * @param {NodeJS.ProcessEnv} env
 */
export function wrongSettings(env) {
  return Object.entries(env).flatMap(([name, value = '']) => {
    if (!name.startsWith('HUSH_PAIL_') || INSIDE.test(name)) return [];
    const setting = SETTINGS[name];
    if (!setting) return [`${name} is no setting. There are: ${Object.keys(SETTINGS).join(', ')}.`];
    return setting.isRight(value) ? [] : [`${name} is "${value}", and must be ${setting.may}.`];
  });
}

/** The settings as the start command's help tells them. */
export const settingsHelp = () =>
  Object.entries(SETTINGS)
    .map(([name, { usual, says }]) => `  ${name.padEnd(22)}${says} (${usual})`)
    .join('\n');
