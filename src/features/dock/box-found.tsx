'use client';
import { Button, Text } from '@mantine/core';
import { useState } from 'react';
import { flawName } from '@/core/dock/flaws';
import type { BoxFound } from '@/core/simulate/van';
import { useSay } from '@/shell/words';
import { useMeasures } from '@/shell/reader';

type Told = ReturnType<typeof useMeasures>['told'];

function wordsOf(found: BoxFound, told: Told, say: ReturnType<typeof useSay>): string[] {
  const counted = found.counted.map((c) => `${c.seen} of ${found.sample}: ${say(flawName(c.kind))}`);
  return [
    `${found.stems} stems counted`,
    `necks ${found.droop}${found.isOpenEarly ? ', further open than they should be' : ''}`,
    `box at ${told('tempC', found.boxTempC)}`,
    `a bunch weighs ${found.bunchGrams} g`,
    ...(counted.length > 0 ? counted : [`nothing wrong in ${found.sample} taken out`]),
  ];
}

/** The demo's stand-in for eyes and a thermometer: what is in a made-up box. It logs nothing. */
export function BoxFoundButton({ lotId }: { lotId: string }) {
  const { told } = useMeasures();
  const say = useSay();
  const [words, setWords] = useState<readonly string[] | null>(null);
  const open = async () => {
    const response = await fetch(`/dock/demo-box?lot=${lotId}`).catch(() => null);
    setWords(
      response?.ok
        ? wordsOf((await response.json()) as BoxFound, told, say)
        : ['This box is none of the demo’s van.'],
    );
  };
  return (
    <>
      <Button variant="quiet" onClick={() => void open()}>
        Demo: open the box
      </Button>
      {words && (
        <Text className="aside" w="100%" role="status">
          {words.join('; ')}.
        </Text>
      )}
    </>
  );
}
