import { Box } from '@mantine/core';
import type { ReactNode } from 'react';

/**
 * Two columns, or one under the other on a phone; there the one of class *first* comes first.
 * @param of their widths, as a grid's columns are written
 */
export function Columns({
  of,
  align,
  children,
}: {
  of: string;
  align?: 'center' | undefined;
  children: ReactNode;
}) {
  return (
    <Box className="columns" __vars={{ '--columns': of }} style={{ alignItems: align }}>
      {children}
    </Box>
  );
}
