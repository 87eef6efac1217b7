'use client';
import { Button, Popover } from '@mantine/core';
import { useState, type ReactNode } from 'react';

interface Props {
  readonly words: string;
  /** How far over its button it begins, in pixels, so that it leaves the main action of its card free. */
  readonly offset: number;
  readonly children: ReactNode;
}

/** The panel under *not this*; it is loaded as it is first opened. */
export function NotThisPanel({ words, offset, children }: Props) {
  const [isOpen, setOpen] = useState(true);
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
        <Button variant="quiet" onClick={() => setOpen(!isOpen)}>
          {words}
        </Button>
      </Popover.Target>
      <Popover.Dropdown>{children}</Popover.Dropdown>
    </Popover>
  );
}
