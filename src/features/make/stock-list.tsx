'use client';
import { TextInput } from '@mantine/core';
import { memo, useMemo, useState } from 'react';
import { ShopLink as Link } from '@/shell/shop-link';
import { LifeAxis, LifeLine, daysInWords } from '@/drawing/life-line';
import type { MakeLot } from './make-lot';
import { NumberStepper } from '@/shell/number-stepper';
import { useInPieces } from '@/shell/in-pieces';
import { PlainButton } from '@/shell/plain-button';
import css from './make.module.css';

interface Props {
  readonly lots: readonly MakeLot[];
  readonly dry: number;
  readonly recipe: Readonly<Record<string, number>>;
  readonly onTake: (portionId: string, stems: number) => void;
}

interface Scale {
  readonly pastDays: number;
  readonly aheadDays: number;
}

const StockRow = memo(function StockRow({
  lot,
  taken,
  scale,
  onTake,
}: {
  lot: MakeLot;
  taken: number;
  scale: Scale;
  onTake: Props['onTake'];
}) {
  const words = daysInWords(lot.daysLeft);
  return (
    <li className="line lazy">
      <div>
        <div className="row ends">
          <span>
            <strong>{lot.name}</strong>
            {lot.variety && ` ‘${lot.variety}’`}
            {lot.decision === 'use first' && <span className="late"> use first</span>}
            {lot.forDay && <span className="soft"> for {lot.forDay}</span>}
          </span>
          <span className="soft">
            {lot.stemsLeft - taken} in pail {lot.pail}
          </span>
        </div>
        <LifeLine
          scale={scale}
          daysSinceCut={lot.daysSinceCut}
          daysSinceArrival={lot.daysSinceArrival}
          shareByDay={lot.shareByDay}
          {...lot.daysLeft}
          label={`${lot.name}: ${words} left`}
        />
        <span className="soft">{words}</span>
      </div>
      {taken === 0 ? (
        <PlainButton aria-label={`One more ${lot.name}`} onClick={() => onTake(lot.portionId, 1)}>
          Take
        </PlainButton>
      ) : (
        <NumberStepper
          label={`${lot.name} taken`}
          fewer={`One ${lot.name} fewer`}
          more={`One more ${lot.name}`}
          value={taken}
          min={0}
          max={lot.stemsLeft}
          onChange={(stems) => onTake(lot.portionId, stems)}
        />
      )}
    </li>
  );
});

/** So many rows stand on a tall screen before anybody scrolls. */
const SEEN_AT_ONCE = 8;
/** Over so many lots a list is looked through by a few letters. */
const MANY = 12;

/** The stock that stands in water, first to fade first, each as a life line on one scale. */
export function StockList({ lots, dry, recipe, onTake }: Props) {
  const [typed, setTyped] = useState('');
  const wanted = typed.trim().toLowerCase();
  const found = useMemo(
    () =>
      lots.filter((l) =>
        `${l.name} ${l.variety ?? ''} ${l.colour ?? ''} ${l.label}`.toLowerCase().includes(wanted),
      ),
    [lots, wanted],
  );
  const drawn = useInPieces(found, SEEN_AT_ONCE);
  const scale = useMemo<Scale>(
    () => ({
      pastDays: Math.max(3, ...lots.map((l) => Math.ceil(l.daysSinceCut))),
      aheadDays: Math.min(28, Math.max(8, ...lots.map((l) => Math.ceil(l.daysLeft.p90)))),
    }),
    [lots],
  );
  return (
    <section className={css.stock} aria-label="From stock">
      <header className="line">
        <h1 className="serif">From stock</h1>
        <span className="soft">first to fade, first</span>
      </header>
      {lots.length > MANY && (
        <TextInput
          aria-label="Find in stock"
          placeholder="a name, a colour, a number"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
      )}
      {found.length === 0 && lots.length > 0 && <p className="soft">Nothing in water is called that.</p>}
      {lots.length === 0 && (
        <p>Nothing stands in water yet. Lots come here once the bench has put them in a pail.</p>
      )}
      <ul className="rowlist">
        {drawn.map((lot) => (
          <StockRow
            key={lot.portionId}
            lot={lot}
            taken={Math.min(recipe[lot.portionId] ?? 0, lot.stemsLeft)}
            scale={scale}
            onTake={onTake}
          />
        ))}
      </ul>
      {lots.length > 0 && <LifeAxis scale={scale} />}
      {dry > 0 && (
        <p className="reach">
          <Link href="/bench">
            {dry} more {dry === 1 ? 'lot is' : 'lots are'} still on the bench
          </Link>
        </p>
      )}
    </section>
  );
}
