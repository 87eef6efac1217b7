'use client';
import { Alert, Button, Group } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useShopNow } from './clock';
import { LinkButton } from './link-button';
import type { NextItem } from './places';
import css from './shell.module.css';
import { useAlarmSound } from './use-alarm-sound';

/** What ended before this tablet looked is in Next, and late there; it does not ring any more. */
const STALE_MS = 30 * 60_000;
const MOST_SEEN = 60;

/** A clock that ended: said across the screen and rung, until somebody says they have seen it. */
export function Alarm({ items, isQuiet }: { items: readonly NextItem[]; isQuiet: boolean }) {
  const now = useShopNow();
  const [seen, setSeen] = useLocalStorage<readonly string[]>({
    key: 'hush-pail-clocks-seen',
    defaultValue: [],
  });
  const rung = items.filter((i) => {
    if (now === null || i.dueAt === null || i.startedAt === null) return false;
    return i.dueAt <= now && now - i.dueAt < STALE_MS && !seen.includes(`${i.id}@${i.dueAt}`);
  });
  const ringing = rung.map((i) => `${i.id}@${i.dueAt ?? 0}`).join(' ');
  useAlarmSound(
    isQuiet ? '' : ringing,
    !isQuiet && items.some((i) => i.dueAt !== null && i.startedAt !== null),
  );
  const [first] = rung;
  if (!first) return null;
  const markSeen = () => setSeen([...seen, ...ringing.split(' ')].slice(-MOST_SEEN));
  return (
    <Alert className={`${css.kept} ${css.alarm}`}>
      <Group gap="md">
        <svg viewBox="0 0 40 40" width={40} aria-hidden="true">
          <path
            d="M8 30 H32 L29 26 V18 a9 9 0 0 0 -18 0 V26Z M17 33 a3 3 0 0 0 6 0"
            fill="none"
            stroke="currentColor"
            strokeWidth={3}
            strokeLinejoin="round"
          />
        </svg>
        <p className="grow">
          <strong>{first.title}</strong>: {first.note}
          {rung.length > 1 && `, and ${rung.length - 1} more`}
        </p>
        <LinkButton href={first.href} onClick={markSeen}>
          Go to it
        </LinkButton>
        <Button onClick={markSeen}>Seen</Button>
      </Group>
    </Alert>
  );
}
