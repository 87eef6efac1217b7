'use client';
import { useInPieces } from '@/shell/in-pieces';
import { ShopLink as Link } from '@/shell/shop-link';
import type { Told } from '@/shell/told';
import { useTold } from '@/shell/use-told';
import { useWords } from '@/shell/words';

/** A lot that waits, in a line. */
export interface RestRow {
  readonly id: string;
  readonly name: string;
  readonly variety: string | null;
  readonly label: string;
  readonly stems: number;
  /** What it waits for. */
  readonly next: string;
}

/** The lots that come after those in hand: a line each, on which they are opened. */
export function Rest({ told }: { told: Told<readonly RestRow[]> }) {
  const t = useWords();
  const rows = useInPieces(useTold(told), 12);
  if (rows.length === 0) return null;
  return (
    <section className="ruled" aria-label={t('bench.after-these')}>
      <h2>{t('bench.after-these')}</h2>
      <ul className="rowlist">
        {rows.map(({ id, name, variety, label, stems, next }) => (
          <li key={id}>
            <Link className="line lazy" href={`/bench?lot=${id}`}>
              <span>
                <strong>{name}</strong>
                {variety && ` ‘${variety}’`}{' '}
                <span className="soft">{t('bench.lot-and-stems', { lot: label, stems })}</span>
              </span>
              <span className="soft">{next}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
