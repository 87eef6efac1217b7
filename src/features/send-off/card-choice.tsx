'use client';
import { Group } from '@mantine/core';
import { useRouter } from 'next/navigation';
import type { GoesTo } from '@/core/care/goes-to';
import { LANGUAGE_CHOICES, type Language } from '@/core/words/languages';
import { Choices } from '@/shell/choices';

interface Props {
  readonly arrangementId: string;
  readonly goesTo: GoesTo;
  readonly language: Language;
}

/** Whom a card is for: it says nothing that nobody there can do, in what they read. */
export function CardChoice({ arrangementId, goesTo, language }: Props) {
  const router = useRouter();
  const to = (to: GoesTo, written: Language) =>
    router.replace(
      `/send-off?arrangement=${arrangementId}${to === 'public' ? '&to=public' : ''}&in=${written}`,
      {
        scroll: false,
      },
    );
  return (
    <Group gap="0.5rem 1.5rem">
      <Choices
        label="It goes to"
        value={goesTo}
        onChange={(place) => to(place, language)}
        options={[
          { value: 'home', words: 'A home' },
          { value: 'public', words: 'A foyer, an office' },
        ]}
      />
      <Choices
        label="They read"
        value={language}
        onChange={(written) => to(goesTo, written)}
        options={LANGUAGE_CHOICES.map(({ value, label }) => ({ value, words: label }))}
      />
    </Group>
  );
}
