import type { Knex } from 'knex';

/**
 * Who a session is of, and whether what was kept of their shop still stands, in one question of one answer: a page that
 * finds all it shows kept asks the database nothing else. It runs as who asks, under the shop it is told.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
create function live.standing(in_shop uuid, who uuid, in_session uuid, seen pg_snapshot) returns table (
  "id" uuid, "name" text, "role" text, "active" boolean, "shopId" uuid, "shopName" text, "timeZone" text, "demo" boolean,
  "promiseConfidence" float8, "currency" text, "emergency" text, "language" text, "units" text,
  "isUnchanged" boolean, "moment" text
) language plpgsql set search_path = public, live, pg_temp as $$
begin
  perform set_config('app.shop_id', in_shop::text, true);
  return query
    select p.id, p.name, p.role, p.active, s.id, s.name, s.time_zone, s.demo,
      s.promise_confidence::float8, s.currency, s.emergency, p.language, coalesce(p.units, s.units),
      live.unchanged_since(seen), pg_current_snapshot()::text
    from person p join shop s on s.id = p.shop_id join session n on n.person_id = p.id
    where p.id = who and n.id = in_session and n.ended_at is null;
end $$;

revoke all on function live.standing(uuid, uuid, uuid, pg_snapshot) from public;
grant execute on function live.standing(uuid, uuid, uuid, pg_snapshot) to hush_pail_app;
`);
}
