'use client';
import dynamic from 'next/dynamic';
import { Unfolds } from '@/shell/unfolds';

const TypedForm = dynamic(() => import('./typed-form').then((m) => m.TypedForm), {
  ssr: false,
  loading: () => <p role="status">One moment …</p>,
});

/** Lines of a delivery that came without a file, typed or pasted. */
export function TypedLines({
  start,
  onRead,
}: {
  /** Lines that were typed elsewhere. */
  start: string;
  onRead: (text: string, as: 'note' | 'order') => Promise<void>;
}) {
  return (
    <Unfolds summary="No file? Type or paste its lines" startsOpen={start !== ''}>
      <TypedForm start={start} onRead={onRead} />
    </Unfolds>
  );
}
