'use client';
import { useEffect, useRef } from 'react';
import { ShopLink as Link } from '@/shell/shop-link';
import css from './desk.module.css';

const VIEWS = [
  { href: '/desk', words: 'The record' },
  { href: '/desk/ways', words: 'House ways' },
  { href: '/desk/species', words: 'Species' },
  { href: '/desk/figures', words: 'Figures' },
  { href: '/desk/people', words: 'People' },
  { href: '/desk/shop', words: 'The shop' },
  { href: '/desk/rooms', words: 'Rooms and pails' },
  { href: '/desk/water', words: 'Water and washing' },
] as const;

/** The desk's views; on a phone the row is as far along as the one that is shown. */
export function DeskTabs({ here }: { here: (typeof VIEWS)[number]['href'] }) {
  const row = useRef<HTMLElement>(null);
  useEffect(() => {
    const shown = row.current?.querySelector<HTMLElement>('[aria-current]');
    if (row.current && shown)
      row.current.scrollLeft = shown.offsetLeft + shown.offsetWidth / 2 - row.current.clientWidth / 2;
  }, [here]);
  return (
    <nav ref={row} aria-label="Desk" className={css.tabs}>
      {VIEWS.map((view) => (
        <Link key={view.href} href={view.href} aria-current={view.href === here ? 'page' : undefined}>
          {view.words}
        </Link>
      ))}
    </nav>
  );
}
