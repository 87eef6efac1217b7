'use client';
import { Button, Kbd } from '@mantine/core';
import dynamic from 'next/dynamic';
import { ShopLink as Link } from '@/shell/shop-link';
import { usePathname } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { AllButton } from './band-buttons';
import { PLACES, type PlaceKey, type PlaceNote } from './places';
import css from './shell.module.css';

const AllPlaces = dynamic(() => import('./all-places').then((m) => m.AllPlaces), {
  ssr: false,
  loading: () => <AllButton />,
});

/** The mark, which leads to the bench. */
function Mark({ shopName }: { shopName: string }) {
  return (
    <Link
      href="/bench"
      className={`mantine-visible-from-sm ${css.mark}`}
      aria-label={`Hush Pail, ${shopName}`}
    >
      <svg viewBox="0 0 48 48" width={40} aria-hidden="true">
        <path d="M14 10 C8 20 12 34 12 38" fill="none" stroke="var(--ink-soft)" strokeWidth={2} />
        <path
          d="M17 16 H35 L40 39 H12Z"
          fill="var(--paper-top)"
          stroke="var(--ink)"
          strokeWidth={2.6}
          strokeLinejoin="round"
        />
        <path d="M9 40 H43" stroke="var(--ink)" strokeWidth={4} strokeLinecap="round" />
      </svg>
      <span>
        Hush
        <br />
        Pail
      </span>
    </Link>
  );
}

/** The places as one band along the water: the one you are in stands in it. */
export function Band({
  notes,
  shopName,
  onQuickLine,
  children,
}: {
  notes: Readonly<Record<PlaceKey, PlaceNote>>;
  shopName: string;
  onQuickLine: () => void;
  children: ReactNode;
}) {
  const path = usePathname();
  const [isListed, setListed] = useState(false);
  const at = PLACES.findIndex((p) => path.startsWith(p.path));
  return (
    <header className={`screen-only ${css.band}`}>
      {isListed ? (
        <AllPlaces notes={notes} onQuickLine={onQuickLine} />
      ) : (
        <AllButton onClick={() => setListed(true)} />
      )}
      <Mark shopName={shopName} />
      <nav aria-label="Places" className={css.places}>
        {PLACES.map((place, i) => {
          const note = notes[place.key];
          const here = i === at;
          return (
            <Link
              key={place.key}
              href={place.path}
              aria-current={here ? 'page' : undefined}
              className={css.place}
              data-far={Math.abs(i - at) > 1 || undefined}
            >
              <span className={css.placeName}>{place.name}</span>
              <span className={`${css.placeNote} ${note.late ? 'late' : 'soft'}`}>{note.words}</span>
              {here && (
                <svg
                  className={css.basin}
                  height={18}
                  viewBox="0 0 100 20"
                  preserveAspectRatio="none"
                  aria-hidden="true"
                >
                  <path
                    d="M0 0 H100 V2 C92 2 94 18 84 18 H16 C6 18 8 2 0 2Z"
                    fill="var(--dip)"
                    stroke="none"
                  />
                  <path
                    d="M0 2 C8 2 6 18 16 18 H84 C94 18 92 2 100 2"
                    fill="none"
                    stroke="var(--blue)"
                    strokeWidth={3}
                    vectorEffect="non-scaling-stroke"
                  />
                </svg>
              )}
            </Link>
          );
        })}
      </nav>
      <Button className={css.find} visibleFrom="sm" variant="quiet" onClick={onQuickLine}>
        Find
        <Kbd>/</Kbd>
      </Button>
      {children}
    </header>
  );
}
