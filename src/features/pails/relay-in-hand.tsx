'use client';
import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import { withCups, type Cup } from '@/core/sanitising/cup';
import type { InputOf } from '@/core/actions/actions';
import type { JobPass, RelayJob } from '@/core/sanitising/relay-job';
import { useActions } from '@/shell/actions';
import { clockWords, useShopNow } from '@/shell/clock';
import { useMeasures } from '@/shell/reader';
import { Feedback } from '@/shell/feedback';
import type { PailView } from './pail-view';
import { StripForm } from './strip-form';
import { SANITISER_CAUTION } from './wash-step';

type To = InputOf<'pails/wash-many'>['to'];

/** Where the pails of a pass are, and what is next for those furthest behind. */
function nextOf(pails: readonly PailView[]): { readonly to: To; readonly pails: readonly PailView[] } | null {
  const dirty = pails.filter((p) => p.state === 'dirty');
  if (dirty.length > 0) return { to: 'scrubbed', pails: dirty };
  const scrubbed = pails.filter((p) => p.state === 'scrubbed');
  if (scrubbed.length > 0) return { to: 'contact', pails: scrubbed };
  const inContact = pails.filter((p) => p.state === 'contact');
  return inContact.length > 0 ? { to: 'sanitised', pails: inContact } : null;
}

const BUTTON: Readonly<Record<To, string>> = {
  scrubbed: 'Scrubbed',
  contact: 'In the solution',
  sanitised: 'Out, drained, upside down',
};

interface PassProps {
  readonly relayId: string;
  readonly pass: JobPass;
  readonly number: number;
  readonly product: string;
  /** They are laid in tubs, and nothing is poured on. */
  readonly isInTubs: boolean;
  /** What the shop doses with. */
  readonly cup: Cup | null;
  readonly pails: readonly PailView[];
  /** Earlier passes are not done yet: what they pour on is not there. */
  readonly waits: boolean;
  readonly onDone: (to: To, pails: readonly PailView[]) => void;
}

/** What a tub is given before pails are laid in it. */
function goesInTub({ doseMl, ppmAtStart }: JobPass, number: number, dose: string): string {
  const ppm = Math.round(ppmAtStart);
  if (number === 1) return `${dose} into the tubs, water on top: ${ppm} ppm. Lay these in, full to the rim.`;
  return doseMl > 0
    ? `Lay these in, and ${dose} more: back to ${ppm} ppm.`
    : `Lay these in: about ${ppm} ppm still.`;
}

/** What goes into the pails of a pass: the first dose, or what is poured on, boosted or not. */
function goesIn(pass: JobPass, number: number, dose: string, isInTubs: boolean): string {
  if (isInTubs) return goesInTub(pass, number, dose);
  const { doseMl, ppmAtStart } = pass;
  const ppm = Math.round(ppmAtStart);
  if (number === 1) return `${dose}, water on top: ${ppm} ppm.`;
  return doseMl > 0
    ? `Pour it on, and ${dose} more: back to ${ppm} ppm.`
    : `Pour it on: about ${ppm} ppm still.`;
}

/** The strip of a pass: as it was read, or to be read while its pails come out. */
function Strip({
  relayId,
  pass,
  number,
  isComingOut,
}: Pick<PassProps, 'relayId' | 'pass' | 'number'> & { isComingOut: boolean }) {
  const { ppmAtEnd, readPpm } = pass;
  if (ppmAtEnd === undefined) return null;
  if (readPpm !== undefined)
    return (
      <p>
        Strip: <strong>{Math.round(readPpm)} ppm</strong>{' '}
        <span className="soft">({Math.round(ppmAtEnd)} predicted); what follows is reckoned from it.</span>
      </p>
    );
  return isComingOut && <StripForm relayId={relayId} pass={{ ...pass, ppmAtEnd }} number={number - 1} />;
}

/** One pass: its pails, what goes in, its clock, and what is done next with all of them. */
function Pass({ relayId, pass, number, product, isInTubs, cup, pails, waits, onDone }: PassProps) {
  const now = useShopNow();
  const { told } = useMeasures();
  const next = nextOf(pails);
  const dose = withCups(told('ml', Math.round(pass.doseMl)), pass.doseMl, cup);
  const until = Math.max(0, ...pails.map((p) => p.contactUntil ?? 0));
  return (
    <li className="aside stack" data-well={next === null || undefined}>
      <p>
        <strong>
          {number}. {pails.map((p) => p.name).join(', ')}
        </strong>{' '}
        {next === null && <span className="soft">done</span>}
      </p>
      {next && <p className="soft">{goesIn(pass, number, `${dose} of ${product}`, isInTubs)}</p>}
      {until > 0 && now !== null && <p className="big">{clockWords(until, now).words}</p>}
      <Strip relayId={relayId} pass={pass} number={number} isComingOut={next?.to === 'sanitised'} />
      {next && !(waits && next.to === 'contact') && (
        <Button variant={waits ? 'plain' : 'main'} onClick={() => onDone(next.to, next.pails)}>
          {BUTTON[next.to]}, {next.pails.length === 1 ? 'this one' : `these ${next.pails.length}`}
        </Button>
      )}
    </li>
  );
}

interface Props {
  readonly relay: { readonly id: string; readonly job: RelayJob };
  readonly pails: readonly PailView[];
  readonly cup: Cup | null;
}

/** The relay that is being run: pass by pass, the same on every tablet. */
export function RelayInHand({ relay: { id, job }, pails, cup }: Props) {
  const { act } = useActions();
  const [feedback, setFeedback] = useState<string | null>(null);
  const passes = job.passes.map((pass) => pails.filter((p) => pass.pailIds.includes(p.id)));
  const current = passes.findIndex((of) => nextOf(of) !== null);
  const logDone = async (to: To, of: readonly PailView[]) => {
    const pailIds = of.map((p) => p.id);
    const outcome = await act(
      'pails/wash-many',
      { pailIds, to },
      `${pailIds.length} pails: ${BUTTON[to].toLowerCase()}`,
    );
    setFeedback(outcome.ok || outcome.why === 'unavailable' ? null : outcome.message);
  };
  const end = async () => {
    const outcome = await act('pails/relay-end', { relayId: id });
    setFeedback(outcome.ok ? null : outcome.message);
  };
  return (
    <section aria-label="The relay">
      <h2>{job.mode === 'relay' ? 'The relay' : job.mode === 'tubs' ? 'The tubs' : 'The soak'}</h2>
      <p className="late">{SANITISER_CAUTION}</p>
      <ol className="many bare">
        {job.passes.map((pass, i) => (
          <Pass
            key={pass.pailIds[0] ?? i}
            relayId={id}
            pass={pass}
            number={i + 1}
            product={job.product}
            isInTubs={job.mode === 'tubs'}
            cup={cup}
            pails={passes[i] ?? []}
            waits={i > current}
            onDone={(to, of) => void logDone(to, of)}
          />
        ))}
      </ol>
      <p className="soft">The last of the solution goes to drains, floors and bins, by local rules.</p>
      <Feedback isAlert>{feedback}</Feedback>
      <Group>
        <Button variant="quiet" onClick={() => void end()}>
          End it here
        </Button>
      </Group>
    </section>
  );
}
