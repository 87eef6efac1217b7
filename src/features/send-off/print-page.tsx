import { Button, Stack } from '@mantine/core';

import { LinkButton } from '@/shell/link-button';
import { CARD_PAPER_WORDS } from '@/core/labels/printing';
import { notFound } from 'next/navigation';
import { CardSheet } from './card-sheet';
import { printedCard } from './issued-card';
import { OneSide } from './one-side';
import { PrintButton } from './print-button';
import css from './send-off.module.css';

/** The issued card alone on a page, sized to print on what the shop's printer holds. */
export async function PrintPage({ cardId }: { cardId: string }) {
  const card = await printedCard(cardId);
  if (!card) notFound();
  return (
    <Stack component="main" align="flex-start" className={css.printPage}>
      <div className="row screen-only">
        <PrintButton />
        <Button component="a" href={`/card/${cardId}/pdf`}>
          {CARD_PAPER_WORDS[card.paper]} PDF
        </Button>
        <LinkButton href="/send-off">Back</LinkButton>
      </div>
      <OneSide>
        <CardSheet issued={card.issued} />
      </OneSide>
    </Stack>
  );
}
