import { Box } from '@mantine/core';
import type { ReactNode } from 'react';
import kit from './theme/kit.module.css';

/** Holds the one thing to tap: it never leaves the screen, however long what stands before it is. */
export function ActionBar({ children }: { children: ReactNode }) {
  return (
    <Box className={kit.actionBar} data-action-bar>
      {children}
    </Box>
  );
}
