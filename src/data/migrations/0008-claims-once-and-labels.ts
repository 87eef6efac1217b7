import type { Knex } from 'knex';

/** One stem is claimed once: by index for a flaw, by sum for the lot. What was claimed twice before is marked, and stands. */
const CLAIMS = `
alter table claim add column repeats boolean not null default false;
update claim c set repeats = true
  where c.state in ('open','sent','credited') and exists (
    select 1 from claim o where o.lot_id = c.lot_id and o.kind = c.kind and o.number < c.number
      and o.state in ('open','sent','credited'));
create unique index claim_once on claim (lot_id, kind) where state in ('open','sent','credited') and not repeats;
alter table claim add constraint claim_settled_within
  check (settled_value is null or value is null or settled_value <= value) not valid;
create index claim_of_lot on claim (lot_id);
create function keep_claims_within() returns trigger language plpgsql as $$
declare
  which uuid := coalesce((to_jsonb(new)->>'lot_id')::uuid, (to_jsonb(new)->>'id')::uuid);
  booked int;
  short int;
begin
  select stems_booked, stems_short into booked, short from lot where id = which for no key update;
  if (select coalesce(sum(stems), 0) from claim where lot_id = which and kind <> 'short'
        and state in ('open','sent','credited') and not repeats) > booked
    or (select coalesce(sum(stems), 0) from claim where lot_id = which and kind = 'short'
        and state in ('open','sent','credited') and not repeats) > greatest(short, 0) then
    raise exception 'more stems are claimed than there are' using errcode = 'HP005';
  end if;
  return null;
end $$;
create constraint trigger claim_within after insert or update of state, stems on claim
  deferrable initially deferred for each row when (new.state in ('open','sent','credited') and not new.repeats)
  execute function keep_claims_within();
create constraint trigger lot_claims_within after update of stems_booked, stems_short on lot
  deferrable initially deferred for each row
  when (new.stems_booked < old.stems_booked or new.stems_short < old.stems_short)
  execute function keep_claims_within();
`;

/** Labels are told apart by the database: a short number, counted up in its shop, never used again. */
const LABELS = `
alter table pail add column label_no int check (label_no > 0);
update pail p set label_no = n.label_no from (
  select id, row_number() over (partition by shop_id order by length(name), name)::int as label_no from pail) n
  where n.id = p.id;
alter table pail alter column label_no set not null, add constraint pail_label unique (shop_id, label_no);
create function number_pail_label() returns trigger language plpgsql as $$
begin
  if new.label_no is null then
    perform pg_advisory_xact_lock(hashtextextended(new.shop_id::text, 3));
    select coalesce(max(label_no), 0) + 1 into new.label_no from pail where shop_id = new.shop_id;
  end if;
  return new;
end $$;
create trigger pail_label_number before insert on pail for each row execute function number_pail_label();
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(CLAIMS);
  await knex.raw(LABELS);
  // What a correction takes back of a supplier's terms is that they were ever noted; the record has it.
  await knex.raw('grant delete on supplier_terms to hush_pail_app');
}
