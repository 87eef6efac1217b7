import { mayManage } from '@/core/actions/contract';
import type { Species } from '@/core/species/species';
import type { SpeciesRegistry } from '@/core/species/registry';
import { AGREED, QUESTIONS, type Question } from '@/core/protocol/questions';
import { schoolFor, type QuestionKey } from '@/core/protocol/schools';
import { schoolWorth, WORTH_KNOWN } from '@/core/protocol/school-worth';
import { NEEDS, SKILLS } from '@/core/protocol/types';
import type { LanguageTag } from '@/core/words/catalogues';
import { speciesName } from '@/core/words/species-name';
import { FIRST_SPECIES } from '@/core/species/species';
import { houseOf, type House } from '@/server/house';
import { shopOverrides } from '@/server/own-figures';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { AtRest } from '@/shell/at-rest';
import { DeskTabs } from './desk-tabs';
import { spoken } from '@/core/words/say';
import { SpeciesSelect } from './species-select';
import { LimitForm } from './limit-form';
import { QuestionList } from './question-form';
import { SwitchForm } from './way-switches';

/** Worth of schools, kept by species and figures: they change seldom and cost a forecast each. */
const kept = new Map<string, Readonly<Record<string, number>>>();
const MOST_CACHED = 400;

function worthOf(species: Species, key: QuestionKey, overrides: Awaited<ReturnType<typeof shopOverrides>>) {
  if (!WORTH_KNOWN.includes(key)) return null;
  const by = JSON.stringify([species, key, overrides]);
  const known = kept.get(by);
  if (known) return known;
  const worth = schoolWorth(species, key, overrides ?? undefined) ?? [];
  const made = Object.fromEntries(worth.map((w) => [w.school, w.days]));
  if (kept.size >= MOST_CACHED) kept.clear();
  kept.set(by, made);
  return made;
}

function exceptionsOf(house: House, key: QuestionKey, { find }: SpeciesRegistry, language: LanguageTag) {
  return house.settings
    .filter((s) => s.kind === 'school' && s.key === key && s.subject !== '')
    .map((s) => {
      const species = find(s.subject);
      const name = species ? speciesName(species, language) : s.subject;
      return { species: s.subject, name, school: s.value, reason: s.reason };
    });
}

/** The house's ways: every question florists answer differently, what the shop has, and who may. */
export async function WaysPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const asked = typeof search.species === 'string' ? search.species : '';
  const { house, overrides, mayChange, language, registry } = await inMyShop(async (from, me) => ({
    house: await once(from, houseOf),
    overrides: await once(from, shopOverrides),
    mayChange: mayManage(me.role),
    language: me.language,
    registry: me.species,
  }));
  const species = registry.find(asked) ?? FIRST_SPECIES;
  const options = registry.all.map((s) => ({ key: s.key, name: speciesName(s, language) }));
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk/ways" />
      <h1>House ways</h1>
      <p className="soft">
        Good florists disagree. Choose once; every protocol follows, and a species may have its exception.
        Where the model can tell, it says what a way is worth here in days against the default, for a lot that
        came soft. {mayChange ? '' : 'A manager changes them.'}
      </p>
      <SpeciesSelect label="Days are told for" species={options} chosen={species.key} />
      <QuestionList
        questions={QUESTIONS.map((question: Question & { readonly key: QuestionKey }) => ({
          question: spoken(question, language),
          inForce: schoolFor({ ...house.schools, exceptions: {} }, question.key, ''),
          setting:
            house.settings.find((s) => s.kind === 'school' && s.subject === '' && s.key === question.key) ??
            null,
          exceptions: exceptionsOf(house, question.key, registry, language),
          worth: worthOf(species, question.key, overrides),
        }))}
        speciesName={speciesName(species, language)}
        species={options}
        mayChange={mayChange}
      />
      <p className="ruled">
        <strong>{AGREED}</strong>
      </p>
      <AtRest>
        <h2>Longest use of water</h2>
        <p className="soft">Whatever the predicted count: the stricter of the two wins.</p>
        <LimitForm limits={{ ...house.limits, readyDays: house.readyDays }} mayChange={mayChange} />
        <h2>What we have</h2>
        <p className="soft">
          A step that needs what is not there is left out or done another way, and says so.
        </p>
        <SwitchForm
          kind="has"
          mayChange={mayChange}
          rows={NEEDS.map((need) => ({
            key: need,
            isOn: house.has.includes(need),
            on: 'we have it',
            off: 'we have none',
          }))}
        />
        <h2>Who may</h2>
        <p className="soft">
          Not for trainees alone, unless the house says otherwise. Labels and local rules come first.
        </p>
        <SwitchForm
          kind="who may"
          mayChange={mayChange}
          rows={SKILLS.map((skill) => ({
            key: skill,
            isOn: house.whoMay[skill] === 'shown',
            on: 'those who were shown',
            off: 'anyone',
          }))}
        />
      </AtRest>
    </section>
  );
}
