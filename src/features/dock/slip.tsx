import Link from 'next/link';
import type { LotView } from '@/server/stock';
import css from './dock.module.css';
import { KeptLines, type KeptLineView } from './kept-lines';
import { LoggerAttach } from './logger-attach';

/** One delivery: its lots, and what of its note is no lot. */
export interface SlipView {
  readonly deliveryId: string;
  readonly deliveryRef: string;
  readonly supplier: string;
  readonly lots: readonly (LotView & { readonly withWhom: string | null })[];
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

/** A delivery as one slip of paper, its lots in the order of the note. */
export function Slip({ slip, chosenId }: { slip: SlipView; chosenId: string | null }) {
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
        {slip.lots.map((l) => (
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
            </Link>
          </li>
        ))}
      </ul>
      <KeptLines lines={slip.kept} />
    </section>
  );
}
