'use client';
import { Button, Popover } from '@mantine/core';
import { useState, type MouseEvent, type ReactNode } from 'react';

const GAP_PX = 8;

/** How far above the button the deed of its card begins. */
function deedAbove(button: HTMLElement): number {
  const deed = button.closest('article')?.querySelector('[data-deed-bar]');
  return deed ? button.getBoundingClientRect().top - deed.getBoundingClientRect().top : 0;
}

/**
 * What else may be done with the lot in hand. It lies over its own card, as wide as that, and leaves
 * its deed free: nothing of the other pair of hands' moves, and what was set is logged in one tap.
 */
export function NotThis({ words, children }: { words: string; children: ReactNode }) {
  const [isOpen, setOpen] = useState(false);
  const [offset, setOffset] = useState(GAP_PX);
  const toggle = ({ currentTarget }: MouseEvent<HTMLElement>) => {
    setOffset(deedAbove(currentTarget) + GAP_PX);
    setOpen(!isOpen);
  };
  return (
    <Popover
      opened={isOpen}
      onChange={setOpen}
      position="top-end"
      width="100cqw"
      offset={offset}
      withinPortal={false}
      trapFocus
      returnFocus
    >
      <Popover.Target>
        <Button variant="quiet" onClick={toggle}>
          {words}
        </Button>
      </Popover.Target>
      <Popover.Dropdown>{children}</Popover.Dropdown>
    </Popover>
  );
}
