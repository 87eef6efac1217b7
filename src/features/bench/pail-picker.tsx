'use client';
import type { PailChoice } from './bench-card';
import css from './bench.module.css';

interface Props {
  readonly pails: readonly PailChoice[];
  readonly pailId: string | null;
  readonly litres: number;
  readonly onPail: (id: string) => void;
  readonly onLitres: (litres: number) => void;
}

const SHOWN = 7;

/** Which pail it goes into: the next clean ones, and those whose water suits; litres by taps. */
export function PailPicker({ pails, pailId, litres, onPail, onLitres }: Props) {
  if (pails.length === 0)
    return <p className="said">No pail stands clean. Wash one at the pails first, or tip one out.</p>;
  const chosen = pails.find((p) => p.id === pailId);
  const shown = [
    ...pails.filter((p) => !p.shares).slice(0, SHOWN),
    ...pails.filter((p) => p.shares).slice(0, 3),
  ];
  return (
    <div className={css.pick}>
      <div role="radiogroup" aria-label="Into pail" className={css.pickPails}>
        {shown.map((p) => (
          <button
            key={p.id}
            type="button"
            role="radio"
            aria-checked={p.id === pailId}
            className="plain"
            onClick={() => onPail(p.id)}
          >
            {p.name}
            {p.shares && <span className="soft"> with others</span>}
          </button>
        ))}
      </div>
      {chosen && !chosen.shares && (
        <div className={css.pickLitres}>
          <button
            type="button"
            className="plain"
            aria-label="Half a litre less"
            onClick={() => onLitres(Math.max(0.5, litres - 0.5))}
          >
            −
          </button>
          <output aria-label="Litres">
            <strong>{litres} L</strong>
          </output>
          <button
            type="button"
            className="plain"
            aria-label="Half a litre more"
            onClick={() => onLitres(Math.min(20, litres + 0.5))}
          >
            +
          </button>
        </div>
      )}
    </div>
  );
}
