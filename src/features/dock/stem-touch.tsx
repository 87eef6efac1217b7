'use client';
import { UnstyledButton } from '@mantine/core';
import type { Habit } from '@/core/species/species';
import type { Droop } from '@/core/vase-life/types';
import { flawName, type FlawKind } from '@/core/dock/flaws';
import { FlawMark, flawPlace, type FlawPlace } from '@/drawing/flaw-mark';
import { NECK_DEGREES, Stem } from '@/drawing/stem';
import { Choices } from '@/shell/choices';
import { useSay } from '@/shell/words';
import css from './dock.module.css';

/** Where the drawn head is, by how the neck bends: there a touch opens it further. */
const HEAD_AT: Readonly<Record<Droop, { left: string; top: string }>> = {
  firm: { left: '50%', top: '20%' },
  soft: { left: '68%', top: '22%' },
  hanging: { left: '76%', top: '40%' },
};
const PLACES: readonly { droop: Droop; left: string; top: string }[] = [
  { droop: 'firm', left: '16%', top: '6%' },
  { droop: 'soft', left: '94%', top: '8%' },
  { droop: 'hanging', left: '92%', top: '66%' },
];

/** How far down the drawing what sits there is named, in its order. */
const DOWN: Readonly<Record<FlawPlace, number>> = { head: 0, leaf: 1, stem: 2, foot: 3 };

/** What was found wrong, each where it sits: from the head down. */
function Flaws({ kinds }: { kinds: readonly FlawKind[] }) {
  const say = useSay();
  if (kinds.length === 0) return null;
  const sorted = [...kinds].sort((a, b) => DOWN[flawPlace(a)] - DOWN[flawPlace(b)]);
  return (
    <ul className={`bare ${css.flawMarks}`} aria-label="Found wrong">
      {sorted.map((kind) => (
        <li key={kind} data-place={flawPlace(kind)}>
          <FlawMark kind={kind} />
          {say(flawName(kind))}
        </li>
      ))}
    </ul>
  );
}

/** The drawn stem with three places its head can be: touch where it hangs. */
export function StemTouch({
  habit,
  colour,
  stage,
  droop,
  flaws,
  onDroop,
  onHead,
}: {
  habit: Habit;
  colour: string | null;
  stage: number;
  droop: Droop;
  /** What was counted wrong in it. */
  flaws: readonly FlawKind[];
  onDroop: (droop: Droop) => void;
  /** The head itself was touched: it is a stage further open than drawn. */
  onHead: () => void;
}) {
  return (
    <div className={css.touch}>
      <Stem
        habit={habit}
        colour={colour}
        stage={stage}
        droop={droop}
        height={400}
        title={`Stem, neck bent ${NECK_DEGREES[droop]} degrees`}
      />
      <Flaws kinds={flaws} />
      <UnstyledButton
        pos="absolute"
        w={92}
        h={92}
        bdrs="50%"
        style={{ ...HEAD_AT[droop], transform: 'translate(-50%, -10%)' }}
        aria-label="Open one stage further"
        title="Touch the head: one stage further open"
        onClick={onHead}
      />
      <Choices
        label="How limp"
        value={droop}
        onChange={onDroop}
        optionClass={css.headPlace}
        options={PLACES.map((p) => ({ value: p.droop, words: p.droop, style: { left: p.left, top: p.top } }))}
      />
    </div>
  );
}
