import type { Knex } from 'knex';

/** What a step says to do is laid down with its plan; a new plan brings new steps, no step is written over. */
const INSTRUCTIONS_STAND = `
create function refuse_new_instruction() returns trigger language plpgsql as $$
begin
  raise exception 'what a step says to do is not changed: a new plan brings new steps' using errcode = '23514';
end $$;
create trigger protocol_step_stands before update on protocol_step
  for each row when (old.step is distinct from new.step or old.kind is distinct from new.kind)
  execute function refuse_new_instruction();
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(INSTRUCTIONS_STAND);
}
