'use client';
import { Button, Kbd } from '@mantine/core';
import { useState } from 'react';
import type { GoesTo } from '@/core/care/goes-to';
import type { Language } from '@/core/words/catalogues';
import { useActions } from '@/shell/actions';
import { notDoneWords } from '@/shell/outcome';
import { Feedback } from '@/shell/feedback';

/** Issues the card: from then on it stands as it is. */
export function IssueButton({
  arrangementId,
  goesTo,
  language,
  again,
}: {
  arrangementId: string;
  goesTo: GoesTo;
  language: Language;
  again: boolean;
}) {
  const { act } = useActions();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const issue = async () => {
    setBusy(true);
    const outcome = await act('send-off/issue', { arrangementId, goesTo, language });
    setBusy(false);
    setProblem(outcome.ok ? null : notDoneWords(outcome, 'issued', 'the draft stays as it is'));
  };
  return (
    <>
      <Feedback isAlert>{problem}</Feedback>
      <Button
        variant={again ? 'plain' : 'main'}
        disabled={busy}
        onClick={() => void issue()}
        data-step-in-hand={again ? undefined : true}
      >
        {busy ? (
          'Writing …'
        ) : again ? (
          'Issue anew, dated today'
        ) : (
          <>
            Issue this card <Kbd>.</Kbd>
          </>
        )}
      </Button>
    </>
  );
}
