import { Box, type BoxProps } from '@mantine/core';
import type { ComponentPropsWithoutRef } from 'react';
import kit from './theme/kit.module.css';

/**
 * A table in the kit's look, of plain elements: the kit's own brings a scroll area and what floats over it along,
 * 23 kB of script on every page that shows a table from the beginning.
 */
export function PlainTable({ className, ...props }: BoxProps & ComponentPropsWithoutRef<'table'>) {
  return <Box component="table" className={className ? `${kit.table} ${className}` : kit.table} {...props} />;
}
