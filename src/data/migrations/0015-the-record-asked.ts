import type { Knex } from 'knex';

/** The record is asked by day, by person and by kind: each is read newest first, by its index. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create index record_entry_at on record_entry (shop_id, at);
    create index record_entry_person on record_entry (shop_id, person_id, id desc);
    create index record_entry_hands on record_entry (shop_id, hands_id, id desc) where hands_id is not null;
    create index record_entry_kind on record_entry (shop_id, kind, id desc);`);
}
