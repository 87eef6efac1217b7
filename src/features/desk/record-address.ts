/** The question as the page's address has it: what a person typed and chose. */
export interface AskedRecord {
  readonly lot: string;
  readonly pail: string;
  readonly who: string;
  readonly what: string;
  readonly day: string;
  /** `oldest` first; else the newest. */
  readonly order: string;
}
export type Search = Readonly<Record<string, string | string[] | undefined>>;

const LONGEST = 60;

export function askedRecord(search: Search): AskedRecord {
  const of = (name: string): string => {
    const value = search[name];
    return typeof value === 'string' ? value.trim().slice(0, LONGEST) : '';
  };
  return {
    lot: of('lot'),
    pail: of('pail'),
    who: of('who'),
    what: of('what'),
    day: of('day'),
    order: of('order'),
  };
}

function queryOf(asked: AskedRecord, more: readonly (readonly [string, string])[] = []): string {
  const said = Object.entries(asked).filter(([, value]) => value !== '') as [string, string][];
  const query = new URLSearchParams([...said, ...more.map(([name, value]) => [name, value])]);
  return query.size === 0 ? '' : `?${query.toString()}`;
}

/** The address of the same question, from an entry on or from the beginning. */
export const addressOf = (asked: AskedRecord, beyond?: number): string =>
  `/desk${queryOf(asked, beyond === undefined ? [] : [['beyond', String(beyond)]])}`;

/** The same answer as a file. */
export const recordFileOf = (asked: AskedRecord): string => `/desk/record.csv${queryOf(asked)}`;
