'use client';
import { Button, Group } from '@mantine/core';
import { useState } from 'react';
import {
  FLAWS,
  flawInLot,
  flawCounted,
  flawName,
  flawNote,
  SAMPLED_FLAWS,
  type FlawInLot,
  type SampledFlaw,
} from '@/core/dock/flaws';
import { FlawMark } from '@/drawing/flaw-mark';
import type { LotView } from '@/server/stock';
import { Choices } from '@/shell/choices';
import { useActions } from '@/shell/actions';
import { useHalfDone } from '@/shell/half-done';
import { NumberStepper } from '@/shell/number-stepper';
import { useSay } from '@/shell/words';
import { Feedback } from '@/shell/feedback';

const USUAL_SAMPLE = 20;
/** A count is carried to the whole lot only as far as its sample allows; hence samples in these sizes. */
const SAMPLES = [5, 10, 20, 40] as const;

/** One flaw that was counted: what it means for the lot, and the claim it would make. */
function Counted({
  lot,
  flaw,
  claimed,
  onFeedback,
}: {
  lot: LotView;
  flaw: FlawInLot;
  claimed: boolean;
  onFeedback: (words: string) => void;
}) {
  const { act } = useActions();
  const [busy, setBusy] = useState(false);
  const say = useSay();
  const words = say(flawName(flaw.kind));
  const note = flawNote(flaw.kind);
  const { claim } = FLAWS[flaw.kind];
  const value = lot.unitPrice === null ? null : flaw.likelyStems * lot.unitPrice;
  const open = async () => {
    setBusy(true);
    const outcome = await act(
      'dock/claim',
      { lotId: lot.id, kind: flaw.kind },
      `claim for lot ${lot.number}: ${words}`,
    );
    setBusy(false);
    onFeedback(outcome.ok ? `Claim opened: ${words}. It stands under Claims.` : outcome.message);
  };
  return (
    <li className="line">
      <span>
        <FlawMark kind={flaw.kind} /> <strong>{words}</strong> {say(flawCounted(flaw))}
        {note && <span className="says">{say(note)}</span>}
      </span>
      {claim && flaw.seen > 0 && (
        <Button disabled={busy || claimed} onClick={() => void open()}>
          {claimed
            ? 'Claimed'
            : `Claim ${flaw.likelyStems}${value === null ? '' : `, ${value.toFixed(2)} ${lot.currency ?? ''}`}`}
        </Button>
      )}
    </li>
  );
}

interface Counting {
  readonly kind: SampledFlaw | null;
  readonly sample: number;
  readonly seen: number;
}

/** How many of how many have it, and what that supports for the lot. */
function SampleForm({
  lot,
  kind,
  counted,
  onCounted,
  onLog,
}: {
  lot: LotView;
  kind: SampledFlaw;
  counted: FlawInLot;
  onCounted: (next: { seen?: number; sample?: number }) => void;
  onLog: () => void;
}) {
  const say = useSay();
  const samples = [...new Set([...SAMPLES.filter((n) => n < lot.stemsBooked), lot.stemsBooked])];
  return (
    <Group gap="0.75rem" pt="0.5rem" pb="0.5rem">
      <NumberStepper
        label={`Stems with it: ${say(flawName(kind))}`}
        fewer="One fewer has it"
        more="One more has it"
        value={counted.seen}
        min={0}
        max={counted.sample}
        onChange={(seen) => onCounted({ seen })}
      />
      <span className="soft">of</span>
      <Choices
        label="Stems looked at"
        value={counted.sample}
        onChange={(sample) => onCounted({ sample })}
        options={samples.map((n) => ({
          value: n,
          words: n === lot.stemsBooked ? `all ${n}` : String(n),
        }))}
      />
      <p className="grow" role="status">
        {say(flawCounted(counted))} of the lot
        <span className="says">
          about {counted.likelyStems} {counted.likelyStems === 1 ? 'stem' : 'stems'}
        </span>
      </p>
      <Button onClick={onLog}>Log it</Button>
      <details className="soft">
        <summary>how</summary>
        {counted.method}, 95 % sure
      </details>
    </Group>
  );
}

/** Count what is wrong in a few stems; what that supports for the whole lot is said at once. */
export function FlawForm({
  lot,
  flaws,
  claimedKinds,
}: {
  lot: LotView;
  flaws: readonly FlawInLot[];
  claimedKinds: readonly string[];
}) {
  const { act } = useActions();
  const say = useSay();
  const [counting, setCounting, done] = useHalfDone<Counting>(`flaw ${lot.id}`, {
    kind: null,
    sample: Math.min(USUAL_SAMPLE, lot.stemsBooked),
    seen: 1,
  });
  const { kind, seen } = counting;
  const sample = Math.min(counting.sample, lot.stemsBooked);
  const [feedback, setFeedback] = useState<string | null>(null);
  const counted = kind && flawInLot({ kind, seen: Math.min(seen, sample), sample }, lot.stemsBooked);

  const log = async () => {
    if (!kind || !counted) return;
    const outcome = await act(
      'dock/flaw',
      { lotId: lot.id, kind, seen: counted.seen, sample },
      `${counted.seen} of ${sample} ${say(flawName(kind))}, lot ${lot.number}`,
    );
    setFeedback(
      outcome.ok
        ? `Logged: ${say(flawName(kind))}, ${say(flawCounted(counted))}. Z takes it back.`
        : outcome.message,
    );
    if (outcome.ok) {
      setCounting({ kind: null, sample, seen: 1 });
      done();
    }
  };

  return (
    <>
      {flaws.length > 0 && (
        <ul className="rowlist">
          {flaws.map((f) => (
            <Counted
              key={f.kind}
              lot={lot}
              flaw={f}
              claimed={claimedKinds.includes(f.kind)}
              onFeedback={setFeedback}
            />
          ))}
        </ul>
      )}
      <Choices
        label="Flaw"
        value={kind}
        onChange={(next) => setCounting({ ...counting, kind: next })}
        className="row"
        options={SAMPLED_FLAWS.map((k) => ({ value: k, words: say(flawName(k)) }))}
      />
      {kind && counted && (
        <SampleForm
          lot={lot}
          kind={kind}
          counted={counted}
          onCounted={(next) => setCounting({ ...counting, ...next })}
          onLog={() => void log()}
        />
      )}
      <Feedback>{feedback}</Feedback>
    </>
  );
}
