'use client';
import { useLinkStatus } from 'next/link';
import { useEffect } from 'react';
import { sayOnItsWay } from './on-its-way';

/** Inside a box's link: while it is on its way, taps meant for it wait for it. */
export function Coming({ lotId }: { lotId: string }) {
  const { pending } = useLinkStatus();
  useEffect(() => {
    sayOnItsWay(lotId, pending);
    return () => sayOnItsWay(lotId, false);
  }, [lotId, pending]);
  return null;
}
