'use client';
import { Button, Kbd } from '@mantine/core';
import { inCups } from '@/core/sanitising/cup';
import { doseOf, type Sanitiser } from '@/core/sanitising/sanitiser';
import { clockWords, useShopNow } from '@/shell/clock';
import { EmergencyLine } from '@/shell/emergency';
import { useMeasures } from '@/shell/reader';
import type { DoIt } from './do-it';
import type { PailView } from './pail-view';

export const SANITISER_CAUTION =
  'Never near acid, vinegar or flower food: poisonous gas. Not in hot water. Gloves, eyes covered, window open; dose as the label says.';

/** What a pail is to be next on its way to being used again. */
export const WASH = {
  dirty: { to: 'scrubbed', words: 'Scrubbed' },
  scrubbed: { to: 'contact', words: 'In the solution' },
  contact: { to: 'sanitised', words: 'Out, drained, upside down' },
} as const;

/** What a bottle's strength is told in. */
const percent = (strength: number): string => `${strength.toFixed(1)} %`;

interface Props {
  readonly pail: PailView;
  readonly sanitiser: Sanitiser;
  /** ISO date in the shop's zone. */
  readonly today: string;
  readonly doIt: DoIt;
}

/** The dose in the shop's own measure; nothing where it has none. */
function InCups({ doseMl, cup }: { doseMl: number; cup: Sanitiser['cup'] }) {
  const told = inCups(doseMl, cup);
  return (
    told !== null && (
      <p>
        <strong>{told}</strong>
      </p>
    )
  );
}

/** The dose for this pail from the bottle as it is now. */
function Dose({ pail, sanitiser, today }: Omit<Props, 'doIt'>) {
  const { told } = useMeasures();
  const { stockMl, strengthPercentNow } = doseOf(sanitiser, pail.sizeL, today);
  return (
    <>
      <p>
        <span className="big">{told('ml', Math.round(stockMl))}</span>{' '}
        <span className="soft">of {sanitiser.name}</span>
      </p>
      <InCups doseMl={stockMl} cup={sanitiser.cup} />
      <p>
        into the pail first, {told('litres', pail.sizeL)} of cold water on top: {sanitiser.targetPpm} ppm,{' '}
        {sanitiser.contactMin} minutes.
      </p>
      <p className="soft">
        The bottle is at {percent(strengthPercentNow)} now
        {sanitiser.madeOn === null
          ? ', taken as new: its date is not told'
          : ` (${percent(sanitiser.percent)} when new)`}
        .
      </p>
    </>
  );
}

/** A pail that stood clean too long: dust and splashes; what it counts as, and how it is made clean again. */
function StoodLong({ pail, doIt }: Pick<Props, 'pail' | 'doIt'>) {
  return (
    <>
      <p className="late">
        It stood upside down longer than the house lets it: dust and splashes. Filled as it is it counts as
        rinsed alone.
      </p>
      <p className="late">{SANITISER_CAUTION}</p>
      <Button
        onClick={() =>
          void doIt('pails/wash', { pailId: pail.id, to: 'contact' }, `pail ${pail.name}: in the solution`)
        }
      >
        In the solution again
      </Button>
    </>
  );
}

/** A pail's next step on its way to being used again. */
export function WashStep({ pail, sanitiser, today, doIt }: Props) {
  const now = useShopNow();
  if (pail.isStale) return <StoodLong pail={pail} doIt={doIt} />;
  if (pail.state !== 'dirty' && pail.state !== 'scrubbed' && pail.state !== 'contact') return null;
  const { to, words } = WASH[pail.state];
  return (
    <>
      {pail.state === 'dirty' && (
        <p>Scrub the slime off first: chlorine spent on it is not left for bacteria.</p>
      )}
      {pail.state === 'scrubbed' && <Dose pail={pail} sanitiser={sanitiser} today={today} />}
      {pail.state === 'contact' && <p>Drain it, turn it upside down: the sign that it may be used.</p>}
      {pail.contactUntil !== null && now !== null && (
        <p className="big">{clockWords(pail.contactUntil, now).words}</p>
      )}
      {pail.state !== 'dirty' && (
        <>
          <p className="late">{SANITISER_CAUTION}</p>
          <EmergencyLine />
        </>
      )}
      <Button
        variant="main"
        onClick={() =>
          void doIt('pails/wash', { pailId: pail.id, to }, `pail ${pail.name}: ${words.toLowerCase()}`)
        }
        data-step-in-hand
      >
        {words}
        {pail.state === 'scrubbed' && `, start ${sanitiser.contactMin} min`} <Kbd>.</Kbd>
      </Button>
    </>
  );
}
