'use client';
import type { Habit } from '@/core/species/species';
import type { Droop } from '@/core/vase-life/types';
import { NECK_DEGREES, Stem } from '@/drawing/stem';
import css from './dock.module.css';

const PLACES: readonly { droop: Droop; left: string; top: string; word: string }[] = [
  { droop: 'firm', left: '16%', top: '6%', word: 'firm' },
  { droop: 'soft', left: '94%', top: '8%', word: 'soft' },
  { droop: 'hanging', left: '92%', top: '66%', word: 'hanging' },
];

/** The drawn stem with three places its head can be: touch where it hangs. */
export function StemTouch({
  habit,
  colour,
  stage,
  droop,
  onDroop,
}: {
  habit: Habit;
  colour: string | null;
  stage: number;
  droop: Droop;
  onDroop: (droop: Droop) => void;
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
      <div role="radiogroup" aria-label="How limp">
        {PLACES.map((p) => (
          <button
            key={p.droop}
            type="button"
            role="radio"
            aria-checked={p.droop === droop}
            className={css.headPlace}
            style={{ left: p.left, top: p.top }}
            onClick={() => onDroop(p.droop)}
          >
            {p.word}
          </button>
        ))}
      </div>
    </div>
  );
}
