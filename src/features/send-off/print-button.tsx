'use client';

export function PrintButton() {
  return (
    <button type="button" className="plain" onClick={() => print()}>
      Print
    </button>
  );
}
