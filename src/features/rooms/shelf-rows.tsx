'use client';
import { daysInWords, LifeLine, type LifeScale } from '@/drawing/life-line';
import { useInPieces } from '@/shell/in-pieces';
import { ShopLink as Link } from '@/shell/shop-link';
import type { Told } from '@/shell/told';
import { useTold } from '@/shell/use-told';
import css from './rooms.module.css';
import { aDay, SOON_DAYS, type ShelfRow } from './shelf-row';

/** A lot on its shelf: what it is, where exactly, and how long it has. */
function Row({ row, scale }: { row: ShelfRow; scale: LifeScale }) {
  const words = daysInWords(row.daysLeft);
  return (
    <li>
      <Link href={`/dock?lot=${row.id}`} className={`line ${css.lot}`}>
        <span>
          <strong>{row.name}</strong>
          {row.variety && ` ‘${row.variety}’`}
          <span className="soft"> {row.label}</span>
          <br />
          <span className="soft">
            {row.stemsLeft} in {row.pail ? `pail ${row.pail}` : 'no pail'}
          </span>
        </span>
        <LifeLine
          scale={scale}
          daysSinceCut={row.daysSinceCut}
          daysSinceArrival={row.daysSinceArrival}
          shareByDay={row.shareByDay}
          {...row.daysLeft}
          label={`${row.name}: ${words} left`}
        />
        <span>
          <span className={row.daysLeft.p50 <= SOON_DAYS ? 'late' : undefined}>{words}</span>
          <br />
          {row.isTooCold ? (
            <span className="late">too cold for it</span>
          ) : row.decision === 'use first' ? (
            <span className="late">use first</span>
          ) : (
            <span className="soft">ages {aDay(row.daysADay)}</span>
          )}
        </span>
      </Link>
    </li>
  );
}

/** Rows drawn with the page: what a screen shows of the shelf on top, the head of those under it. */
const AT_ONCE = { top: 7, below: 1 };

interface Props {
  readonly told: Told<readonly ShelfRow[]>;
  readonly scale: LifeScale;
  /** Whether a screen shows this shelf without being scrolled. */
  readonly isOnTop: boolean;
}

/** The first of a shelf at once, the rest a piece at a time. */
export function ShelfRows({ told, scale, isOnTop }: Props) {
  const drawn = useInPieces(useTold(told), isOnTop ? AT_ONCE.top : AT_ONCE.below);
  return (
    <ul className="rowlist">
      {drawn.map((row) => (
        <Row key={row.portionId} row={row} scale={scale} />
      ))}
    </ul>
  );
}
