'use client';
import { filmSum } from '@/core/sanitising/film';
import { Choices } from '@/shell/choices';
import { Stepper } from '@/shell/stepper';
import { depthOf } from '@/core/water/pail-shape';
import type { BenchCard, PailChoice, PailShareView } from './bench-card';
import css from './bench.module.css';

interface Props {
  readonly pails: readonly PailChoice[];
  readonly stems: number;
  /** How they are dealt out where no single pail holds them. */
  readonly dealt: readonly PailShareView[];
  readonly isDealt: boolean;
  readonly onDealt: (isDealt: boolean) => void;
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

/** The pails that a lot is dealt into, each with its stems and litres; taken as it stands in one tap. */
function Dealt({
  dealt,
  stems,
  onOther,
}: {
  dealt: readonly PailShareView[];
  stems: number;
  onOther: () => void;
}) {
  const held = dealt.reduce((n, d) => n + d.stems, 0);
  return (
    <div className={css.dealt} role="group" aria-label="Into these pails">
      <p>
        No one pail holds {stems}: <strong>{dealt.length} pails</strong>, each with its share
      </p>
      <ul>
        {dealt.map((d) => (
          <li key={d.id}>
            <span className="soft">pail</span> <strong>{d.name}</strong>
            <span className="soft">
              {d.stems} stems, {d.litres} L
            </span>
          </li>
        ))}
      </ul>
      {held < stems && (
        <p className="said">
          {stems - held} more than these hold: no more pails stand clean. The last takes the rest, or wash
          some first.
        </p>
      )}
      <button type="button" className="quiet" onClick={onOther}>
        one pail for all of them
      </button>
    </div>
  );
}

/** Which pail it goes into: the next clean ones, and those whose water suits; litres by taps. */
export function PailPicker(props: Props) {
  const { pails, pailId, litres, onPail, onLitres, film, isAcid, stems, dealt, isDealt, onDealt } = props;
  if (pails.length === 0)
    return <p className="said">No pail stands clean. Wash one at the pails first, or tip one out.</p>;
  if (isDealt && dealt.length > 0)
    return (
      <div className={css.pick}>
        <Dealt dealt={dealt} stems={stems} onOther={() => onDealt(false)} />
        <Film litres={Math.min(...dealt.map((d) => d.litres))} film={film} isWetAndAcid={false} />
      </div>
    );
  const chosen = pails.find((p) => p.id === pailId);
  const shown = [
    ...pails.filter((p) => !p.shares).slice(0, SHOWN),
    ...pails.filter((p) => p.shares).slice(0, 2),
  ];
  return (
    <div className={css.pick}>
      {dealt.length > 0 && (
        <button type="button" className="quiet" onClick={() => onDealt(true)}>
          deal them into {dealt.length} pails
        </button>
      )}
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
          max={chosen.shape.litres}
          by={0.5}
          onChange={onLitres}
        >
          <strong>{litres} L</strong>{' '}
          <span className="soft">{Math.round(depthOf(chosen.shape, litres))} cm deep</span>
        </Stepper>
      )}
      {chosen && chosen.holds < stems && (
        <p className="soft">
          It has room for about {chosen.holds} of these {stems} stems.
        </p>
      )}
      {chosen && !chosen.shares && (
        <Film litres={litres} film={film} isWetAndAcid={isAcid && chosen.isStillWet} />
      )}
    </div>
  );
}
