'use client';
import { Button } from '@mantine/core';
import { IconPrinter } from '@tabler/icons-react';

export function PrintButton() {
  return (
    <Button leftSection={<IconPrinter aria-hidden />} onClick={() => print()}>
      Print
    </Button>
  );
}
