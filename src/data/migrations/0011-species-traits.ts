import type { Knex } from 'knex';

type Begun = readonly [
  arriveStage: string,
  endMode: string,
  habit: string,
  pets: string,
  traits: readonly string[],
  waterMostH: number | null,
];

/**
 * What rules ask of a species was read off its key, which a shop's own did not bear: a lily of a
 * shop's own was no lily. Now traits of the row tell it. A shop's own gets those of the one of the
 * table it was begun as, known by what the table says of its arrival and its end; what was changed
 * beyond that, by what only that kind has.
 */
const BEGUN_AS: readonly Begun[] = [
  [
    'firm bud, outer petals just loosening',
    'bent neck or petal wilt',
    'cup',
    'not known to harm',
    ['a rose', 'guard petals', 'lasts short'],
    null,
  ],
  [
    'one or two heads showing colour',
    'petal wilt',
    'spray',
    'not known to harm',
    ['a rose', 'guard petals'],
    null,
  ],
  ['paintbrush, petals upright', 'petal in-rolling', 'cup', 'mild', ['opens warm'], null],
  ['two heads open', 'petal in-rolling', 'spray', 'mild', ['opens warm'], null],
  [
    'two rings of pollen showing',
    'neck collapse',
    'disc',
    'not known to harm',
    ['neck is lost', 'drinks in a grid'],
    24,
  ],
  ['lowest bud coloured, still shut', 'petal drop', 'trumpet', 'deadly to cats', ['lily'], null],
  ['lowest bud coloured, still shut', 'petal drop', 'trumpet', 'deadly to cats', ['lily'], null],
  [
    'bud coloured, tip still closed',
    'petal drop',
    'cup',
    'poisonous',
    ['drinks in paper', 'grows on', 'comes muddy'],
    48,
  ],
  [
    'goose-neck: coloured and bent down, sheath splitting',
    'petal papering',
    'trumpet',
    'poisonous',
    ['pencil buds'],
    null,
  ],
  [
    'fully coloured, plump, just starting to pull back',
    'petal papering',
    'trumpet',
    'poisonous',
    ['pencil buds'],
    null,
  ],
  ['tight round bud like a marshmallow', 'shatter', 'ball', 'mild', ['cut under water', 'lasts short'], null],
  [
    'heads papery, fully coloured',
    'wilt',
    'ball',
    'poisonous',
    ['drinks by the head', 'acid dip', 'lasts short'],
    null,
  ],
  ['three-quarters to fully open, firm back', 'petal drop', 'ball', 'mild', ['lasts short'], null],
  [
    'buds coloured and swollen, still shut',
    'petal wilt',
    'trumpet',
    'poisonous',
    ['papery bract', 'filled stem', 'opens warm'],
    null,
  ],
  ['most florets in colour', 'calyx fading; or dries', 'spray', 'not known to harm', ['winged stem'], null],
  ['a third to half of flowers open', 'browning', 'spray', 'mild', ['comes in mesh'], null],
  [
    'most flowers open; side tips wilt first',
    'tip wilt',
    'spray',
    'not known to harm',
    ['stripped high'],
    null,
  ],
  ['half the balls fluffed', 'balls shrivel', 'branch', 'not known to harm', ['split foot'], null],
  ['first floret just out, or pod swollen', 'floret wilt', 'blade', 'mild', ['soaked pods'], null],
  ['half the florets open', 'wilt', 'branch', 'not known to harm', ['split foot'], null],
  ['leaves firm and glossy', 'leaf browning', 'branch', 'not known to harm', ['split foot'], null],
  ['leaves firm', 'leaf curl', 'branch', 'poisonous', ['split foot'], null],
  ['berries firm', 'berry shrivel', 'branch', 'poisonous', ['split foot'], null],
  ['supple, bark unmarked', 'drying', 'branch', 'not known to harm', ['split foot'], null],
  ['catkins silver, no pollen', 'catkin drop', 'branch', 'not known to harm', ['split foot'], null],
  ['leaves firm, no tip wilt', 'leaf crisping', 'branch', 'mild', ['crisps dry'], null],
];

const BY_BEGINNING = `
update own_species set species = species || ?::jsonb
where species ->> 'arriveStage' = ? and species ->> 'endMode' = ? and species ->> 'habit' = ? and species ->> 'pets' = ?`;

const BY_COLUMNS = `
update own_species set species = species || jsonb_build_object('waterMostH', null, 'traits',
  case when species ->> 'pets' = 'deadly to cats' then '["lily"]'::jsonb
       when species ->> 'skin' = 'thorns' and species ->> 'build' = 'woody' then '["a rose", "guard petals"]'::jsonb
       else '[]'::jsonb end)
where species is not null and species -> 'traits' is null`;

export async function up(knex: Knex): Promise<void> {
  // Versions are not written over by the application; these are the same versions, told in full.
  await knex.raw('alter table own_species disable trigger user');
  for (const [arriveStage, endMode, habit, pets, traits, waterMostH] of BEGUN_AS)
    await knex.raw(BY_BEGINNING, [JSON.stringify({ traits, waterMostH }), arriveStage, endMode, habit, pets]);
  await knex.raw(BY_COLUMNS);
  await knex.raw('alter table own_species enable trigger user');
}
