import { measured } from '@/core/units/measures';
import { dayWords } from '@/core/calendar/format-date';
import { localeOf, unitsOf, type LanguageTag } from '@/core/words/catalogues';
import { m } from '@/core/words/message';
import { say } from '@/core/words/say';
import { speciesName } from '@/core/words/species-name';
import { Stack } from '@mantine/core';
import type { SpeciesRegistry } from '@/core/species/registry';

import { ShopLink as Link } from '@/shell/shop-link';
import { codeOf } from '@/core/labels/codes';
import { labelLayout, type LabelRoll } from '@/core/labels/printing';
import { manyPails } from '@/data/pails';
import { manyPortionsInStock } from '@/data/portions';
import { shopPrinting } from '@/data/shops';
import { Qr } from '@/drawing/qr';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { lotsOf, type LotInStock } from '@/server/stock';
import css from './labels.module.css';
import { PrintLabels, ScanIt } from './label-buttons';

interface Label {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly big: string;
  readonly lines: readonly string[];
}

interface Props {
  readonly search: Record<string, string | string[] | undefined>;
}

interface Sheet {
  /** Null: many to a sheet. */
  readonly roll: LabelRoll | null;
  readonly labels: readonly Label[];
  readonly of: string;
  readonly demo: boolean;
  /** Deliveries with something in stock, the newest first. */
  readonly deliveries: readonly { readonly id: string; readonly words: string }[];
}

/** A lot's label, in the language of whoever prints it. */
const lotLabelOf = (l: LotInStock, species: SpeciesRegistry, language: LanguageTag): Label => ({
  id: l.id,
  code: codeOf({ kind: 'lot', number: l.number }),
  title: speciesName(species.byKey(l.speciesKey), language),
  big: String(l.number),
  lines: [
    l.variety ? `‘${l.variety}’` : '',
    say(m('label.cut', { day: dayWords(l.cutDate, localeOf(language)) }), language),
    l.supplier,
  ].filter((w) => w !== ''),
});

/** Labels of what is asked for: the pails, one delivery, or all lots; of what came last where nothing is. */
async function sheetFor(search: Props['search']): Promise<Sheet> {
  return inMyShop(async (from, me) => {
    const { demo } = me.shop;
    const { labels: roll } = await once(from, shopPrinting);
    const [units, locale] = [unitsOf(me.language), localeOf(me.language)];
    const lots = lotsOf(await once(from, manyPortionsInStock));
    const byDelivery = new Map(
      [...lots].reverse().map((l) => [l.deliveryId, `${l.deliveryRef}, ${l.supplier}`]),
    );
    const deliveries = [...byDelivery].map(([id, words]) => ({ id, words }));
    if (search.pails !== undefined) {
      const labels = (await once(from, manyPails)).map((p) => ({
        id: p.id,
        code: codeOf({ kind: 'pail', number: p.labelNo }),
        title: say(m('label.pail'), me.language),
        big: p.name,
        lines: [
          [measured('litres', p.sizeL, units, locale), measured('cm', p.heightCm, units, locale)].join(', '),
        ],
      }));
      return { of: 'the pails', demo, roll, labels, deliveries };
    }
    if (search.all !== undefined)
      return {
        of: 'all lots here',
        demo,
        roll,
        labels: lots.map((l) => lotLabelOf(l, me.species, me.language)),
        deliveries,
      };
    const asked = typeof search.delivery === 'string' ? search.delivery : deliveries[0]?.id;
    const mine = lots.filter((l) => l.deliveryId === asked);
    return {
      of: mine[0]?.deliveryRef ?? 'a delivery',
      demo,
      roll,
      labels: mine.map((l) => lotLabelOf(l, me.species, me.language)),
      deliveries,
    };
  });
}

/** How a label lies on its roll as it is printed: paper's size is no property of an element. */
function RollStyle({ roll }: { roll: LabelRoll }) {
  const { codeMm, isStacked, lines } = labelLayout(roll);
  return (
    <style>{`@media print {
  @page { size: ${roll.widthMm}mm ${roll.heightMm}mm; margin: 2mm; }
  .${css.sheet} { display: block; }
  .${css.label} { break-after: page; border: 0; padding: 0; gap: 1mm 2mm; height: ${roll.heightMm - 4}mm; overflow: hidden;
    grid-template-columns: ${isStacked ? '1fr' : `${codeMm}mm minmax(0, 1fr)`}; content-visibility: visible; }
  .${css.label} svg { width: ${codeMm}mm; height: ${codeMm}mm; }
  .${css.label} > div { font-size: 3.2mm; }
  .${css.label} .numeral { font-size: ${lines > 2 ? 8 : 4}mm; }
  .${css.label} b { font-size: 3.6mm; }
  .${css.label} > div > :nth-child(n + ${lines > 2 ? lines : lines + 1}) { display: none; }
}`}</style>
  );
}

/** Labels to print: a code for the scanner and words for everybody. */
export async function LabelsPage({ search }: Props) {
  const { labels, demo, of, deliveries, roll } = await sheetFor(search);
  return (
    <Stack component="section" gap="1.125rem" aria-label="Labels">
      <header className="row low screen-only">
        <div className="grow">
          <h1>Labels of {of}</h1>
          <p className="soft">
            {roll
              ? `One to a label of ${roll.widthMm} × ${roll.heightMm} mm: choose the printer that holds the roll.`
              : 'Print on sticky sheets, or cut them out.'}{' '}
            A scanned lot opens where you stand, a pail at its rack.
            {demo && ' This shop has a made-up scanner: “scan it” types what a real one would.'}
          </p>
        </div>
        <PrintLabels />
      </header>
      <nav className="row screen-only" style={{ rowGap: 0 }} aria-label="Labels of what">
        {deliveries.map((d) => (
          <Link key={d.id} className="reach" href={`/labels?delivery=${d.id}`}>
            {d.words}
          </Link>
        ))}
        {deliveries.length > 1 && (
          <Link className="reach" href="/labels?all">
            All lots here
          </Link>
        )}
        <Link className="reach" href="/labels?pails">
          The pails
        </Link>
      </nav>
      {labels.length === 0 && <p>Nothing is here to label. Book a delivery in at the dock first.</p>}
      {roll && <RollStyle roll={roll} />}
      <ul className={`many bare ${css.sheet}`}>
        {labels.map((label) => (
          <li key={label.id} className={`lazy ${css.label}`}>
            <Qr text={label.code} sizePx={104} />
            <div>
              <strong className="numeral">{label.big}</strong>
              <b>{label.title}</b>
              {label.lines.map((line) => (
                <span key={line}>{line}</span>
              ))}
              <span>{label.code}</span>
            </div>
            {demo && <ScanIt code={label.code} of={`${label.title} ${label.big}`} />}
          </li>
        ))}
      </ul>
    </Stack>
  );
}
