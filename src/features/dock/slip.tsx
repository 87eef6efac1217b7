import { ShopLink as Link } from '@/shell/shop-link';
import { tell } from '@/shell/told';
import css from './dock.module.css';
import { KeptLines } from './kept-lines';
import { LoggerAttach } from './logger-attach';
import { SlipRows } from './slip-rows';
import type { SlipView } from './slip-view';

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
  isFirst,
}: {
  slip: SlipView;
  chosenId: string | null;
  showsAll: boolean;
  isFirst: boolean;
}) {
  const rows = rowsOf(slip, chosenId, showsAll);
  return (
    <section className={css.slip} aria-label={`Delivery ${slip.deliveryRef}`}>
      <header className="row ends">
        <h2>{slip.deliveryRef}</h2>
        <span className="soft">{slip.supplier}</span>
      </header>
      {slip.lots.length > 0 && (
        <div className="row">
          <LoggerAttach deliveryId={slip.deliveryId} deliveryRef={slip.deliveryRef} lots={slip.lots.length} />
          <Link
            className="reach"
            href={`/labels?delivery=${slip.deliveryId}`}
            aria-label={`Labels of ${slip.deliveryRef}`}
          >
            Labels
          </Link>
        </div>
      )}
      <SlipRows told={tell(rows)} chosenId={chosenId} isFirst={isFirst} />
      {rows.length < slip.lots.length && (
        <p className="reach">
          <Link href="/dock?all" scroll={false}>
            All {slip.lots.length} lots of it
          </Link>
        </p>
      )}
      <KeptLines lines={slip.kept} />
    </section>
  );
}
