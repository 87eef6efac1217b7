import type { Trx } from './connection';
import { RefusedError } from './errors';
import { newId } from './ids';

type Row = Readonly<Record<string, unknown>>;

/** What an action made of one row: as it was before (null where it was not there), and after. */
interface Change {
  readonly tab: string;
  readonly rowId: string;
  readonly before: Row | null;
  readonly after: Row;
}

const TOUCHED_SINCE = 'Something was done with it since. Nothing was changed; take the later one back first.';

/** Has the rows that this transaction changes kept with the action of that key. */
export async function keepChanges(trx: Trx, actionKey: string): Promise<void> {
  await trx.raw(`select set_config('app.action_key', ?, true)`, [actionKey]);
}
async function keepNoChanges(trx: Trx): Promise<void> {
  await trx.raw(`select set_config('app.action_key', '', true)`);
}

/** All that an action did to each row, as one change a row; columns as they first were and last became. */
async function manyChanges(trx: Trx, actionKey: string): Promise<Change[]> {
  const steps: Change[] = await trx('action_change')
    .where({ action_key: actionKey })
    .orderBy('seq')
    .select({ tab: 'tab', rowId: 'row_id', before: 'before', after: 'after' });
  const byRow = new Map<string, Change>();
  for (const step of steps) {
    const key = `${step.tab} ${step.rowId}`;
    const first = byRow.get(key);
    byRow.set(
      key,
      first
        ? {
            ...first,
            before: first.before && { ...step.before, ...first.before },
            after: { ...first.after, ...step.after },
          }
        : step,
    );
  }
  return [...byRow.values()];
}

async function rowNow(trx: Trx, { tab, rowId }: Change): Promise<Row | undefined> {
  const { rows } = await trx.raw<{ rows: { now: Row }[] }>(
    'select to_jsonb(t) as now from ?? as t where id = ?',
    [tab, rowId],
  );
  return rows[0]?.now;
}

async function setColumns(trx: Trx, tab: string, rowId: string, columns: Row): Promise<void> {
  const names = Object.keys(columns);
  if (names.length === 0) return;
  const list = names.map(() => '??').join();
  await trx.raw(
    `update ?? set (${list}) = (select ${list} from jsonb_populate_record(null::??, ?::jsonb)) where id = ?`,
    [tab, ...names, ...names, tab, JSON.stringify(columns), rowId],
  );
}

/** Stems are given back by number: what was taken since stays taken. Everything else is as the action left it, or stays. */
async function restoreRow(trx: Trx, change: Change): Promise<void> {
  const now = await rowNow(trx, change);
  if (!now || !change.before) throw new RefusedError(TOUCHED_SINCE);
  const columns: Record<string, unknown> = { ...change.before };
  for (const [name, was] of Object.entries(change.before)) {
    const [is, became] = [now[name], change.after[name]];
    if (change.tab === 'portion' && name === 'stems')
      columns[name] = Number(is) + Number(was) - Number(became);
    else if (JSON.stringify(is) !== JSON.stringify(became)) throw new RefusedError(TOUCHED_SINCE);
  }
  await setColumns(trx, change.tab, change.rowId, columns);
}

/** What an action put in is taken out again, in the way its table has for it. */
const TAKE_OUT: Readonly<Record<string, (trx: Trx, change: Change, at: Date) => Promise<unknown>>> = {
  // The line of a place that it never was in: what was done and corrected stands in the record.
  stay: (trx, { rowId }) => trx('stay').where({ id: rowId }).delete(),
  portion: async (trx, { rowId, after }) => {
    const emptied = await trx('portion')
      .where({ id: rowId, stems: Number(after.stems) })
      .update({ stems: 0 });
    if (emptied === 0)
      throw new RefusedError(
        'Stems of what was set apart were used or binned since. Nothing was changed; take that back first.',
      );
  },
  pail_fill: (trx, { rowId }, at) =>
    trx('pail_fill')
      .where({ id: rowId })
      .whereNull('emptied_at')
      .update({ emptied_at: trx.raw('greatest(?::timestamptz, filled_at)', [at]) }),
  arrangement: (trx, { rowId }, at) => trx('arrangement').where({ id: rowId }).update({ taken_apart_at: at }),
  claim: async (trx, { rowId }) => {
    const withdrawn = await trx('claim').where({ id: rowId, state: 'open' }).update({ state: 'withdrawn' });
    if (withdrawn === 0)
      throw new RefusedError('Its claim has gone on since. Nothing was changed; see to the claim first.');
  },
  lot_photo: (trx, { rowId }, at) => trx('lot_photo').where({ id: rowId }).update({ withdrawn_at: at }),
  expected_delivery: async (trx, { rowId }) => {
    const called = await trx('expected_delivery')
      .where({ id: rowId, state: 'expected' })
      .update({ state: 'called-off' });
    if (called === 0)
      throw new RefusedError('That order has come or was called off since. Nothing was changed.');
  },
  // Without portions a lot is in no list; its number is never used again.
  lot: () => Promise.resolve(),
};

/**
 * A portion that has stems again stands again where it last stood; where that water was tipped out
 * meanwhile, it has stood dry from then.
 */
async function standAgain(trx: Trx, portionId: string): Promise<void> {
  const { rows } = await trx.raw<{ rows: { id: string; emptied_at: Date | null }[] }>(
    `select s.id, f.emptied_at from stay s join portion p on p.id = s.portion_id left join pail_fill f on f.id = s.fill_id
     where s.subject_id = ? and p.stems > 0 order by s.from_at desc limit 1`,
    [portionId],
  );
  const [last] = rows;
  if (!last) return;
  await trx('stay').where({ id: last.id }).update({ to_at: last.emptied_at });
  if (last.emptied_at === null) return;
  await trx.raw(
    `insert into stay (id, shop_id, portion_id, room_id, temp_c, humidity_pct, lit_hours, wet, from_at, follows)
     select ?::uuid, shop_id, portion_id, room_id, temp_c, humidity_pct, lit_hours, false, to_at, to_at from stay where id = ?`,
    [newId(), last.id],
  );
}

/** Pails and their water first, so that what stood in it can stand in it again. */
const FIRST: readonly string[] = ['pail', 'pail_fill', 'lot'];

/**
 * Restores every row an action changed, and takes out what it put in.
 * @throws RefusedError when something else was done with any of it since
 */
export async function restoreChanges(trx: Trx, actionKey: string, at: Date): Promise<void> {
  const changes = await manyChanges(trx, actionKey);
  await keepNoChanges(trx);
  const added = changes.filter((c) => c.before === null);
  const altered = changes.filter((c) => c.before !== null);
  const moved = new Set(added.filter((c) => c.tab === 'stay').map((c) => c.after.subject_id));
  for (const change of added.filter((c) => c.tab === 'stay')) await TAKE_OUT.stay?.(trx, change, at);
  for (const change of altered.filter((c) => FIRST.includes(c.tab))) await restoreRow(trx, change);
  for (const change of altered.filter((c) => !FIRST.includes(c.tab))) await restoreRow(trx, change);
  for (const { rowId } of altered.filter((c) => c.tab === 'portion'))
    if (!moved.has(rowId)) await standAgain(trx, rowId);
  for (const change of added.filter((c) => c.tab !== 'stay')) await TAKE_OUT[change.tab]?.(trx, change, at);
}
