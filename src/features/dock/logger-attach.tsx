'use client';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { v4 } from 'uuid';
import { BrokenContractError } from '@/core/errors';
import { useActions } from '@/shell/actions';
import css from './flaws.module.css';
import { Said } from '@/shell/said';

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
  const input = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<Read | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const take = async (file: File | undefined) => {
    if (!file) return;
    setRead(null);
    setSaid(null);
    try {
      const [{ decodeNote }, { readLogger }, { loggerInWords }] = await Promise.all([
        import('@/core/dock/decode'),
        import('@/core/logger/read-logger'),
        import('@/core/logger/journey-by-logger'),
      ]);
      const csv = decodeNote(new Uint8Array(await file.arrayBuffer()));
      setRead({ csv, words: loggerInWords(readLogger(csv)) });
    } catch (error) {
      setSaid(
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
    setSaid(outcome.ok ? 'Used: their ages go by it now. Z takes it back.' : outcome.message);
    if (outcome.ok) setRead(null);
    router.refresh();
  };

  return (
    <div className={css.logger}>
      <button type="button" className="quiet" onClick={() => input.current?.click()}>
        Logger file<span className="visually-hidden"> of {deliveryRef}</span>
      </button>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv,text/plain"
        aria-label={`Logger of ${deliveryRef}, CSV`}
        className="visually-hidden"
        tabIndex={-1}
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {read && (
        <p role="status">
          {read.words}.{' '}
          <button type="button" className="plain" disabled={busy} onClick={() => void use()}>
            Use it for {lots} lots
          </button>
        </p>
      )}
      <Said>{said}</Said>
    </div>
  );
}
