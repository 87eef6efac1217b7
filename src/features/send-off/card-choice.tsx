'use client';
import { Group } from '@mantine/core';
import { useRouter } from 'next/navigation';
import type { GoesTo } from '@/core/care/goes-to';
import type { Language } from '@/core/words/catalogues';
import { Choices } from '@/shell/choices';
import { useLanguages } from '@/shell/languages';

interface Props {
  readonly arrangementId: string;
  readonly goesTo: GoesTo;
  readonly language: Language;
}

/** Whom a card is for: it says nothing that nobody there can do, in what they read. */
export function CardChoice({ arrangementId, goesTo, language }: Props) {
  const router = useRouter();
  const languages = useLanguages();
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
        options={languages.map(({ value, label }) => ({ value, words: label }))}
      />
    </Group>
  );
}
