'use client';
import { Alert, Button, Group } from '@mantine/core';
import { useActions } from './actions';
import css from './shell.module.css';

/** Taps that wait on this tablet, and what became of them. */
export function KeptTapsBar() {
  const { kept, news, dropNews } = useActions();
  if (kept.length > 0)
    return (
      <Alert className={`screen-only ${css.kept}`}>
        {kept.length === 1
          ? `Kept on this tablet: ${kept[0]?.about ?? ''}.`
          : `${kept.length} taps are kept on this tablet.`}{' '}
        The shop’s memory is not answering; they are tried again until it does.
      </Alert>
    );
  if (!news) return null;
  return (
    <Alert className={`screen-only ${css.kept}`} data-well role="status">
      <Group gap="md">
        <span>{news}</span>
        <Button onClick={dropNews}>Seen</Button>
      </Group>
    </Alert>
  );
}
