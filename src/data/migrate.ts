import type { Knex } from 'knex';
import * as foundations from './migrations/0001-foundations';
import * as ownFigures from './migrations/0002-own-figures';
import * as supplierWords from './migrations/0003-supplier-words';
import * as flawsAndClaims from './migrations/0004-flaws-and-claims';
import * as wholeDelivery from './migrations/0005-the-whole-delivery';
import * as theBench from './migrations/0006-the-bench';
import * as actionsAndStays from './migrations/0007-actions-and-stays';
import * as claimsAndLabels from './migrations/0008-claims-once-and-labels';
import * as nothingGrows from './migrations/0009-nothing-grows';
import * as instructionsStand from './migrations/0010-instructions-stand';
import * as speciesTraits from './migrations/0011-species-traits';
import * as namesOfOurOwn from './migrations/0012-names-of-our-own';
import * as language from './migrations/0013-language';
import * as entriesAsMessages from './migrations/0014-entries-as-messages';
import * as theRecordAsked from './migrations/0015-the-record-asked';
import * as linesAsSent from './migrations/0016-lines-as-sent';
import * as aShopOfOnesOwn from './migrations/0017-a-shop-of-ones-own';
import * as whoWorksHere from './migrations/0018-who-works-here';
import * as whatTheShopIs from './migrations/0019-what-the-shop-is';
import * as sanitising from './migrations/0020-sanitising';
import * as units from './migrations/0021-units';
import * as waterTold from './migrations/0022-water-told';
import * as strips from './migrations/0023-strips';
import * as secondFactor from './migrations/0024-second-factor';
import * as claimsAsMessages from './migrations/0025-claims-as-messages';
import * as ownMeasure from './migrations/0026-own-measure';
import * as food from './migrations/0027-food';
import * as keptForAVan from './migrations/0028-kept-for-a-van';
import * as money from './migrations/0029-money';
import * as emergency from './migrations/0030-emergency';
import * as namesErased from './migrations/0031-names-erased';
import * as printing from './migrations/0032-printing';
import * as waterRead from './migrations/0033-water-read';
import * as devices from './migrations/0034-devices';
import * as tools from './migrations/0035-tools';
import * as lossesByPerson from './migrations/0036-losses-by-person';
import * as whatWasChanged from './migrations/0037-what-was-changed';
import * as oneQuestion from './migrations/0038-one-question';

interface Migration {
  readonly name: string;
  readonly up: (knex: Knex) => Promise<void>;
}

/** Every migration in order. They only go forward; a mistake is mended by the next one. */
const MIGRATIONS: readonly Migration[] = [
  { name: '0001-foundations', up: foundations.up },
  { name: '0002-own-figures', up: ownFigures.up },
  { name: '0003-supplier-words', up: supplierWords.up },
  { name: '0004-flaws-and-claims', up: flawsAndClaims.up },
  { name: '0005-the-whole-delivery', up: wholeDelivery.up },
  { name: '0006-the-bench', up: theBench.up },
  { name: '0007-actions-and-stays', up: actionsAndStays.up },
  { name: '0008-claims-once-and-labels', up: claimsAndLabels.up },
  { name: '0009-nothing-grows', up: nothingGrows.up },
  { name: '0010-instructions-stand', up: instructionsStand.up },
  { name: '0011-species-traits', up: speciesTraits.up },
  { name: '0012-names-of-our-own', up: namesOfOurOwn.up },
  { name: '0013-language', up: language.up },
  { name: '0014-entries-as-messages', up: entriesAsMessages.up },
  { name: '0015-the-record-asked', up: theRecordAsked.up },
  { name: '0016-lines-as-sent', up: linesAsSent.up },
  { name: '0017-a-shop-of-ones-own', up: aShopOfOnesOwn.up },
  { name: '0018-who-works-here', up: whoWorksHere.up },
  { name: '0019-what-the-shop-is', up: whatTheShopIs.up },
  { name: '0020-sanitising', up: sanitising.up },
  { name: '0021-units', up: units.up },
  { name: '0022-water-told', up: waterTold.up },
  { name: '0023-strips', up: strips.up },
  { name: '0024-second-factor', up: secondFactor.up },
  { name: '0025-claims-as-messages', up: claimsAsMessages.up },
  { name: '0026-own-measure', up: ownMeasure.up },
  { name: '0027-food', up: food.up },
  { name: '0028-kept-for-a-van', up: keptForAVan.up },
  { name: '0029-money', up: money.up },
  { name: '0030-emergency', up: emergency.up },
  { name: '0031-names-erased', up: namesErased.up },
  { name: '0032-printing', up: printing.up },
  { name: '0033-water-read', up: waterRead.up },
  { name: '0034-devices', up: devices.up },
  { name: '0035-tools', up: tools.up },
  { name: '0036-losses-by-person', up: lossesByPerson.up },
  { name: '0037-what-was-changed', up: whatWasChanged.up },
  { name: '0038-one-question', up: oneQuestion.up },
];

const source = (upTo: number): Knex.MigrationSource<Migration> => ({
  getMigrations: () => Promise.resolve(MIGRATIONS.slice(0, upTo)),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) =>
    Promise.resolve({
      up: migration.up,
      down: () => Promise.reject(new Error('Migrations go forward only.')),
    }),
});

/**
 * How many migrations make the shape of that name; all of them where none is named.
 * @throws Error where it is a newer one than these
 */
export function shapeCalled(name: string | undefined): number {
  const at = name ? MIGRATIONS.findIndex((m) => m.name === name) : MIGRATIONS.length - 1;
  if (at < 0) throw new Error(`Made by a newer version than this one (${name}). Bring this one up to date.`);
  return at + 1;
}

/** How many migrations a database has still before it. */
export async function pendingMigrations(knex: Knex): Promise<number> {
  const [, pending] = (await knex.migrate.list({ migrationSource: source(MIGRATIONS.length) })) as [
    unknown[],
    unknown[],
  ];
  return pending.length;
}

/**
 * Brings a database to the newest shape. Run as its owner, never as the application.
 * @param upTo how many migrations to run, for trying the later ones on a filled older shape
 */
export async function migrate(knex: Knex, upTo: number = MIGRATIONS.length): Promise<void> {
  await knex.migrate.latest({ migrationSource: source(upTo) });
}
