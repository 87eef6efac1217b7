import type { Knex } from 'knex';

const TABLES = `
alter table lot add constraint lot_of_delivery unique (shop_id, delivery_id, id);
create table lot_flaw (
  id uuid primary key,
  seq bigint generated always as identity,
  shop_id uuid not null references shop,
  lot_id uuid not null,
  kind text not null check (length(kind) between 1 and 40),
  seen int not null check (seen >= 0),
  sample int not null check (sample >= 1),
  withdrawn boolean not null default false,
  seen_at timestamptz not null,
  seen_by uuid not null,
  foreign key (shop_id, lot_id) references lot (shop_id, id),
  foreign key (shop_id, seen_by) references person (shop_id, id),
  check (seen <= sample)
);
create index lot_flaw_latest on lot_flaw (shop_id, lot_id, kind, seq desc);
create trigger lot_flaw_stands before update or delete or truncate on lot_flaw
  for each statement execute function refuse_rewriting();
create table claim (
  id uuid primary key,
  shop_id uuid not null references shop,
  number int not null check (number > 0),
  delivery_id uuid not null,
  lot_id uuid not null,
  kind text not null check (length(kind) between 1 and 40),
  words text not null check (length(words) <= 300),
  stems int not null check (stems > 0),
  value numeric(10,2) check (value >= 0),
  currency text,
  state text not null default 'open' check (state in ('open','sent','credited','refused','withdrawn')),
  opened_at timestamptz not null,
  opened_by uuid not null,
  due_at timestamptz not null,
  settled_value numeric(10,2) check (settled_value >= 0),
  version int not null default 1,
  foreign key (shop_id, delivery_id, lot_id) references lot (shop_id, delivery_id, id),
  foreign key (shop_id, opened_by) references person (shop_id, id),
  unique (shop_id, id),
  unique (shop_id, number),
  check ((state = 'credited') = (settled_value is not null))
);
create index claim_open on claim (shop_id, due_at) where state in ('open','sent');
create table supplier_terms (
  shop_id uuid not null references shop,
  supplier text not null check (length(supplier) between 1 and 120),
  claim_hours int not null check (claim_hours between 1 and 720),
  primary key (shop_id, supplier)
);
`;

/** What is found wrong in a lot, what is claimed for it, and how long each supplier allows. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  const own = `nullif(current_setting('app.shop_id', true), '')::uuid`;
  for (const table of ['lot_flaw', 'claim', 'supplier_terms'])
    await knex.raw(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy own_shop on ${table} using (shop_id = ${own}) with check (shop_id = ${own});
      grant select, insert on ${table} to hush_pail_app;`);
  await knex.raw(
    'grant update (state, settled_value, version) on claim to hush_pail_app; grant update (claim_hours) on supplier_terms to hush_pail_app;',
  );
}
