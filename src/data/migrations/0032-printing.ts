import type { Knex } from 'knex';

/** What the shop's printers hold: paper for documents and for cards, and labels on a roll where it has one. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
alter table shop add column document_paper text not null default 'A4' check (document_paper in ('A4', 'Letter'));
alter table shop add column card_paper text not null default 'A6' check (card_paper in ('A6', '4x6'));
alter table shop add column label_width_mm integer check (label_width_mm between 25 and 120);
alter table shop add column label_height_mm integer check (label_height_mm between 15 and 160);
alter table shop add constraint shop_label_roll check ((label_width_mm is null) = (label_height_mm is null));
update shop set document_paper = 'Letter', card_paper = '4x6' where units = 'us';
grant update (document_paper, card_paper, label_width_mm, label_height_mm) on shop to hush_pail_app;
`);
}
