/** The question as the page's address has it: what a person typed and chose. */
export interface AskedRecord {
  readonly lot: string;
  readonly pail: string;
  readonly who: string;
  readonly what: string;
  readonly day: string;
}
export type Search = Readonly<Record<string, string | string[] | undefined>>;

const LONGEST = 60;

export function askedRecord(search: Search): AskedRecord {
  const of = (name: string): string => {
    const value = search[name];
    return typeof value === 'string' ? value.trim().slice(0, LONGEST) : '';
  };
  return { lot: of('lot'), pail: of('pail'), who: of('who'), what: of('what'), day: of('day') };
}

/** The address of the same question, from an entry on or from the newest. */
export function addressOf(asked: AskedRecord, before?: number): string {
  const said = Object.entries(asked).filter(([, value]) => value !== '') as [string, string][];
  const query = new URLSearchParams(before === undefined ? said : [...said, ['before', String(before)]]);
  return query.size === 0 ? '/desk' : `/desk?${query.toString()}`;
}
