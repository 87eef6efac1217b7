import { ShopLink as Link } from '@/shell/shop-link';
import { codeOf } from '@/core/labels/codes';
import { speciesByKey } from '@/core/species/species';
import { manyLotsInStock } from '@/data/lots';
import { manyPails } from '@/data/pails';
import { Qr } from '@/drawing/qr';
import { inMyShop } from '@/server/session';
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

async function labelsFor(search: Props['search']): Promise<{ labels: Label[]; demo: boolean; of: string }> {
  return inMyShop(async (trx, me) => {
    if (search.pails !== undefined) {
      const pails = await manyPails(trx);
      return {
        of: 'the pails',
        demo: me.shop.demo,
        labels: pails.map((p) => ({
          id: p.id,
          code: codeOf({ kind: 'pail', number: p.labelNo }),
          title: 'Pail',
          big: p.name,
          lines: [`${p.sizeL} L, ${p.heightCm} cm`],
        })),
      };
    }
    const lots = (await manyLotsInStock(trx)).filter(
      (l) => search.delivery === undefined || l.deliveryId === search.delivery,
    );
    return {
      of: search.delivery === undefined ? 'all lots here' : (lots[0]?.deliveryRef ?? 'a delivery'),
      demo: me.shop.demo,
      labels: lots.map((l) => ({
        id: l.id,
        code: codeOf({ kind: 'lot', number: l.number }),
        title: speciesByKey(l.speciesKey).name,
        big: String(l.number),
        lines: [l.variety ? `‘${l.variety}’` : '', `cut ${l.cutDate}`, l.supplier].filter((w) => w !== ''),
      })),
    };
  });
}

/** Labels to print: a code for the scanner and words for everybody. */
export async function LabelsPage({ search }: Props) {
  const { labels, demo, of } = await labelsFor(search);
  return (
    <section className={css.page} aria-label="Labels">
      <header className={css.head}>
        <div>
          <h1>Labels of {of}</h1>
          <p className="soft">
            Print on sticky sheets, or cut them out. A scanned lot opens where you stand, a pail at its rack.
            {demo && ' This shop has a made-up scanner: “scan it” types what a real one would.'}
          </p>
        </div>
        <PrintLabels />
        <Link className="quiet" href={search.pails === undefined ? '/labels?pails' : '/labels'}>
          {search.pails === undefined ? 'Pails instead' : 'Lots instead'}
        </Link>
      </header>
      {labels.length === 0 && <p>Nothing is here to label. Book a delivery in at the dock first.</p>}
      <ul className={css.sheet}>
        {labels.map((label) => (
          <li key={label.id} className={css.label}>
            <Qr text={label.code} sizePx={104} />
            <div>
              <strong className={css.big}>{label.big}</strong>
              <span className={css.title}>{label.title}</span>
              {label.lines.map((line) => (
                <span key={line}>{line}</span>
              ))}
              <span className={css.code}>{label.code}</span>
            </div>
            {demo && <ScanIt code={label.code} of={`${label.title} ${label.big}`} />}
          </li>
        ))}
      </ul>
    </section>
  );
}
