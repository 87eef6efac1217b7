'use client';
import { Button } from '@mantine/core';
import { useEffect, useState } from 'react';

/** Under a second nobody asks how long it takes. */
const SHOWN_AFTER_S = 1;

/** How long something has been worked at, with a way out; told once it is over a second. */
export function Working({ onGiveUp }: { onGiveUp: () => void }) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setSeconds((s) => s + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  if (seconds < SHOWN_AFTER_S) return null;
  return (
    <span role="status">
      {seconds} s <Button onClick={onGiveUp}>Give up</Button>
    </span>
  );
}
