import { isKeyOf, isOwnKey, ownMark } from '@/core/species/registry';
import 'server-only';
import type { CheckedOf } from '@/core/actions/actions';
import type { deskActions } from '@/core/actions/desk';
import { checked } from '@/core/door/check';
import { overridesSchema } from '@/core/door/schemas';
import { speciesFileSchema, type SpeciesFile } from '@/core/door/species-schema';
import { composeProtocol } from '@/core/protocol/compose';
import { questionOf } from '@/core/protocol/schools';
import { DEFAULT_WAYS } from '@/core/protocol/ways';
import { idealArrivalStage } from '@/core/species/species';
import { isLanguage } from '@/core/words/catalogues';
import { low, m, saidSpecies, type Message, type Words } from '@/core/words/message';
import { RefusedError } from '@/data/errors';
import { setOwnFigure } from '@/data/figures';
import { setHouse, setOwnSpecies } from '@/data/house';
import { setReading } from '@/data/people';
import type { ActionContext, Handlers } from '@/server/handler';
import { overridesOf } from '@/server/own-figures';
import { takeBack } from '@/server/take-back';
import { figureName } from './figure-rows';

/** Refuses a file that would stand for another shop's species, or change one of the table's figures. */
function refuseForeign({ me }: ActionContext, { speciesKey, species }: SpeciesFile): void {
  const isOwn = isOwnKey(speciesKey);
  if (isOwn && !isKeyOf(speciesKey, ownMark(me.shop.id)))
    throw new RefusedError(
      'That species is another shop’s. Nothing was changed; add it under a name of your own.',
    );
  if (isOwn && species?.key !== speciesKey && !(species === null && me.species.find(speciesKey)))
    throw new RefusedError('The file names one species and holds another. Nothing was changed.');
  if (!isOwn && (species !== null || !me.species.find(speciesKey)))
    throw new RefusedError(
      'The table’s species keep their rows; their figures are changed under Figures. Nothing was changed.',
    );
}

/** A key of the shop's own for a species of that name. */
function ownKeyFor({ me }: ActionContext, name: string): string {
  const slug = name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
  if (slug.length < 2)
    throw new RefusedError('That name has no letters a key could bear. Nothing was added.', 'name');
  return `own-${ownMark(me.shop.id)}-${slug}`;
}

/** One of the house's settings that is no question's side, as the record says it. */
function settingSaid(way: CheckedOf<'desk/set-way'>): Message {
  const { reason, value } = way;
  const what: Words =
    way.kind === 'limit'
      ? m(`record.limit.${way.key}`)
      : way.kind === 'has'
        ? m(`record.need.${way.key}`)
        : way.kind === 'who may'
          ? m(`record.skill.${way.key}`)
          : way.key;
  const said =
    value === null
      ? m('record.default-again')
      : typeof value === 'number'
        ? m('record.value.days', { n: value })
        : m(value === 'no' ? 'record.value.no' : 'record.value.anyone');
  return m('record.setting', { what, value: said, reason });
}

/** How what the manager sets is set, and how anybody takes back what they did. */
export const deskHandlers: Handlers<keyof typeof deskActions> = {
  'desk/take-back': {
    work: async (context, { entryId }) => {
      await takeBack(context, entryId);
      return null;
    },
  },
  'desk/language': {
    work: async ({ trx, me }, { language }) => {
      if (!isLanguage(language))
        throw new RefusedError('The shop has no such language. Nothing was changed.', 'language');
      await setReading(trx, me.personId, { language });
      return null;
    },
  },
  'desk/units': {
    work: async ({ trx, me }, { units }) => {
      await setReading(trx, me.personId, { units });
      return null;
    },
  },
  'desk/set-figure': {
    work: async ({ trx, action, me }, own) => {
      // A value to try the figure’s name with, where it is given back.
      const value = own.value ?? 1;
      const name = figureName(own, me.species);
      if (!name) throw new RefusedError('There is no such figure. Nothing was changed.', 'figure');
      if (own.value !== null)
        checked(overridesSchema, overridesOf([{ ...own, value, setAt: action.at, setByName: me.name }]));
      const says =
        own.value === null
          ? m('record.figure-back', { figure: name, reason: own.reason })
          : m('record.figure', { figure: name, value: own.value, reason: own.reason });
      await setOwnFigure(trx, action, own, says);
      return null;
    },
  },
  'desk/set-way': {
    work: async ({ trx, action, me }, way) => {
      const subject = way.kind === 'school' ? way.subject : '';
      let says = settingSaid(way);
      if (way.kind === 'school') {
        const question = questionOf(way.key);
        const school = question.schools.find((s) => s.key === way.value);
        if (way.value !== null && !school)
          throw new RefusedError('There is no such school. Nothing was changed.', 'value');
        if (subject !== '' && (!question.bySpecies || !me.species.find(subject)))
          throw new RefusedError('That question has no exception for it. Nothing was changed.', 'subject');
        const chosen = {
          asks: low(question.asks),
          school: school ? low(school.name) : m('record.as-the-rest'),
          reason: way.reason,
        };
        says =
          subject === ''
            ? m('record.way', chosen)
            : m('record.way-of', { ...chosen, species: saidSpecies(me.species.byKey(subject)) });
      }
      const value = way.value === null ? null : String(way.value);
      await setHouse(trx, action, { kind: way.kind, subject, key: way.key, value, reason: way.reason }, says);
      return null;
    },
  },
  'desk/set-protocol': {
    // A newer version; older ones stand.
    work: async (context, input) => {
      const { trx, action, me } = context;
      const file = checked(speciesFileSchema, input.file);
      refuseForeign(context, file);
      const species = file.species ?? me.species.find(file.speciesKey);
      if (!species) throw new RefusedError('There is no such species. Nothing was changed.');
      // Composed once here: an edit that cannot be said is found now, and not at the bench.
      const steps = composeProtocol(
        { species, stage: idealArrivalStage(species), droop: 'firm', packing: '', hoursDry: 0 },
        { ...DEFAULT_WAYS, edits: file.edits },
      );
      if (!steps.some((s) => s.kind === 'drink'))
        throw new RefusedError('Without a drink the stems die. Nothing was changed; leave that step in.');
      await setOwnSpecies(
        trx,
        action,
        { speciesKey: file.speciesKey, species: file.species, edits: file.edits, reason: input.reason },
        m(file.edits.length === 0 ? 'record.protocol-back' : 'record.protocol', {
          species: saidSpecies(species),
          n: file.edits.length,
          reason: input.reason,
        }),
      );
      return null;
    },
  },
  'desk/add-species': {
    // A species the table has not, begun as one like it.
    work: async (context, { name, botanical, like, reason: why }) => {
      const { trx, action, me } = context;
      const model = me.species.find(like);
      if (!model)
        throw new RefusedError('There is no such species to begin from. Nothing was added.', 'like');
      const key = ownKeyFor(context, name);
      if (me.species.find(key))
        throw new RefusedError(`${name} is there already. Nothing was added.`, 'name');
      await setOwnSpecies(
        trx,
        action,
        {
          speciesKey: key,
          species: { ...model, key, name, botanical, basis: 'practice' },
          edits: [],
          reason: why,
        },
        m('record.species-added', { name, like: saidSpecies(model), reason: why }),
      );
      return { key };
    },
  },
};
