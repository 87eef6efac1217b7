'use client';
import { dayWords } from '@/core/calendar/format-date';
import { useInPieces } from '@/shell/in-pieces';
import { ShopLink as Link } from '@/shell/shop-link';
import type { Told } from '@/shell/told';
import { useTold } from '@/shell/use-told';
import { Coming } from './coming';
import css from './dock.module.css';
import type { SlipLot } from './slip-view';

/** As it was seen at the dock, or as the bench has seen it since; what is decided goes before. */
function seenAs({ decision, droop, stands }: SlipLot): string {
  if (decision === 'use first') return decision;
  return stands === droop ? droop : `${stands} now`;
}

/** What a lot's row says at its end: whose hands it is in, what it waits for, how it was seen. */
function Mark({ lot }: { lot: SlipLot }) {
  if (lot.forDay) return <span className="soft">for {dayWords(lot.forDay)}</span>;
  if (lot.looked) return <span className="soft">{seenAs(lot)}</span>;
  if (lot.withWhom) return <span className="soft">{lot.withWhom} has it</span>;
  return <span className="todo">look</span>;
}

/** So many rows are drawn with the page: what a screen shows of the slip on top, the head of those under it. */
const AT_ONCE = { first: 5, below: 1 };

interface Props {
  readonly told: Told<readonly SlipLot[]>;
  readonly chosenId: string | null;
  /** It lies on top. */
  readonly isFirst: boolean;
}

/** The lots of a slip in the order of its note; of a long one the first at once, the rest a piece at a time. */
export function SlipRows({ told, chosenId, isFirst }: Props) {
  const rows = useTold(told);
  const drawn = useInPieces(rows, isFirst ? AT_ONCE.first : AT_ONCE.below);
  return (
    <ul className="rowlist">
      {drawn.map((l) => (
        <li key={l.id}>
          <Link
            href={`/dock?lot=${l.id}`}
            className={`line ${css.slipRow}`}
            aria-current={l.id === chosenId ? 'true' : undefined}
            scroll={false}
          >
            <span className="serif">{l.number}</span>
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
  );
}
