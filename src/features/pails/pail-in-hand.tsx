'use client';
import { Skeleton } from '@mantine/core';
import dynamic from 'next/dynamic';
import { Suspense, useState } from 'react';
import type { Sanitiser } from '@/core/sanitising/sanitiser';
import type { Foods } from '@/core/water/food';
import { useActions } from '@/shell/actions';
import { useShopNow } from '@/shell/clock';
import { Feedback } from '@/shell/feedback';
import { ShopLink as Link } from '@/shell/shop-link';
import { useFetchedAtRest } from '@/shell/late';
import { Unfolds } from '@/shell/unfolds';
import { useIntoView } from '@/shell/use-into-view';
import { useMeasures } from '@/shell/reader';
import { ago } from './ago';
import type { DoIt } from './do-it';
import type { PailView } from './pail-view';
import css from './pails.module.css';
import { WashStep } from './wash-step';

// What a pail in hand can be: the page brings what its first one is, the others come once it is at rest.
const fill = () => import('./fill-form').then((m) => m.FillForm);
const filled = () => import('./filled-pail').then((m) => m.FilledPail);
const FillForm = dynamic(fill);
const FilledPail = dynamic(filled);
const AT_REST = [fill, filled];

interface Props {
  readonly pail: PailView;
  /** Pails that stand clean. */
  readonly clean: readonly PailView[];
  readonly sanitiser: Sanitiser;
  readonly foods: Foods;
  /** ISO date in the shop's zone. */
  readonly today: string;
}

/** The pail in hand: what it is, when it was sanitised and filled, and its next main action. */
export function PailInHand({ pail, clean, sanitiser, foods, today }: Props) {
  const { act } = useActions();
  const { told } = useMeasures();
  const now = useShopNow();
  useFetchedAtRest(AT_REST);
  const section = useIntoView<HTMLElement>('pail', pail.id);
  const [feedback, setFeedback] = useState<string | null>(null);
  const doIt: DoIt = async (name, body, words) => {
    const outcome = await act(name, body, words);
    setFeedback(
      outcome.ok
        ? null
        : outcome.why === 'unavailable'
          ? 'Kept on this tablet, not yet in the record.'
          : outcome.message,
    );
  };
  return (
    <section ref={section} className={`first stack ${css.hand}`} aria-label={`Pail ${pail.name}`}>
      <h2>Pail {pail.name}</h2>
      <p className="soft">
        {told('litres', pail.sizeL)}, {told('cm', pail.heightCm)} tall. Sanitised
        {now !== null && ` ${ago(pail.sanitisedAt, now)}`}.
      </p>
      <WashStep pail={pail} sanitiser={sanitiser} today={today} doIt={doIt} />
      {/* Tapped before it is here, it alone is waited for, not the whole page. */}
      <Suspense fallback={<Skeleton h="16rem" my="sm" />}>
        {pail.water && <FilledPail pail={pail} water={pail.water} clean={clean} foods={foods} doIt={doIt} />}
        {pail.state === 'sanitised' && <FillForm pail={pail} foods={foods} doIt={doIt} />}
      </Suspense>
      {(pail.state === 'dirty' || pail.state === 'scrubbed') && (
        <Unfolds summary="Fill it as it is …">
          <Suspense fallback={<Skeleton h="16rem" my="sm" />}>
            <FillForm pail={pail} foods={foods} doIt={doIt} />
          </Suspense>
        </Unfolds>
      )}
      <Feedback isAlert>{feedback}</Feedback>
      <div className="row">
        <Link href={`/desk?pail=${encodeURIComponent(pail.name)}`} className="reach">
          Its record
        </Link>
        <Link href={`/pails/${pail.id}`} className="reach">
          What stood in it, and its count
        </Link>
      </div>
    </section>
  );
}
