import type { Knex } from 'knex';

const TABLE = `
create table own_figure (
  id uuid primary key,
  seq bigint generated always as identity,
  shop_id uuid not null references shop,
  kind text not null check (kind in ('constant','species','solution')),
  subject text not null default '' check (length(subject) <= 60),
  figure text not null check (length(figure) between 1 and 60),
  value double precision,
  reason text not null check (length(trim(reason)) between 1 and 200),
  set_at timestamptz not null,
  set_by uuid not null,
  foreign key (shop_id, set_by) references person (shop_id, id),
  unique (shop_id, id),
  check ((kind = 'constant') = (subject = ''))
);
create index own_figure_latest on own_figure (shop_id, kind, subject, figure, seq desc);
alter table own_figure enable row level security;
alter table own_figure force row level security;
create policy own_shop on own_figure
  using (shop_id = nullif(current_setting('app.shop_id', true), '')::uuid)
  with check (shop_id = nullif(current_setting('app.shop_id', true), '')::uuid);
grant select, insert on own_figure to hush_pail_app;
create trigger own_figure_stands before update or delete or truncate on own_figure
  for each statement execute function refuse_rewriting();
`;

/**
 * A shop's own figures in the place of the model's. Each setting is a row that stands: what was
 * forecast under an older one can still be told from it. A null value goes back to ours.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLE);
}
