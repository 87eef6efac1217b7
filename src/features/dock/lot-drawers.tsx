'use client';
import { Box } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { PlainButton } from '@/shell/plain-button';
import { keepOpenDrawer, lotOnItsWay, openDrawerOf } from './on-its-way';
import css from './flaws.module.css';

const SPACED = { marginLeft: '0.25rem' };

export interface Drawer {
  readonly key: string;
  readonly words: string;
  /** What is in it already, said on its handle. */
  readonly holds?: string | null;
  readonly inside: ReactNode;
}

/** What else can be done with a box, a drawer each, one open at a time. */
export function LotDrawers({
  lotId,
  drawers,
  startOpen,
}: {
  lotId: string;
  drawers: readonly Drawer[];
  startOpen: string | null;
}) {
  const [open, setOpen] = useState(() => openDrawerOf(lotId, startOpen));
  const toggle = (key: string) => {
    const next = key === open ? null : key;
    // A tap made while the next box is on its way is meant for that one, and waits for it.
    keepOpenDrawer(lotOnItsWay() ?? lotId, next);
    setOpen(next);
  };
  const drawer = drawers.find((d) => d.key === open);
  return (
    <div>
      <div className={css.handles}>
        {drawers.map((d) => (
          <PlainButton
            key={d.key}
            aria-expanded={d.key === open}
            aria-controls="drawer"
            onClick={() => toggle(d.key)}
          >
            {d.words}
            {d.holds && (
              <span className="soft" style={SPACED}>
                {' '}
                {d.holds}
              </span>
            )}
          </PlainButton>
        ))}
      </div>
      <Box id="drawer" bg="var(--paper-top)" p="0.875rem 1rem" hidden={!drawer}>
        {drawer?.inside}
      </Box>
    </div>
  );
}
