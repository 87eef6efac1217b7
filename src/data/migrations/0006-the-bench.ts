import type { Knex } from 'knex';

const OWN_SHOP = `nullif(current_setting('app.shop_id', true), '')::uuid`;
const SHOP_TABLES = ['house_setting', 'own_species', 'skill_shown', 'at_bench', 'bench_plan'] as const;
const APPEND_ONLY = ['house_setting', 'own_species', 'skill_shown'] as const;

const TABLES = `
create table house_setting (
  seq bigint generated always as identity primary key,
  shop_id uuid not null references shop,
  kind text not null check (kind in ('school','limit','has','who may')),
  subject text not null default '' check (length(subject) <= 60),
  key text not null check (length(key) between 1 and 60),
  value text check (length(value) between 1 and 60),
  reason text not null check (length(trim(reason)) between 1 and 200),
  set_at timestamptz not null,
  set_by uuid not null,
  foreign key (shop_id, set_by) references person (shop_id, id),
  check (kind = 'school' or subject = '')
);
create index house_setting_latest on house_setting (shop_id, kind, subject, key, seq desc);
create table own_species (
  seq bigint generated always as identity primary key,
  id uuid not null,
  shop_id uuid not null references shop,
  species_key text not null check (species_key ~ '^[a-z0-9][a-z0-9-]{1,60}$'),
  species jsonb,
  edits jsonb not null default '[]' check (jsonb_typeof(edits) = 'array'),
  reason text not null check (length(trim(reason)) between 1 and 200),
  set_at timestamptz not null,
  set_by uuid not null,
  foreign key (shop_id, set_by) references person (shop_id, id),
  unique (shop_id, id)
);
create index own_species_latest on own_species (shop_id, species_key, seq desc);
create table skill_shown (
  seq bigint generated always as identity primary key,
  shop_id uuid not null references shop,
  person_id uuid not null,
  skill text not null check (skill in ('knife','secateurs','hot water')),
  shown boolean not null,
  at timestamptz not null,
  shown_by uuid not null,
  foreign key (shop_id, person_id) references person (shop_id, id),
  foreign key (shop_id, shown_by) references person (shop_id, id)
);
create index skill_shown_latest on skill_shown (shop_id, person_id, skill, seq desc);
create table at_bench (
  shop_id uuid not null references shop,
  person_id uuid not null,
  came_at timestamptz not null,
  left_at timestamptz check (left_at >= came_at),
  primary key (shop_id, person_id),
  foreign key (shop_id, person_id) references person (shop_id, id)
);
create table bench_plan (
  shop_id uuid primary key references shop,
  version int not null default 1,
  made_at timestamptz not null,
  made_by uuid not null,
  plan jsonb not null,
  foreign key (shop_id, made_by) references person (shop_id, id)
);
alter table lot
  add column purpose text not null default 'usual'
    check (purpose in ('usual','sell soon','hold','force','event','dry')),
  add column event_on date,
  add column sap_open boolean not null default false,
  add constraint lot_event_has_a_day check ((purpose = 'event') = (event_on is not null));
alter table protocol_step
  add column used jsonb,
  add column outcome text check (outcome in ('upright','recovering','hanging')),
  add column hands_id uuid,
  add constraint protocol_step_hands foreign key (shop_id, hands_id) references person (shop_id, id);
update protocol_step
  set step = '{"params":{"kind":"unknown"},"isPlain":true,"changes":[],"stems":"all","who":null,"needs":[],"risk":null}'::jsonb || step
  where step->'changes' is null;
update lot l set sap_open = true where exists (
  select 1 from protocol_step s where s.lot_id = l.id and s.plan_no = l.plan_no
    and s.kind = 'sap-soak' and s.status <> 'done');
`;

/** Whatever code does: sap that runs shares no water with another kind. */
const RULES = `
create function keep_sap_apart() returns trigger language plpgsql as $$
begin
  if new.fill_id is not null and new.stems_left > 0 and exists
     (select 1 from lot o where o.fill_id = new.fill_id and o.id <> new.id and o.stems_left > 0
        and o.species_key <> new.species_key and (o.sap_open or new.sap_open)) then
    raise exception 'sap runs: it shares no water with another kind' using errcode = 'HP003';
  end if;
  return new;
end $$;
create function follow_sap() returns trigger language plpgsql as $$
begin
  if new.status = 'done' and (tg_op = 'INSERT' or old.status <> 'done') then
    if tg_op = 'UPDATE' then
      update lot set sap_open = false where id = new.lot_id and plan_no = new.plan_no and sap_open;
    end if;
  elsif new.kind = 'sap-soak' and new.status <> 'done' and (tg_op = 'INSERT' or old.status = 'done') then
    update lot set sap_open = true where id = new.lot_id and not sap_open;
  end if;
  return new;
end $$;
create trigger protocol_step_sap after insert or update of status on protocol_step
  for each row when (new.kind in ('sap-soak','sap-dab')) execute function follow_sap();
create trigger lot_sap_apart before insert or update of fill_id, sap_open, stems_left on lot
  for each row execute function keep_sap_apart();
`;

/** The house's ways, its own species and protocols, skills, who is at the bench, the plan, and what steps really were. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  await knex.raw(RULES);
  for (const table of SHOP_TABLES)
    await knex.raw(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy own_shop on ${table} using (shop_id = ${OWN_SHOP}) with check (shop_id = ${OWN_SHOP});
      grant select, insert on ${table} to hush_pail_app;`);
  for (const table of APPEND_ONLY)
    await knex.raw(
      `create trigger ${table}_stands before update or delete or truncate on ${table} for each statement execute function refuse_rewriting();`,
    );
  await knex.raw('grant update on at_bench, bench_plan to hush_pail_app;');
}
