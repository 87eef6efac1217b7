'use client';
import { useRouter } from 'next/navigation';
import type { GoesTo } from '@/core/care/goes-to';
import { Choices } from '@/shell/choices';

/** Where it goes: the card says nothing that nobody there can do. */
export function GoesToChoice({ arrangementId, value }: { arrangementId: string; value: GoesTo }) {
  const router = useRouter();
  const to = (place: GoesTo) =>
    router.replace(`/send-off?arrangement=${arrangementId}${place === 'public' ? '&to=public' : ''}`, {
      scroll: false,
    });
  return (
    <Choices
      label="It goes to"
      value={value}
      onChange={to}
      options={[
        { value: 'home', words: 'A home' },
        { value: 'public', words: 'A foyer, an office' },
      ]}
    />
  );
}
