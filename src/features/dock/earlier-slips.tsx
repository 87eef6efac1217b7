import { ShopLink as Link } from '@/shell/shop-link';
import css from './dock.module.css';
import type { SlipView } from './slip-view';

const kindsOf = (lots: SlipView['lots']): string =>
  [...new Set(lots.map((l) => l.name.toLowerCase()))].join(', ');

/** Deliveries that were seen to and have something here still: a line each, which opens its slip. */
export function EarlierSlips({ slips }: { slips: readonly SlipView[] }) {
  if (slips.length === 0) return null;
  return (
    <nav className={css.slip} aria-label="Earlier deliveries">
      <h2>Earlier, still here</h2>
      <ul className="rowlist">
        {slips.map(({ deliveryId, deliveryRef, supplier, lots }) => (
          <li key={deliveryId}>
            <Link href={`/dock?lot=${lots[0]?.id}`} className="line" scroll={false}>
              <span>
                <strong>{deliveryRef}</strong>{' '}
                <span className="soft">
                  {supplier}: {kindsOf(lots)}
                </span>
              </span>
              <span className="soft">
                {lots.length} {lots.length === 1 ? 'lot' : 'lots'}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}
