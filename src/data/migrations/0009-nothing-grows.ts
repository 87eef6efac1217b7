import type { Knex } from 'knex';

/** What every page asks is counted by an index of what is still to be done, never by going through what is done. */
const CARDS_DUE = `
alter table arrangement add column card_due boolean not null default true;
update arrangement a set card_due = a.taken_apart_at is null and not exists (
  select 1 from care_card c where c.arrangement_id = a.id and not coalesce(
    (select w.withdrawn from card_withdrawal w where w.card_id = c.id order by w.seq desc limit 1), false));
create index arrangement_card_due on arrangement (shop_id, made_at desc) where card_due;
create index arrangement_newest on arrangement (shop_id, made_at desc, id desc) where taken_apart_at is null;
create index care_card_newest on care_card (shop_id, issued_at desc);
create function is_card_due(which uuid) returns boolean language sql stable as $$
  select not exists (select 1 from care_card c where c.arrangement_id = which and not coalesce(
    (select w.withdrawn from card_withdrawal w where w.card_id = c.id order by w.seq desc limit 1), false))
$$;
create function follow_card() returns trigger language plpgsql as $$
declare
  which uuid := coalesce((to_jsonb(new)->>'arrangement_id')::uuid,
    (select c.arrangement_id from care_card c where c.id = (to_jsonb(new)->>'card_id')::uuid));
begin
  update arrangement set card_due = taken_apart_at is null and is_card_due(which) where id = which;
  return null;
end $$;
create trigger care_card_due after insert on care_card for each row execute function follow_card();
create trigger card_withdrawal_due after insert on card_withdrawal for each row execute function follow_card();
create function follow_taking_apart() returns trigger language plpgsql as $$
begin
  new.card_due := new.taken_apart_at is null and is_card_due(new.id);
  return new;
end $$;
create trigger arrangement_card_due before update of taken_apart_at on arrangement
  for each row execute function follow_taking_apart();
grant update (card_due) on arrangement to hush_pail_app;
`;

/** Settled claims are read newest first, page by page; those of one delivery by it. */
const CLAIMS = `
alter table claim add column moved_at timestamptz;
-- What was settled for more than it asked before that was refused stands as it is.
alter table claim drop constraint claim_settled_within;
update claim c set moved_at = coalesce(
  (select max(e.at) from record_entry e where e.shop_id = c.shop_id and e.subject_id = c.id), c.opened_at);
alter table claim alter column moved_at set not null;
alter table claim add constraint claim_settled_within
  check (settled_value is null or value is null or settled_value <= value) not valid;
grant update (moved_at) on claim to hush_pail_app;
create index claim_settled on claim (shop_id, moved_at desc, number desc) where state in ('credited','refused');
create index claim_of_delivery on claim (delivery_id);
`;

/** The steps of a portion that is used up end with it: nobody waits for them, and no list goes through them. */
const STEPS = `
alter table protocol_step add column is_live boolean not null default true;
update protocol_step s set is_live = false from portion p where p.id = s.portion_id and p.stems = 0;
drop index protocol_step_open;
create index protocol_step_running on protocol_step (shop_id, due_at) where status = 'running' and is_live;
create function end_steps_with_portion() returns trigger language plpgsql as $$
begin
  update protocol_step set is_live = new.stems > 0 where portion_id = new.id and is_live <> (new.stems > 0);
  return null;
end $$;
create trigger portion_steps_live after update of stems on portion
  for each row when ((old.stems > 0) <> (new.stems > 0)) execute function end_steps_with_portion();
`;

const REST = `
drop index action_of_person;
create index action_of_person on action (shop_id, person_id, logged_at desc, seq desc);
create index bunch_weighing_of_species on bunch_weighing (shop_id, species_key, weighed_at desc);
create index delivery_by_ref on delivery (shop_id, delivery_ref);
create or replace function log_change() returns trigger language plpgsql as $$
declare
  action uuid := nullif(current_setting('app.action_key', true), '')::uuid;
  was jsonb;
  is_now jsonb := to_jsonb(new);
begin
  if action is null then return null; end if;
  if tg_op = 'INSERT' then
    insert into action_change (shop_id, action_key, tab, row_id, before, after)
      values (new.shop_id, action, tg_table_name, new.id, null, is_now - 'jpeg');
    return null;
  end if;
  was := to_jsonb(old);
  select jsonb_object_agg(k, v) into was from jsonb_each(was) as e(k, v)
    where v is distinct from is_now -> k
      and k not in ('version','stems_left','in_hand_by','in_hand_at','subject_id','in_open_water','is_open',
        'card_due','moved_at','is_live');
  if was is not null then
    insert into action_change (shop_id, action_key, tab, row_id, before, after)
      values (new.shop_id, action, tg_table_name, new.id, was,
        (select jsonb_object_agg(k, is_now -> k) from jsonb_object_keys(was) as k));
  end if;
  return null;
end $$;
`;

/** Whoever listens hears that something was done in a shop, as it is committed. */
const TELLS = `
create function tell_action() returns trigger language plpgsql as $$
begin
  perform pg_notify('hush_pail_done', json_build_object('shop', new.shop_id, 'name', new.name, 'key', new.key)::text);
  return null;
end $$;
create trigger action_told after insert on action for each row execute function tell_action();
`;

export async function up(knex: Knex): Promise<void> {
  for (const part of [CARDS_DUE, CLAIMS, STEPS, REST, TELLS]) await knex.raw(part);
}
