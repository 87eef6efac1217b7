'use client';
import { Button } from '@mantine/core';
import { IconPrinter } from '@tabler/icons-react';
import { madeUpScanner } from '@/shell/scanner';

export function PrintLabels() {
  return (
    <Button leftSection={<IconPrinter aria-hidden />} onClick={() => print()}>
      Print them
    </Button>
  );
}

/** The made-up scanner, held to this label. */
export function ScanIt({ code, of }: { code: string; of: string }) {
  return (
    <Button
      variant="quiet"
      className="screen-only"
      aria-label={`Demo: scan it, ${of}`}
      onClick={(event) => {
        event.currentTarget.blur();
        madeUpScanner.read(code);
      }}
    >
      Demo: scan it
    </Button>
  );
}
