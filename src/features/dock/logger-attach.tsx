'use client';
import { Button } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 } from 'uuid';
import { BrokenContractError } from '@/core/errors';
import { useActions } from '@/shell/actions';
import css from './flaws.module.css';
import { Feedback } from '@/shell/feedback';
import { FileTap } from '@/shell/file-tap';

interface Read {
  readonly csv: string;
  readonly words: string;
}

/** The temperature logger that travelled with a delivery: read here, told, and used once confirmed. */
export function LoggerAttach({
  deliveryId,
  deliveryRef,
  lots,
}: {
  deliveryId: string;
  deliveryRef: string;
  lots: number;
}) {
  const router = useRouter();
  const { act } = useActions();
  const [read, setRead] = useState<Read | null>(null);
  const [feedback, setFeedback] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const take = async (file: File) => {
    setRead(null);
    setFeedback(null);
    try {
      const [{ decodeNote }, { readLogger }, { loggerInWords }] = await Promise.all([
        import('@/core/note/decode'),
        import('@/core/logger/read-logger'),
        import('@/core/logger/journey-by-logger'),
      ]);
      const csv = decodeNote(new Uint8Array(await file.arrayBuffer()));
      setRead({ csv, words: loggerInWords(readLogger(csv)) });
    } catch (error) {
      setFeedback(
        error instanceof BrokenContractError
          ? `“${file.name}” ${error.problems[0]?.message ?? 'could not be read'}. Nothing was changed.`
          : `“${file.name}” could not be read. Nothing was changed.`,
      );
    }
  };
  const use = async () => {
    if (!read) return;
    setBusy(true);
    const outcome = await act('dock/logger', { deliveryId, csv: read.csv }, v4());
    setBusy(false);
    setFeedback(outcome.ok ? 'Used: their ages go by it now. Z takes it back.' : outcome.message);
    if (outcome.ok) setRead(null);
    router.refresh();
  };

  return (
    <div className={css.logger}>
      <FileTap
        label={`Logger of ${deliveryRef}, CSV`}
        accept=".csv,text/csv,text/plain"
        nameInList={`Logger file of ${deliveryRef}`}
        onFile={(file) => void take(file)}
      >
        Logger file
      </FileTap>
      {read && (
        <p role="status">
          {read.words}.{' '}
          <Button disabled={busy} onClick={() => void use()}>
            Use it for {lots} lots
          </Button>
        </p>
      )}
      <Feedback>{feedback}</Feedback>
    </div>
  );
}
