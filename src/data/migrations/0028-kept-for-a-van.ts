import type { Knex } from 'knex';

/** Clean pails that are kept for a delivery that is expected: they are not poured into the night before. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
alter table pail add column reserved_for uuid;
alter table pail add constraint pail_reserved_for foreign key (shop_id, reserved_for) references expected_delivery (shop_id, id);
create index pail_reserved on pail (reserved_for) where reserved_for is not null;
`);
}
