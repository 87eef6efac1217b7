import type { DemoKind } from '@/demo/load';
import { freshShop } from '../support/database';

/** A demo begins on any day and at any hour: a working morning, a Sunday before midnight. */
const BEGUN: readonly (readonly [kind: DemoKind, at: string])[] = [
  ['quiet', '2026-11-24T06:50:00Z'],
  ['at work', '2026-11-24T06:50:00Z'],
  ['at work', '2026-11-29T23:58:00Z'],
];
const CONTACT_MIN = 10;

interface Happened {
  readonly pail: string;
  readonly at: Date;
  readonly what: 'scrubbed' | 'contact' | 'sanitised' | 'filled' | 'tipped out';
  /** A fill with its reason, where it was not clean. */
  readonly overridden: boolean;
}

/** All that the record and the waters say happened to each pail, in the order it happened. */
const HAPPENED = `
  select subject_id as pail, at, id as n, detail->>'to' as what, false as overridden
    from record_entry where subject_kind = 'pail' and kind = 'wash'
  union all select pail_id, filled_at, null, 'filled', override_reason is not null from pail_fill
  union all select pail_id, emptied_at, null, 'tipped out', false from pail_fill where emptied_at is not null`;

/** What may come next, by where a pail stands in its life. */
const NEXT: Readonly<Record<string, readonly string[]>> = {
  dirty: ['scrubbed'],
  scrubbed: ['contact'],
  contact: ['sanitised'],
  sanitised: ['filled'],
  filled: ['tipped out'],
};

describe.each(BEGUN)('in the demo that is %s, begun %s', (kind, begun) => {
  const now = new Date(begun);
  test('every pail went through its life as a pail can, and stands where that ended', async () => {
    const shop = await freshShop(kind, now);
    try {
      const { rows } = await shop.owner.raw<{ rows: Happened[] }>(
        `select * from (${HAPPENED}) as h order by pail, at, n nulls last`,
      );
      expect(rows.length).toBeGreaterThan(50);
      const pails = await shop
        .owner('pail')
        .select<{ id: string; name: string; state: string; sanitised_at: Date | null }[]>(
          'id',
          'name',
          'state',
          'sanitised_at',
        );
      const faults: string[] = [];
      for (const { id, name, state, sanitised_at } of pails) {
        let stands = 'dirty';
        let [steepedAt, cleanAt]: (Date | null)[] = [null, null];
        for (const { at, what, overridden } of rows.filter((r) => r.pail === id)) {
          if (!NEXT[stands]?.includes(what) && !(what === 'filled' && overridden))
            faults.push(`pail ${name} was ${stands} and then ${what} at ${at.toISOString()}`);
          if (at > now) faults.push(`pail ${name}: ${what} in the future`);
          if (what === 'contact') steepedAt = at;
          if (what === 'sanitised' && at.getTime() - (steepedAt?.getTime() ?? 0) < CONTACT_MIN * 60_000)
            faults.push(`pail ${name} steeped under ${CONTACT_MIN} minutes at ${at.toISOString()}`);
          if (what === 'sanitised') cleanAt = at;
          stands = what === 'tipped out' ? 'dirty' : what;
        }
        if (stands !== state) faults.push(`pail ${name} is ${state}, its record ends ${stands}`);
        if (cleanAt?.getTime() !== sanitised_at?.getTime())
          faults.push(
            `pail ${name} says it was clean at ${String(sanitised_at)}, its record ${String(cleanAt)}`,
          );
      }
      expect(faults).toEqual([]);
      const { rows: outside } = await shop.owner.raw<{ rows: unknown[] }>(
        `select s.id from stay s join pail_fill f on f.id = s.fill_id
          where s.from_at < f.filled_at or coalesce(s.to_at, 'infinity') > coalesce(f.emptied_at, 'infinity')`,
      );
      expect(outside).toEqual([]);
    } finally {
      await shop.close();
    }
  }, 120_000);
});
