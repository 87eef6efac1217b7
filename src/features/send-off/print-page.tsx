import { Button } from '@mantine/core';

import { LinkButton } from '@/shell/link-button';
import { notFound } from 'next/navigation';
import { CardSheet } from './card-sheet';
import { issuedCard } from './issued-card';
import { OneSide } from './one-side';
import { PrintButton } from './print-button';
import css from './send-off.module.css';

/** The issued card alone on a page, sized to print on A6. */
export async function PrintPage({ cardId }: { cardId: string }) {
  const issued = await issuedCard(cardId);
  if (!issued) notFound();
  return (
    <main className={css.printPage}>
      <div className={`${css.actions} ${css.printTools}`}>
        <PrintButton />
        <Button component="a" href={`/card/${cardId}/pdf`}>
          A6 PDF
        </Button>
        <LinkButton href="/send-off">Back</LinkButton>
      </div>
      <OneSide>
        <CardSheet issued={issued} />
      </OneSide>
    </main>
  );
}
