import type { Knex } from 'knex';

/** What the record supports of where stems stood: when they went into which water, and when they were moved. */
interface LotBefore {
  readonly id: string;
  readonly shop_id: string;
  readonly arrived_at: Date;
  readonly is_wet_packed: boolean;
  readonly stems_left: number;
  readonly fill_id: string | null;
  readonly filled_at: Date | null;
  readonly emptied_at: Date | null;
  readonly room_id: string;
  readonly bench_id: string;
  /** First time a drink was begun or done under any plan. */
  readonly drank_at: Date | null;
  readonly moved_at: Date | null;
  readonly last_at: Date | null;
  readonly pours:
    readonly { readonly at: string; readonly fillId: string; readonly emptied: string | null }[] | null;
}

interface Standing {
  readonly at: Date;
  readonly room: string;
  readonly wet: boolean;
  readonly fillId: string | null;
}

const LOTS = `
select l.id, l.shop_id, l.arrived_at, l.packing ~* 'wet|capped|caps|water' as is_wet_packed, l.stems_left,
  l.fill_id, f.filled_at, f.emptied_at, l.room_id,
  coalesce((select r.id from room r where r.shop_id = l.shop_id and r.kind = 'bench' order by r.name limit 1), l.room_id) as bench_id,
  (select min(s.started_at) from protocol_step s where s.portion_id = l.id and s.step->'pail' <> 'null'::jsonb) as drank_at,
  (select max(s.ended_at) from protocol_step s where s.portion_id = l.id and s.kind = 'move' and s.status = 'done') as moved_at,
  greatest((select max(e.at) from record_entry e where e.subject_id = l.id),
    (select max(a.made_at) from arrangement a join arrangement_line al on al.arrangement_id = a.id where al.lot_id = l.id)) as last_at,
  (select jsonb_agg(jsonb_build_object('at', e.at, 'fillId', e.detail->'poured'->>'fillId', 'emptied', pf.emptied_at) order by e.at)
     from record_entry e join pail_fill pf on pf.id::text = e.detail->'poured'->>'fillId'
     where e.subject_id = l.id and not exists (select 1 from record_entry c where c.corrects = e.id)) as pours
from lot l left join pail_fill f on f.id = l.fill_id
where l.id > ? order by l.id limit 500`;

/** Where a lot stood from when, as far as its history tells; the last entry is where it stands. */
function standingsOf(lot: LotBefore): Standing[] {
  const events: Standing[] = [
    { at: lot.arrived_at, room: lot.bench_id, wet: lot.is_wet_packed, fillId: null },
    ...(lot.pours ?? []).map((p) => ({
      at: new Date(p.at),
      room: lot.bench_id,
      wet: true,
      fillId: p.fillId,
    })),
  ];
  const isKnown = events.some((e) => e.fillId === lot.fill_id);
  if (lot.fill_id && lot.filled_at && !isKnown)
    events.push({ at: lot.filled_at, room: lot.bench_id, wet: true, fillId: lot.fill_id });
  // In one water after another since it first drank, where only the last of them is known.
  if (lot.drank_at && lot.fill_id && !events.some((e) => e.wet && e.at <= (lot.drank_at as Date)))
    events.push({ at: lot.drank_at, room: lot.bench_id, wet: true, fillId: null });
  const sorted = events.sort((a, b) => a.at.getTime() - b.at.getTime());
  const last = sorted.at(-1);
  // Some ways out of water left no entry: what stands in none now stands dry from then on.
  if (last?.fillId && lot.fill_id === null && lot.stems_left > 0)
    sorted.push({ at: lot.last_at ?? last.at, room: lot.room_id, wet: lot.is_wet_packed, fillId: null });
  if (lot.fill_id && lot.emptied_at)
    sorted.push({ at: lot.emptied_at, room: lot.room_id, wet: false, fillId: null });
  const moved = lot.moved_at ?? sorted.find((e) => e.fillId !== null)?.at ?? lot.arrived_at;
  if (lot.room_id === lot.bench_id) return sorted;
  const at = sorted.findLastIndex((e) => e.at <= moved);
  const before = sorted[Math.max(0, at)];
  return before
    ? [
        ...sorted.slice(0, at + 1),
        { ...before, at: moved, room: lot.room_id },
        ...sorted.slice(at + 1).map((e) => ({ ...e, room: lot.room_id })),
      ]
    : sorted;
}

/** Strictly later one by one, the last of those at one instant standing for all. */
function oneAtATime(standings: readonly Standing[], from: Date): Standing[] {
  const out: Standing[] = [];
  for (const s of standings) {
    const at = s.at < from ? from : s.at;
    if (out.at(-1)?.at.getTime() === at.getTime()) out.pop();
    out.push({ ...s, at });
  }
  return out;
}

function rowsOf(lot: LotBefore): Record<string, unknown>[] {
  const standings = oneAtATime(standingsOf(lot), lot.arrived_at);
  const isHere = lot.stems_left > 0;
  // Of stems that are gone, and whose going no entry tells, nothing is known past their last.
  const end = isHere ? null : lot.last_at;
  if (!isHere && (end === null || end <= lot.arrived_at)) return [];
  const known = standings.filter((s) => end === null || s.at < end);
  return known.map((s, i) => ({
    portion_id: lot.id,
    shop_id: lot.shop_id,
    room_id: s.room,
    wet: s.wet,
    fill_id: s.fillId,
    from_at: s.at,
    to_at: known[i + 1]?.at ?? end,
    follows: i === 0 ? null : s.at,
  }));
}

const INSERT = `
insert into stay (id, shop_id, portion_id, pail_id, arrangement_id, room_id, temp_c, humidity_pct, lit_hours, wet, fill_id, from_at, to_at, follows)
select gen_random_uuid(), s.shop_id, s.portion_id, s.pail_id, s.arrangement_id, r.id, r.temp_c, r.humidity_pct, r.lit_hours,
  s.wet, s.fill_id, s.from_at, s.to_at, s.follows`;

const PAILS = `${INSERT} from (
  select p.shop_id, null::uuid as portion_id, p.id as pail_id, null::uuid as arrangement_id, true as wet, null::uuid as fill_id,
    least(sh.created_at, (select min(f.filled_at) from pail_fill f where f.pail_id = p.id), p.sanitised_at) as from_at,
    null::timestamptz as to_at, null::timestamptz as follows,
    coalesce((select l.room_id from lot l join pail_fill f on f.id = l.fill_id
        where f.pail_id = p.id and f.emptied_at is null and l.stems_left > 0 order by l.number limit 1),
      (select id from room where shop_id = p.shop_id and kind = 'bench' order by name limit 1)) as room_id
  from pail p join shop sh on sh.id = p.shop_id) s join room r on r.id = s.room_id`;

const ARRANGEMENTS = `${INSERT} from (
  select a.shop_id, null::uuid as portion_id, null::uuid as pail_id, a.id as arrangement_id, true as wet, null::uuid as fill_id,
    a.made_at as from_at, case when a.taken_apart_at > a.made_at then a.taken_apart_at end as to_at, null::timestamptz as follows,
    (select id from room where shop_id = a.shop_id order by (kind = 'floor') desc, (kind = 'bench') desc, name limit 1) as room_id
  from arrangement a where a.taken_apart_at is null or a.taken_apart_at > a.made_at) s join room r on r.id = s.room_id`;

/** Lays the stays that the history of lots, pails and arrangements supports. */
export async function layStaysFromHistory(knex: Knex): Promise<void> {
  let after = '00000000-0000-0000-0000-000000000000';
  for (;;) {
    const { rows: lots } = await knex.raw<{ rows: LotBefore[] }>(LOTS, [after]);
    const last = lots.at(-1);
    if (!last) break;
    after = last.id;
    await knex.raw(
      `${INSERT} from jsonb_to_recordset(?::jsonb) as s(shop_id uuid, portion_id uuid, pail_id uuid, arrangement_id uuid,
         room_id uuid, wet boolean, fill_id uuid, from_at timestamptz, to_at timestamptz, follows timestamptz)
       join room r on r.id = s.room_id`,
      [JSON.stringify(lots.flatMap(rowsOf))],
    );
  }
  await knex.raw(PAILS);
  await knex.raw(ARRANGEMENTS);
}
