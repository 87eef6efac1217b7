'use client';
import { filmSum } from '@/core/sanitising/film';
import { Choices } from '@/shell/choices';
import { Stepper } from '@/shell/stepper';
import type { BenchCard, PailChoice } from './bench-card';
import css from './bench.module.css';

interface Props {
  readonly pails: readonly PailChoice[];
  readonly pailId: string | null;
  readonly litres: number;
  readonly onPail: (id: string) => void;
  readonly onLitres: (litres: number) => void;
  readonly film: BenchCard['film'];
  readonly isAcid: boolean;
}

const SHOWN = 5;

/** The sum that settles whether the pail is rinsed, for whoever argues. */
function Film({
  litres,
  film,
  isWetAndAcid,
}: {
  litres: number;
  film: BenchCard['film'];
  isWetAndAcid: boolean;
}) {
  const { says, isUnderLimit } = filmSum(litres);
  const rinse = isWetAndAcid || film === 'rinse' || (film === 'by-sum' && !isUnderLimit);
  return (
    <p className={css.film}>
      {says}: {rinse ? 'rinse first' : 'leave it, drained upside down'}
      {isWetAndAcid
        ? '; it has not drained, and acid food goes in.'
        : film === 'by-sum'
          ? '.'
          : ', the house’s way.'}
    </p>
  );
}

/** Which pail it goes into: the next clean ones, and those whose water suits; litres by taps. */
export function PailPicker({ pails, pailId, litres, onPail, onLitres, film, isAcid }: Props) {
  if (pails.length === 0)
    return <p className="said">No pail stands clean. Wash one at the pails first, or tip one out.</p>;
  const chosen = pails.find((p) => p.id === pailId);
  const shown = [
    ...pails.filter((p) => !p.shares).slice(0, SHOWN),
    ...pails.filter((p) => p.shares).slice(0, 2),
  ];
  return (
    <div className={css.pick}>
      <Choices
        label="Into pail"
        value={pailId}
        onChange={onPail}
        options={shown.map((p) => ({
          value: p.id,
          words: (
            <>
              {p.name}
              {p.shares && <span className="soft"> with others</span>}
            </>
          ),
        }))}
      />
      {chosen && !chosen.shares && (
        <Stepper
          label="Litres"
          fewer="Half a litre less"
          more="Half a litre more"
          value={litres}
          min={0.5}
          max={20}
          by={0.5}
          onChange={onLitres}
        >
          <strong>{litres} L</strong>
        </Stepper>
      )}
      {chosen && !chosen.shares && (
        <Film litres={litres} film={film} isWetAndAcid={isAcid && chosen.isStillWet} />
      )}
    </div>
  );
}
