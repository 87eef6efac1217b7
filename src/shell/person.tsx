'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { formatDate } from '@/core/calendar/format-date';
import { WhoButton } from './band-buttons';
import { useShopNow } from './clock';
import type { PersonPanelProps } from './person-panel';

const PersonPanel = dynamic(() => import('./person-panel').then((m) => m.PersonPanel), {
  ssr: false,
  loading: () => <WhoButton clock="" who="…" />,
});

/** Who is signed in, with the shop's clock. */
export function Person({
  timeZone,
  ...props
}: Omit<PersonPanelProps, 'clock'> & { readonly timeZone: string }) {
  const now = useShopNow();
  const [isOpened, setOpened] = useState(false);
  const clock = now === null ? '' : formatDate(now, timeZone, 'clock');
  return isOpened ? (
    <PersonPanel {...props} clock={clock} />
  ) : (
    <WhoButton clock={clock} who={props.name} onClick={() => setOpened(true)} />
  );
}
