'use client';
import { madeUpScanner } from '@/shell/scanner';
import css from './labels.module.css';

export function PrintLabels() {
  return (
    <button type="button" className="plain" onClick={() => print()}>
      Print them
    </button>
  );
}

/** The made-up scanner, held to this label. */
export function ScanIt({ code, of }: { code: string; of: string }) {
  return (
    <button
      type="button"
      className={`quiet ${css.scan}`}
      onClick={(event) => {
        event.currentTarget.blur();
        madeUpScanner.read(code);
      }}
    >
      Demo: scan it<span className="visually-hidden">, {of}</span>
    </button>
  );
}
