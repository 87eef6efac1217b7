import { ShopLink as Link } from '@/shell/shop-link';
import css from './desk.module.css';

const VIEWS = [
  { href: '/desk', words: 'The record' },
  { href: '/desk/ways', words: 'House ways' },
  { href: '/desk/species', words: 'Species' },
  { href: '/desk/figures', words: 'Figures' },
] as const;

/** The desk's views. */
export function DeskTabs({ here }: { here: (typeof VIEWS)[number]['href'] }) {
  return (
    <nav aria-label="Desk" className={css.tabs}>
      {VIEWS.map((view) => (
        <Link key={view.href} href={view.href} aria-current={view.href === here ? 'page' : undefined}>
          {view.words}
        </Link>
      ))}
    </nav>
  );
}
