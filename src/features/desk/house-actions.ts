import 'server-only';
import * as v from 'valibot';
import { checked } from '@/core/door/check';
import { speciesFileSchema, type SpeciesFile } from '@/core/door/species-schema';
import { composeProtocol } from '@/core/protocol/compose';
import { QUESTION_KEYS, questionOf } from '@/core/protocol/schools';
import { NEEDS, SKILLS } from '@/core/protocol/types';
import type { DEFAULT_LIMITS } from '@/core/protocol/ways';
import { PLAIN_WAYS } from '@/core/protocol/ways';
import { findSpecies, idealArrivalStage, OWN_KEY, ownMark } from '@/core/species/species';
import { RefusedError } from '@/data/errors';
import { setHouse, setOwnSpecies } from '@/data/house';
import { actionKind, type ActionContext } from '@/server/actions';

const reason = v.pipe(
  v.string('is missing'),
  v.trim(),
  v.minLength(3, 'says in a few words why'),
  v.maxLength(200, 'is longer than 200 characters'),
);
const LIMITS = [
  'plainDays',
  'foodDays',
  'lilyDays',
] as const satisfies readonly (keyof typeof DEFAULT_LIMITS)[];

function refuseHands({ me }: ActionContext, what: string): void {
  if (me.role !== 'manager') throw new RefusedError(`Only a manager changes ${what}. Nothing was changed.`);
}

/** One of the house's answers, limits, belongings or rules; null goes back to the default. */
const setWay = actionKind(
  v.variant('kind', [
    v.object({
      kind: v.literal('school'),
      key: v.picklist(QUESTION_KEYS),
      subject: v.pipe(v.string(), v.maxLength(60)),
      value: v.nullable(v.pipe(v.string(), v.maxLength(40))),
      reason,
    }),
    v.object({
      kind: v.literal('limit'),
      key: v.picklist(LIMITS),
      value: v.nullable(
        v.pipe(
          v.number('must be a number'),
          v.minValue(0.5, 'must be half a day or more'),
          v.maxValue(14, 'must be 14 days or less'),
        ),
      ),
      reason,
    }),
    v.object({ kind: v.literal('has'), key: v.picklist(NEEDS), value: v.nullable(v.literal('no')), reason }),
    v.object({
      kind: v.literal('who may'),
      key: v.picklist(SKILLS),
      value: v.nullable(v.literal('anyone')),
      reason,
    }),
  ]),
  async (context, way) => {
    refuseHands(context, 'the house’s ways');
    const { trx, action } = context;
    const subject = way.kind === 'school' ? way.subject : '';
    let words = `${way.key}: ${way.value === null ? 'the default again' : String(way.value)}`;
    if (way.kind === 'school') {
      const question = questionOf(way.key);
      const school = question.schools.find((s) => s.key === way.value);
      if (way.value !== null && !school)
        throw new RefusedError('There is no such school. Nothing was changed.');
      if (subject !== '' && (!question.bySpecies || !findSpecies(subject)))
        throw new RefusedError('That question has no exception for it. Nothing was changed.');
      const whose = subject === '' ? '' : `, ${findSpecies(subject)?.name ?? subject}`;
      words = `House way, ${question.asks.toLowerCase()}${whose}: ${school?.name.toLowerCase() ?? 'as the rest'}`;
    }
    const value = way.value === null ? null : String(way.value);
    await setHouse(
      trx,
      action,
      { kind: way.kind, subject, key: way.key, value, reason: way.reason },
      `${words}. ${way.reason}`,
    );
  },
);

/** Refuses a file that would stand for another shop's species, or change one of the table's figures. */
function refuseForeign({ me }: ActionContext, { speciesKey, species }: SpeciesFile): void {
  const isOwn = OWN_KEY.test(speciesKey);
  if (isOwn && !speciesKey.startsWith(`own-${ownMark(me.shop.id)}-`))
    throw new RefusedError(
      'That species is another shop’s. Nothing was changed; add it under a name of your own.',
    );
  if (isOwn && species?.key !== speciesKey && !(species === null && findSpecies(speciesKey)))
    throw new RefusedError('The file names one species and holds another. Nothing was changed.');
  if (!isOwn && (species !== null || !findSpecies(speciesKey)))
    throw new RefusedError(
      'The table’s species keep their rows; their figures are changed under Figures. Nothing was changed.',
    );
}

/** A species' own protocol, or a species of the shop's own, as a newer version; older ones stand. */
const setProtocol = actionKind(v.object({ file: v.unknown(), reason }), async (context, input) => {
  refuseHands(context, 'protocols');
  const { trx, action } = context;
  const file = checked(speciesFileSchema, input.file);
  refuseForeign(context, file);
  const species = file.species ?? findSpecies(file.speciesKey);
  if (!species) throw new RefusedError('There is no such species. Nothing was changed.');
  // Composed once here: an edit that cannot be said is found now, and not at the bench.
  const steps = composeProtocol(
    { species, stage: idealArrivalStage(species), droop: 'firm', packing: '', hoursDry: 0 },
    { ...PLAIN_WAYS, edits: file.edits },
  );
  if (!steps.some((s) => s.kind === 'drink'))
    throw new RefusedError('Without a drink the stems die. Nothing was changed; leave that step in.');
  await setOwnSpecies(
    trx,
    action,
    { speciesKey: file.speciesKey, species: file.species, edits: file.edits, reason: input.reason },
    `Protocol of ${species.name}: ${file.edits.length === 0 ? 'as the product has it' : `${file.edits.length} changes of our own`}. ${input.reason}`,
  );
});

/** A species the table has not, begun as one like it. */
const addSpecies = actionKind(
  v.object({
    name: v.pipe(v.string(), v.trim(), v.minLength(2, 'is too short'), v.maxLength(60, 'is too long')),
    botanical: v.pipe(v.string(), v.trim(), v.minLength(2, 'is too short'), v.maxLength(80, 'is too long')),
    like: v.pipe(v.string(), v.maxLength(60)),
    reason,
  }),
  async (context, { name, botanical, like, reason: why }) => {
    refuseHands(context, 'species');
    const { trx, action, me } = context;
    const model = findSpecies(like);
    if (!model) throw new RefusedError('There is no such species to begin from. Nothing was added.');
    const slug = name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40);
    if (slug.length < 2)
      throw new RefusedError('That name has no letters a key could bear. Nothing was added.');
    const key = `own-${ownMark(me.shop.id)}-${slug}`;
    if (findSpecies(key)) throw new RefusedError(`${name} is there already. Nothing was added.`);
    await setOwnSpecies(
      trx,
      action,
      {
        speciesKey: key,
        species: { ...model, key, name, botanical, basis: 'practice' },
        edits: [],
        reason: why,
      },
      `${name} added, begun as ${model.name.toLowerCase()}. ${why}`,
    );
    return { key };
  },
);

export const houseActions = { 'set-way': setWay, 'set-protocol': setProtocol, 'add-species': addSpecies };
