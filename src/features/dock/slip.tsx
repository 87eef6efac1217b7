import { ShopLink as Link } from '@/shell/shop-link';
import type { LotBrief } from '@/server/stock';
import { Coming } from './coming';
import css from './dock.module.css';
import { KeptLines, type KeptLineView } from './kept-lines';
import { LoggerAttach } from './logger-attach';

/** One delivery: its lots, and what of its note is no lot. */
export interface SlipView {
  readonly deliveryId: string;
  readonly deliveryRef: string;
  readonly supplier: string;
  readonly lots: readonly (LotBrief & { readonly withWhom: string | null })[];
  readonly kept: readonly KeptLineView[];
}

/** What a lot's row says at its end: whose hands it is in, what it waits for, how it was seen. */
function Mark({ lot }: { lot: SlipView['lots'][number] }) {
  if (lot.forDay) return <span className="soft">for {lot.forDay.slice(5)}</span>;
  if (lot.looked)
    return <span className="soft">{lot.decision === 'use first' ? 'use first' : lot.droop}</span>;
  if (lot.withWhom) return <span className="soft">{lot.withWhom} has it</span>;
  return <span className={css.toLook}>look</span>;
}

/** More rows than this are no slip of paper any more. */
const MOST_ROWS = 60;

/** Of a very long delivery the lots to look at, so many at a time, and the one in hand. */
function rowsOf(slip: SlipView, chosenId: string | null, showsAll: boolean): SlipView['lots'] {
  if (showsAll || slip.lots.length <= MOST_ROWS) return slip.lots;
  const next = new Set([
    ...slip.lots.filter((l) => !l.looked).slice(0, MOST_ROWS),
    ...slip.lots.filter((l) => l.id === chosenId),
  ]);
  return slip.lots.filter((l) => next.has(l));
}

/** A delivery as one slip of paper, its lots in the order of the note. */
export function Slip({
  slip,
  chosenId,
  showsAll,
}: {
  slip: SlipView;
  chosenId: string | null;
  showsAll: boolean;
}) {
  const rows = rowsOf(slip, chosenId, showsAll);
  return (
    <section className={css.slip} aria-label={`Delivery ${slip.deliveryRef}`}>
      <header>
        <h2>{slip.deliveryRef}</h2>
        <span className="soft">{slip.supplier}</span>
      </header>
      {slip.lots.length > 0 && (
        <div className={css.slipTools}>
          <LoggerAttach deliveryId={slip.deliveryId} deliveryRef={slip.deliveryRef} lots={slip.lots.length} />
          <Link className="quiet" href={`/labels?delivery=${slip.deliveryId}`}>
            Labels<span className="visually-hidden"> of {slip.deliveryRef}</span>
          </Link>
        </div>
      )}
      <ul className="rowlist">
        {rows.map((l) => (
          <li key={l.id}>
            <Link
              href={`/dock?lot=${l.id}`}
              className={css.slipRow}
              aria-current={l.id === chosenId ? 'true' : undefined}
              scroll={false}
            >
              <span className={css.lotNo}>{l.number}</span>
              <span>
                <strong>{l.name}</strong> {l.variety && <span>‘{l.variety}’</span>}
                <span className="soft">
                  {' '}
                  {l.stemsLeft}
                  {l.stemsLeft === l.stemsBooked ? '' : ` of ${l.stemsBooked}`}
                </span>
              </span>
              <Mark lot={l} />
              <Coming lotId={l.id} />
            </Link>
          </li>
        ))}
      </ul>
      {rows.length < slip.lots.length && (
        <p className={css.claimsLink}>
          <Link href="/dock?all" scroll={false}>
            All {slip.lots.length} lots of it
          </Link>
        </p>
      )}
      <KeptLines lines={slip.kept} />
    </section>
  );
}
