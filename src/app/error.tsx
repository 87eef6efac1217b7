'use client';
import { useEffect } from 'react';

const TRY_AGAIN_MS = 4000;

/** Shown when a page cannot be read, most often because the database is down. Tries again by itself. */
export default function PageError({ reset }: { error: Error; reset: () => void }) {
  useEffect(() => {
    const timer = setTimeout(() => location.reload(), TRY_AGAIN_MS);
    return () => clearTimeout(timer);
  }, []);
  return (
    <main style={{ maxWidth: 640, margin: '12vh auto', padding: 24 }}>
      <h1>The shop’s memory is not answering</h1>
      <p style={{ margin: '18px 0' }}>
        Nothing in the record is lost, and taps you made are kept on this tablet. This page tries again every
        few seconds.
      </p>
      <button
        type="button"
        className="plain"
        onClick={() => {
          reset();
          location.reload();
        }}
      >
        Try now
      </button>
    </main>
  );
}
