'use client';
import { Button, Group, Text } from '@mantine/core';
import { useState } from 'react';
import { EmergencyLine } from '@/shell/emergency';
import { useWords } from '@/shell/words';

/** The caution where the hand is about to do the thing: one line, more on request. */
export function CautionLine({ caution, more }: { caution: string | null; more: string | null }) {
  const t = useWords();
  const [isOpen, setOpen] = useState(false);
  if (!caution) return null;
  return (
    <div>
      <Group component="p" className="late" wrap="nowrap" align="flex-start" gap="sm">
        <svg viewBox="0 0 28 26" width={28} style={{ flex: 'none' }} aria-hidden="true">
          <path
            d="M14 3 L26 23 H2Z M14 10 V16 M14 19.4 V20"
            fill="none"
            stroke="currentColor"
            strokeWidth={2.6}
            strokeLinejoin="round"
            strokeLinecap="round"
          />
        </svg>
        <span>{caution}</span>
        <Button variant="quiet" my={-10} c="inherit" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {t(isOpen ? 'bench.less' : 'bench.more')}
        </Button>
      </Group>
      {isOpen && (
        <>
          {more !== null && (
            <Text className="prose" py="xs" pl={40}>
              {more}
            </Text>
          )}
          <EmergencyLine />
        </>
      )}
    </div>
  );
}
