import type { Knex } from 'knex';

/** What must hold of a shop's database whatever was done to it, and by how many at once: each finds what does not. */
const RULES: Readonly<Record<string, string>> = {
  'stems stand somewhere, and where there are none, none stand': `
    select p.id from portion p where (stems > 0) <> exists (select 1 from stay where portion_id = p.id and to_at is null)`,
  'no line of stays has a gap': `
    select id from (select id, follows, lag(to_at) over (partition by subject_id order by from_at) as ended from stay) s
    where follows is distinct from ended`,
  'nothing stands in water that was tipped out': `
    select s.id from stay s join pail_fill f on f.id = s.fill_id where s.to_at is null and f.emptied_at is not null`,
  'what stands in a pail is where the pail is': `
    select s.id from stay s join pail_fill f on f.id = s.fill_id join stay p on p.pail_id = f.pail_id and p.to_at is null
    where s.to_at is null and s.room_id <> p.room_id`,
  'a lot has the stems of its portions, and no more than were booked': `
    select l.id from lot l left join portion p on p.lot_id = l.id group by l.id
    having l.stems_left <> coalesce(sum(p.stems), 0) or l.stems_left > l.stems_booked or l.stems_left < 0`,
  'every stem is in its lot, in an arrangement, in the bin, or sent back': `
    with gone as (
      select p.lot_id, sum(al.stems) as stems from arrangement_line al join arrangement a on a.id = al.arrangement_id
        join portion p on p.id = al.portion_id where a.taken_apart_at is null group by 1
      union all
      select p.lot_id, sum((f->>'stems')::int) from record_entry e, jsonb_array_elements(e.detail->'from') f
        join portion p on p.id = (f->>'portionId')::uuid
        where e.kind = 'bin' and e.detail_v = 2 and not exists (select 1 from record_entry c where c.corrects = e.id) group by 1
      union all
      select e.subject_id, sum((e.detail->>'stems')::int) from record_entry e
        where e.kind = 'decide' and e.detail_v = 2 and not exists (select 1 from record_entry c where c.corrects = e.id) group by 1)
    select l.id from lot l join delivery d on d.id = l.delivery_id left join gone g on g.lot_id = l.id
    where l.merged_into is null and d.taken_back_at is null and exists (select 1 from action a where a.shop_id = l.shop_id and a.at >= l.arrived_at)
      and l.arrived_at >= (select min(at) from action)
      and not exists (select 1 from lot m where m.merged_into = l.id)
      and not exists (select 1 from portion p where p.lot_id = l.id and p.no = 1 and not exists (select 1 from stay where portion_id = p.id) and p.stems = 0)
    group by l.id having l.stems_booked <> l.stems_left + coalesce(sum(g.stems), 0)`,
  'a pail is filled while it has water, and has it while it is filled': `
    select p.id from pail p where (p.state = 'filled') <> exists (select 1 from pail_fill f where f.pail_id = p.id and f.emptied_at is null)`,
  'what bleeds stands alone': `
    select s.id from stay s join portion p on p.id = s.portion_id join lot l on l.id = p.lot_id
      join stay o on o.fill_id = s.fill_id and o.to_at is null join portion q on q.id = o.portion_id join lot m on m.id = q.lot_id
    where s.to_at is null and p.sap_open and l.species_key <> m.species_key and p.stems > 0 and q.stems > 0`,
  'the same stems are claimed once, nor more than there are': `
    select lot_id from claim c join lot l on l.id = c.lot_id where c.state in ('open','sent','credited') and not c.repeats and c.kind <> 'short'
    group by lot_id, l.stems_booked having sum(c.stems) > l.stems_booked`,
  'an arrangement stands somewhere until it is taken apart': `
    select a.id from arrangement a where (a.taken_apart_at is null) <> exists (select 1 from stay where arrangement_id = a.id and to_at is null)`,
  'an entry is of an action that was done, by the one who did it': `
    select e.id from record_entry e where e.detail_v > 1 and exists (select 1 from action a where a.at <= e.at)
      and e.logged_at > (select min(logged_at) from action)
      and not exists (select 1 from action a where a.key = e.action_key and a.person_id = e.person_id)`,
  'an action wrote each of its entries once': `
    select action_key from record_entry where corrects is null group by action_key, kind, subject_id, part_id, words, message having count(*) > 1`,
  'an order that came came with a delivery that stands': `
    select x.id from expected_delivery x join delivery d on d.id = x.delivery_id where d.taken_back_at is not null`,
  'a line that was booked is a lot': `
    select k.id from kept_line k where (k.fate = 'booked') <> (k.lot_id is not null)`,
};

/** The rules that do not hold, each with how many rows break it; empty where all is sound. */
export async function unsound(owner: Knex): Promise<string[]> {
  const broken: string[] = [];
  for (const [rule, sql] of Object.entries(RULES)) {
    const { rows } = await owner.raw<{ rows: object[] }>(sql);
    if (rows.length > 0) broken.push(`${rule}: ${rows.length}, e.g. ${JSON.stringify(rows[0])}`);
  }
  return broken;
}
