import type { Knex } from 'knex';
import { underShop } from './under-shop';

const TABLES = `
alter table person drop constraint person_role_check, drop constraint person_check;
update person p set role = 'owner' where p.role = 'manager'
  and not exists (select 1 from person o where o.shop_id = p.shop_id and o.role = 'manager' and o.name < p.name);
alter table person
  drop column failed_attempts, drop column locked_until, drop column session_epoch,
  add constraint person_role check (role in ('owner','manager','hand','auditor')),
  add constraint person_signs_in check ((role = 'hand') = (login is null));
create table session (
  id uuid primary key,
  shop_id uuid not null references shop,
  person_id uuid not null,
  began_at timestamptz not null,
  address text not null check (length(address) between 1 and 80),
  device text not null check (length(device) <= 40),
  ended_at timestamptz check (ended_at >= began_at),
  foreign key (shop_id, person_id) references person (shop_id, id)
);
create index session_open on session (shop_id, person_id) where ended_at is null;
create index session_from on session (shop_id, address, began_at);
create table sign_in_try (
  shop_id uuid not null references shop,
  who text not null check (length(who) between 1 and 80),
  address text not null check (length(address) between 1 and 80),
  failed int not null check (failed > 0),
  last_at timestamptz not null,
  locked_until timestamptz,
  primary key (shop_id, who, address)
);
`;

/**
 * A shop has an owner, and those who only read; each session is a row that can be ended; wrong tries are
 * counted by whom they ask for and from where, so that a stranger locks nobody out but themselves.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  await underShop(knex, ['session', 'sign_in_try']);
  await knex.raw(`grant update (ended_at) on session to hush_pail_app;
    grant update, delete on sign_in_try to hush_pail_app;
    grant update (active, secret_hash) on person to hush_pail_app;`);
}
