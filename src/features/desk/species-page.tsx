import { mayManage } from '@/core/actions/contract';
import { Button, Group } from '@mantine/core';
import { IconFileDownload } from '@tabler/icons-react';
import { composeProtocol } from '@/core/protocol/compose';
import { isOwnKey } from '@/core/species/registry';
import { idealArrivalStage, SPECIES, type Species } from '@/core/species/species';
import { solutionInSentence } from '@/core/water/solution-words';
import { rightSolution } from '@/core/water/solutions';
import type { LanguageTag } from '@/core/words/catalogues';
import { Stem } from '@/drawing/stem';
import { ShopLink } from '@/shell/shop-link';
import { houseOf, waysFor, type House } from '@/server/house';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { DeskTabs } from './desk-tabs';
import { say, spoken } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import { fileOf } from './species-file';
import { FromFile, OneMore, ProtocolEditor } from './species-late';
import { SpeciesList } from './species-list';

/** Every species, the shop's own first; and the ways to bring in one more. */
function AllSpecies({
  all,
  own,
  mayChange,
  language,
}: {
  all: readonly Species[];
  own: House['own'];
  mayChange: boolean;
  language: LanguageTag;
}) {
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk/species" />
      <h1>Species and protocols</h1>
      <SpeciesList
        rows={all.map((s) => ({
          id: s.key,
          name: speciesName(s, language),
          botanical: s.botanical,
          habit: s.habit,
          isOwn: isOwnKey(s.key),
          lifeDays: s.lifeDays20C,
          chillBelowC: s.chillBelowC,
          ethylene: s.ethylene,
          food: say(solutionInSentence(rightSolution(s.foodKind)), language),
          changes: own.find((o) => o.speciesKey === s.key)?.edits.length ?? 0,
        }))}
      />
      {mayChange && (
        <>
          <FromFile />
          <OneMore species={all.map((s) => ({ key: s.key, name: speciesName(s, language) }))} />
        </>
      )}
    </section>
  );
}

/** Species and their protocols: what the bench is told, and the shop's own changes to it. */
export async function SpeciesPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const asked = typeof search.species === 'string' ? search.species : '';
  const { house, mayChange, at, timeZone, language } = await inMyShop(async (from, me, at) => ({
    house: await once(from, houseOf),
    mayChange: mayManage(me.role),
    at,
    timeZone: me.shop.timeZone,
    language: me.language,
  }));
  const own = house.own.flatMap((o) => o.species ?? []);
  const all = [...own, ...SPECIES];
  const species = all.find((s) => s.key === asked);
  if (!species) return <AllSpecies all={all} own={house.own} mayChange={mayChange} language={language} />;
  const version = house.own.find((o) => o.speciesKey === species.key) ?? null;
  const ways = waysFor(house, { speciesKey: species.key, purpose: 'usual', eventOn: null }, at, timeZone);
  const steps = composeProtocol(
    { species, stage: idealArrivalStage(species), droop: 'firm', packing: '', hoursDry: 0 },
    ways,
  );
  const file = fileOf(house, species.key);
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk/species" />
      <h1>Species and protocols</h1>
      <p className="soft">
        What the bench is told for a sound lot, with the house’s ways. A change holds for lots that come from
        now on; what was planned and logged before it stays.
      </p>
      <Group gap="0.75rem" align="center">
        <Stem habit={species.habit} stage={0.6} droop="firm" colour={null} height={72} />
        <h2>
          {speciesName(species, language)} <span className="soft">{species.botanical}</span>
        </h2>
        <Button
          component="a"
          href={`/desk/species/file?species=${species.key}`}
          leftSection={<IconFileDownload aria-hidden />}
        >
          Save as JSON
        </Button>
        <ShopLink className="reach" href="/desk/species">
          All species
        </ShopLink>
      </Group>
      {version && (
        <p className="says late">
          {version.reason} ({version.setByName})
        </p>
      )}
      <ProtocolEditor
        key={`${species.key} ${version?.seq ?? 0}`}
        steps={spoken(steps, language)}
        file={file}
        mayChange={mayChange}
      />
      {mayChange && <FromFile />}
    </section>
  );
}
