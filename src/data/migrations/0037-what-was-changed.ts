import type { Knex } from 'knex';

/**
 * Which transactions changed which shop's rows, so that whoever keeps what was read of a shop knows whether it still
 * stands. One row a transaction and shop, written by the first statement that changes anything: nobody waits for
 * anybody. It lies in a schema of its own: it is no shop's data, and means nothing in another database.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
create schema live;
create table live.change (
  shop_id uuid not null,
  xact xid8 not null default pg_current_xact_id(),
  primary key (shop_id, xact)
);
comment on table live.change is 'shop_id is all noughts where the owner of the database changed rows of any shop';

create function live.tell_change() returns trigger language plpgsql security definer
  set search_path = live, pg_temp as $$
declare
  here text := coalesce(nullif(current_setting('app.shop_id', true), ''), '00000000-0000-0000-0000-000000000000');
  mine text := here || ' ' || pg_current_xact_id();
begin
  if current_setting('app.change_told', true) is distinct from mine then
    insert into live.change (shop_id) values (here::uuid) on conflict do nothing;
    perform set_config('app.change_told', mine, true);
  end if;
  return null;
end $$;

create function live.unchanged_since(seen pg_snapshot) returns boolean language sql stable security definer
  set search_path = live, pg_temp as $$
  select seen is not null
    and pg_snapshot_xmin(seen)::text::bigint > pg_snapshot_xmin(pg_current_snapshot())::text::bigint - ${REMEMBERED}
    and not exists (
    select 1 from live.change
    where shop_id in ('00000000-0000-0000-0000-000000000000', nullif(current_setting('app.shop_id', true), '')::uuid)
      and xact >= pg_snapshot_xmin(seen) and not pg_visible_in_snapshot(xact, seen)
  )
$$;

create function live.forget_old_changes() returns void language sql as $$
  delete from live.change
    where xact < greatest(0, pg_snapshot_xmin(pg_current_snapshot())::text::bigint - ${REMEMBERED})::text::xid8
$$;

revoke all on function live.forget_old_changes(), live.tell_change(), live.unchanged_since(pg_snapshot) from public;
grant usage on schema live to hush_pail_app;
grant execute on function live.unchanged_since(pg_snapshot) to hush_pail_app;

do $$
declare
  tab name;
begin
  for tab in select c.relname from pg_class c join pg_namespace n on n.oid = c.relnamespace
    where n.nspname = 'public' and c.relkind = 'r' and c.relname not like 'knex%'
      and c.relname not in (${UNKEPT.map((t) => `'${t}'`).join()})
  loop
    execute format(
      'create trigger %I after insert or update or delete or truncate on %I for each statement execute function live.tell_change()',
      tab || '_change_told', tab);
  end loop;
end $$;
`);
}

/** What was kept so many transactions ago is taken for changed; what was changed before is forgotten. */
const REMEMBERED = 1_000_000;

/** Nothing of these is kept once it was read: they say who is signed in, or only hang on what tells its change itself. */
const UNKEPT = ['session', 'sign_in_try', 'second_factor', 'action_change'] as const;
