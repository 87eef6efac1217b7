import type { Knex } from 'knex';

const TABLE = `
create table supplier_word (
  shop_id uuid not null references shop,
  supplier text not null check (length(supplier) between 1 and 120),
  words text not null check (length(words) between 1 and 120),
  species_key text not null,
  chosen_at timestamptz not null,
  primary key (shop_id, supplier, words)
);
alter table supplier_word enable row level security;
alter table supplier_word force row level security;
create policy own_shop on supplier_word
  using (shop_id = nullif(current_setting('app.shop_id', true), '')::uuid)
  with check (shop_id = nullif(current_setting('app.shop_id', true), '')::uuid);
grant select, insert, update on supplier_word to hush_pail_app;
`;

/** What a supplier's words for a flower were taken to mean last time: the next note is read by it. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLE);
}
