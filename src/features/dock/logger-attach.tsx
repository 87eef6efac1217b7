'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { FileTap } from '@/shell/file-tap';

// What reads a logger's file is wanted where one is chosen.
const LoggerRead = dynamic(() => import('./logger-read').then((m) => m.LoggerRead), { ssr: false });

/** The temperature logger that travelled with a delivery: its file is read here, told, and used once confirmed. */
export function LoggerAttach({
  deliveryId,
  deliveryRef,
  lots,
}: {
  deliveryId: string;
  deliveryRef: string;
  lots: number;
}) {
  const [chosen, setChosen] = useState<{ readonly file: File; readonly turn: number } | null>(null);
  return (
    <div>
      <FileTap
        label={`Logger of ${deliveryRef}, CSV`}
        accept=".csv,text/csv,text/plain"
        nameInList={`Logger file of ${deliveryRef}`}
        onFile={(file) => setChosen((last) => ({ file, turn: (last?.turn ?? 0) + 1 }))}
      >
        Logger file
      </FileTap>
      {chosen && <LoggerRead key={chosen.turn} file={chosen.file} deliveryId={deliveryId} lots={lots} />}
    </div>
  );
}
