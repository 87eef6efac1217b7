/** What the database itself holds of stays, portions and sap, and how it keeps what an action changed. */
export const RULES = `
create function keep_line_whole() returns trigger language plpgsql as $$
declare
  subject uuid := coalesce(new.portion_id, new.pail_id, new.arrangement_id);
  broken bigint;
begin
  select count(*) into broken from (
    select from_at, follows, lag(to_at) over (order by from_at) as ended from stay where subject_id = subject
  ) s where s.follows is distinct from s.ended;
  if broken > 0 then
    raise exception 'a line of stays has a gap' using errcode = 'HP004';
  end if;
  return null;
end $$;
create constraint trigger stay_line_whole after insert or update on stay
  deferrable initially deferred for each row execute function keep_line_whole();
create function keep_portion_somewhere() returns trigger language plpgsql as $$
declare
  which uuid := case tg_table_name when 'portion' then (to_jsonb(new)->>'id')::uuid
    else (to_jsonb(new)->>'portion_id')::uuid end;
  stems_now int;
  stands boolean;
begin
  if which is null then return null; end if;
  select stems into stems_now from portion where id = which;
  stands := exists (select 1 from stay where subject_id = which and to_at is null);
  if (stems_now > 0) <> stands then
    raise exception 'stems stand somewhere, and where none are none stand' using errcode = 'HP004';
  end if;
  return null;
end $$;
create constraint trigger portion_somewhere after insert or update of stems on portion
  deferrable initially deferred for each row execute function keep_portion_somewhere();
create constraint trigger stay_somewhere after insert or update on stay
  deferrable initially deferred for each row execute function keep_portion_somewhere();

create function count_lot_stems() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' then
    if new.lot_id = old.lot_id then
      if new.stems <> old.stems then
        update lot set stems_left = stems_left + new.stems - old.stems where id = new.lot_id;
      end if;
      return null;
    end if;
    update lot set stems_left = stems_left - old.stems where id = old.lot_id;
  end if;
  update lot set stems_left = stems_left + new.stems where id = new.lot_id;
  return null;
end $$;
alter table lot drop constraint lot_stems_left, add constraint lot_stems_left check (stems_left >= 0);
create function keep_lot_within() returns trigger language plpgsql as $$
begin
  if exists (select 1 from lot where id = new.id and stems_left > stems_booked) then
    raise exception 'more stems than the lot has' using errcode = 'HP006';
  end if;
  return null;
end $$;
create constraint trigger lot_within_booked after update of stems_left, stems_booked on lot
  deferrable initially deferred for each row execute function keep_lot_within();
create trigger portion_counts after insert or update of stems, lot_id on portion
  for each row execute function count_lot_stems();

create or replace function keep_sap_apart() returns trigger language plpgsql as $$
declare
  mine record;
begin
  select s.fill_id, p.id, p.sap_open, l.species_key into mine
    from portion p join lot l on l.id = p.lot_id
    join stay s on s.subject_id = p.id and s.to_at is null and s.fill_id is not null
    where p.id = case tg_table_name when 'portion' then (to_jsonb(new)->>'id')::uuid
      else (to_jsonb(new)->>'portion_id')::uuid end and p.stems > 0;
  if not found then return null; end if;
  -- Two that come to one water at once take turns.
  perform 1 from pail_fill where id = mine.fill_id for no key update;
  if exists (
    select 1 from stay o join portion p on p.id = o.portion_id join lot l on l.id = p.lot_id
    where o.fill_id = mine.fill_id and o.to_at is null and p.id <> mine.id and p.stems > 0
      and l.species_key <> mine.species_key and (p.sap_open or mine.sap_open)) then
    raise exception 'sap runs: it shares no water with another kind' using errcode = 'HP003';
  end if;
  return null;
end $$;
create trigger stay_sap_apart after insert or update of fill_id, to_at on stay
  for each row when (new.fill_id is not null and new.to_at is null) execute function keep_sap_apart();
create trigger portion_sap_apart after update of sap_open, stems on portion
  for each row execute function keep_sap_apart();
create or replace function follow_sap() returns trigger language plpgsql as $$
begin
  if new.status = 'done' and (tg_op = 'INSERT' or old.status <> 'done') then
    if tg_op = 'UPDATE' then
      update portion set sap_open = false where id = new.portion_id and plan_no = new.plan_no and sap_open;
    end if;
  elsif new.kind = 'sap-soak' and new.status <> 'done' and (tg_op = 'INSERT' or old.status = 'done') then
    update portion set sap_open = true where id = new.portion_id and not sap_open;
  end if;
  return new;
end $$;
create trigger protocol_step_sap after insert or update of status on protocol_step
  for each row when (new.kind in ('sap-soak','sap-dab')) execute function follow_sap();

create function log_change() returns trigger language plpgsql as $$
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
      and k not in ('version','stems_left','in_hand_by','in_hand_at','subject_id','in_open_water','is_open');
  if was is not null then
    insert into action_change (shop_id, action_key, tab, row_id, before, after)
      values (new.shop_id, action, tg_table_name, new.id, was,
        (select jsonb_object_agg(k, is_now -> k) from jsonb_object_keys(was) as k));
  end if;
  return null;
end $$;
`;
