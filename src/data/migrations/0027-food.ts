import type { Knex } from 'knex';
import { underShop } from './under-shop';

/** What the shop feeds with: each product by its label, and what it is measured with. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
create table food (
  shop_id uuid not null references shop,
  solution text not null check (solution in ('flower-food', 'bulb-food', 'holding')),
  name text not null check (length(name) between 1 and 60),
  a_litre numeric(6,2) not null check (a_litre between 0.1 and 200),
  unit text not null check (unit in ('mL', 'g')),
  sachet_l numeric(5,2) check (sachet_l between 0.1 and 50),
  cup_name text check (length(cup_name) between 1 and 20),
  cup_holds numeric(5,1) check (cup_holds between 0.5 and 500),
  constraint food_cup_is_whole check ((cup_name is null) = (cup_holds is null)),
  primary key (shop_id, solution)
);
`);
  await underShop(knex, ['food']);
  await knex.raw('grant update, delete on food to hush_pail_app;');
}
