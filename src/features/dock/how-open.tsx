'use client';
import { Box } from '@mantine/core';
import { Stem } from '@/drawing/stem';
import type { LotView } from '@/server/stock';
import { Choices } from '@/shell/choices';
import css from './dock.module.css';
import { STAGES } from './words';

/** How open it is, of the five stages it is drawn in. */
export function HowOpen({
  lot,
  stageAt,
  onStage,
}: {
  lot: LotView;
  stageAt: number;
  onStage: (stageAt: number) => void;
}) {
  return (
    <Choices
      label="How open"
      value={stageAt}
      onChange={onStage}
      className="abreast"
      optionClass={css.stage}
      options={STAGES.map((s, i) => ({
        value: i,
        words: (
          <>
            <Box component="span" h={64}>
              <Stem habit={lot.habit} colour={lot.colour} stage={s.stage} droop="firm" height={64} closeUp />
            </Box>
            {s.word}
          </>
        ),
      }))}
    />
  );
}
