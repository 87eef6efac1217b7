'use client';
import { Button } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { v4 } from 'uuid';
import { BrokenContractError } from '@/core/errors';
import { loggerInWords } from '@/core/logger/journey-by-logger';
import { readLogger } from '@/core/logger/read-logger';
import { decodeNote } from '@/core/note/decode';
import { useActions } from '@/shell/actions';
import { Feedback } from '@/shell/feedback';

interface Read {
  readonly csv: string;
  readonly words: string;
}

/** What a logger's file says, or why it says nothing. */
async function readFile(file: File): Promise<Read | string> {
  try {
    const csv = decodeNote(new Uint8Array(await file.arrayBuffer()));
    return { csv, words: loggerInWords(readLogger(csv)) };
  } catch (error) {
    return error instanceof BrokenContractError
      ? `“${file.name}” ${error.problems[0]?.message ?? 'could not be read'}. Nothing was changed.`
      : `“${file.name}” could not be read. Nothing was changed.`;
  }
}

/** A logger's file as it was read, told, and used once confirmed. */
export function LoggerRead({ file, deliveryId, lots }: { file: File; deliveryId: string; lots: number }) {
  const router = useRouter();
  const { act } = useActions();
  const [read, setRead] = useState<Read | null>(null);
  const [feedback, setFeedback] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    void readFile(file).then((is) => (typeof is === 'string' ? setFeedback(is) : setRead(is)));
  }, [file]);
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
    <>
      {read && (
        <p role="status">
          {read.words}.{' '}
          <Button disabled={busy} onClick={() => void use()}>
            Use it for {lots} lots
          </Button>
        </p>
      )}
      <Feedback>{feedback}</Feedback>
    </>
  );
}
