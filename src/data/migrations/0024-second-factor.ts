import type { Knex } from 'knex';
import { underShop } from './under-shop';

/**
 * A second factor of whoever signs in by a password: the secret their telephone counts with. The last code that
 * was taken is kept as its step of thirty seconds, so that none is taken twice.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
create table second_factor (
  person_id uuid primary key,
  shop_id uuid not null references shop,
  factor_secret text not null check (factor_secret ~ '^[A-Z2-7]{16,64}$'),
  since timestamptz not null,
  last_step bigint not null default 0,
  foreign key (shop_id, person_id) references person (shop_id, id)
);
`);
  await underShop(knex, ['second_factor']);
  await knex.raw('grant update (last_step), delete on second_factor to hush_pail_app');
}
