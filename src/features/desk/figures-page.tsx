import { mayManage } from '@/core/actions/contract';
import { MODEL_VERSION } from '@/core/model/constants';
import { speciesName } from '@/core/words/species-name';
import { unitsOf } from '@/core/words/catalogues';
import { spoken } from '@/core/words/say';
import { FIRST_SPECIES } from '@/core/species/species';
import { manyOwnFigures } from '@/data/figures';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { tell } from '@/shell/told';
import { DeskTabs } from './desk-tabs';
import { SpeciesSelect } from './species-select';
import { Figures, FoldedFigures } from './figure-list';
import { constantRows, solutionRows, speciesRows } from './figure-rows';

/** What the forecasts rest on: every figure with its unit and basis, and the shop's own in its place. */
export async function FiguresPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const asked = typeof search.species === 'string' ? search.species : '';
  const { own, registry, mayChange, language } = await inMyShop(async (from, me) => ({
    own: await once(from, manyOwnFigures),
    language: me.language,
    registry: me.species,
    mayChange: mayManage(me.role),
  }));
  const species = registry.find(asked) ?? FIRST_SPECIES;
  const solutions = spoken(solutionRows(own), language);
  const constants = spoken(constantRows(own), language);
  const changed = own.length;
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk/figures" />
      <h1>Figures</h1>
      <p className="soft">
        Model {MODEL_VERSION}. <em>Trade</em> is widely repeated guidance, <em>practice</em> what working
        florists do, <em>estimate</em> ours; none was measured in your shop.{' '}
        {changed === 0 ? 'All stand as the product came.' : `${changed} of them are your own.`}{' '}
        {mayChange ? 'What was forecast before a change stays as it was issued.' : 'A manager changes them.'}
      </p>
      <h2>Species</h2>
      <SpeciesSelect
        label="Species"
        species={registry.all.map((s) => ({ key: s.key, name: speciesName(s, language) }))}
        chosen={species.key}
      />
      <Figures
        key={species.key}
        label={`Figures of ${speciesName(species, language)}`}
        rows={spoken(speciesRows(species, own), language)}
        mayChange={mayChange}
      />
      <h2>What is in the water</h2>
      <FoldedFigures
        words={`${solutions.length} figures of ten solutions`}
        told={tell(solutions)}
        isOpen={solutions.some((r) => r.own)}
        mayChange={mayChange}
      />
      <h2>The model</h2>
      {unitsOf(language) === 'us' && (
        <p className="soft">The model’s own constants are told in °C, cm and mL.</p>
      )}
      <FoldedFigures
        words={`${constants.length} constants`}
        told={tell(constants)}
        isOpen={constants.some((r) => r.own)}
        mayChange={mayChange}
      />
    </section>
  );
}
