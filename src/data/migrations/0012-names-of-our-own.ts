import type { Knex } from 'knex';

const OLD_SAYING = 'Warm water moves faster and pushes the bubbles on: warm feet, cool heads.';
const OUR_SAYING =
  'Warm water runs up the stem faster and takes the bubbles along; the flower itself stays in the cool.';

/** Steps of plans that stand, in the words they are laid down in today. */
const STEPS = `
update protocol_step set kind = 'hydrating-dip',
  step = jsonb_set(jsonb_set(step, '{kind}', '"hydrating-dip"'), '{params,kind}', '"hydrating-dip"')
where kind = 'quick-dip'`;
const SAYING = `
update protocol_step set step = replace(step::text, ?, ?)::jsonb where step::text like ?`;

/** Changes a shop made to a protocol name the kind of step they are of. */
const EDITS = `
update own_species set edits = replace(edits::text, '"quick-dip"', '"hydrating-dip"')::jsonb
where edits::text like '%"quick-dip"%'`;

/** A kind of step and a saying get names of our own, in the plans and protocols that bear them; what was entered in the record stays as it was written. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('alter table protocol_step disable trigger protocol_step_stands');
  await knex.raw('alter table own_species disable trigger user');
  await knex.raw(STEPS);
  await knex.raw(SAYING, [OLD_SAYING, OUR_SAYING, `%${OLD_SAYING}%`]);
  await knex.raw(EDITS);
  await knex.raw('alter table own_species enable trigger user');
  await knex.raw('alter table protocol_step enable trigger protocol_step_stands');
}
