import type { Knex } from 'knex';

/**
 * Whoever worked here may ask that their name be erased. It leaves every row that bore it, in one function
 * of the owner's; entries stand with what was done, when and to what, under a name that says it was erased.
 * While it runs an entry may change its words and nothing else, and an action what it was told; whoever may not call it may
 * change neither.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
alter table person add column erased_at timestamptz;
alter table person add constraint erased_work_here_no_more check (erased_at is null or not active);

create function keep_all_but_words() returns trigger language plpgsql as $$
begin
  if to_jsonb(new) - 'words' - 'message' is distinct from to_jsonb(old) - 'words' - 'message' then
    raise exception '% is append-only: a name is erased, and nothing else', tg_table_name using errcode = 'HP001';
  end if;
  return new;
end $$;
create function keep_all_but_input() returns trigger language plpgsql as $$
begin
  if new.input is not null or to_jsonb(new) - 'input' is distinct from to_jsonb(old) - 'input' then
    raise exception '% is append-only: a name is erased, and nothing else', tg_table_name using errcode = 'HP001';
  end if;
  return new;
end $$;

drop trigger record_entry_stands on record_entry;
create trigger record_entry_stands before delete or truncate on record_entry
  for each statement execute function refuse_rewriting();
create trigger record_entry_stands_rewritten before update on record_entry for each statement
  when (current_setting('app.erasing', true) is distinct from 'a name') execute function refuse_rewriting();
create trigger record_entry_keeps before update on record_entry for each row execute function keep_all_but_words();

drop trigger action_stands on action;
create trigger action_stands before delete or truncate on action
  for each statement execute function refuse_rewriting();
create trigger action_stands_rewritten before update on action for each statement
  when (current_setting('app.erasing', true) is distinct from 'a name') execute function refuse_rewriting();
create trigger action_keeps before update on action for each row execute function keep_all_but_input();

create function erase_name(erased_id uuid, erased_on timestamptz) returns text language plpgsql security definer
  set search_path = public, pg_temp as $$
declare
  here uuid := nullif(current_setting('app.shop_id', true), '')::uuid;
  was person%rowtype;
  no int;
  gone text;
begin
  select * into was from person where id = erased_id and shop_id = here for update;
  if not found or was.active or was.erased_at is not null then return null; end if;
  select count(*) + 1 into no from person where shop_id = here and erased_at is not null;
  gone := 'Name erased ' || no;
  perform set_config('app.erasing', 'a name', true);
  update record_entry e set message = jsonb_set(message, '{with,name}', to_jsonb(gone))
    where e.shop_id = here and e.kind in ('person', 'skill') and e.detail->>'personId' = erased_id::text
      and e.message #> '{with,name}' is not null;
  update record_entry e set words = replace(e.words, was.name, gone)
    where e.shop_id = here and e.kind in ('person', 'skill') and e.words is not null
      and (e.detail->>'personId' = erased_id::text or e.subject_id = erased_id);
  update action a set input = null
    where a.shop_id = here and a.name = 'shop/add-person' and a.result->>'personId' = erased_id::text;
  perform set_config('app.erasing', '', true);
  delete from second_factor where person_id = erased_id;
  delete from sign_in_try t where t.shop_id = here and t.who in (erased_id::text, was.login);
  delete from session s where s.shop_id = here and s.person_id = erased_id;
  update person set name = gone, login = case when login is null then null else 'erased-' || no end,
    secret_hash = 'erased', erased_at = erased_on where id = erased_id;
  return gone;
end $$;
revoke all on function erase_name(uuid, timestamptz) from public;
grant execute on function erase_name(uuid, timestamptz) to hush_pail_app;
`);
}
