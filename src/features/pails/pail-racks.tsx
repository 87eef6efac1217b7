'use client';
import { Button, Stack, Title, VisuallyHidden } from '@mantine/core';
import { ShopLink as Link } from '@/shell/shop-link';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import type { Told } from '@/shell/told';
import { useTold } from '@/shell/use-told';
import { useFetchedAtRest } from '@/shell/late';
import { petalColour } from '@/drawing/colours';
import { Pail, PailToCome } from '@/drawing/pail';
import { Columns } from '@/shell/columns';
import { useInPieces } from '@/shell/in-pieces';
import type { RelayJob } from '@/core/sanitising/relay-job';
import type { Dirt } from '@/core/sanitising/figures';
import type { Sanitiser } from '@/core/sanitising/sanitiser';
import type { LearntDemand } from '@/core/sanitising/strip';
import type { Foods } from '@/core/water/food';
import { RelayPanel } from './relay-panel';
import { RoundPanel } from './round-panel';
import { PailInHand } from './pail-in-hand';
import type { PailView } from './pail-view';
import { ToolsPanel, type ToolView } from './tools-panel';
import { VanPanel, type VanView } from './van-panel';
import css from './pails.module.css';

// A relay is mostly none, and one pail is taken in hand more often than several.
const RelayInHand = dynamic(() => import('./relay-in-hand').then((m) => m.RelayInHand));
const several = () => import('./several-in-hand').then((m) => m.SeveralInHand);
const SeveralInHand = dynamic(several, { ssr: false });
const AT_REST = [several];

const RACKS: readonly {
  readonly name: string;
  readonly holds: (pail: PailView) => boolean;
  /** So many are drawn with the page, about its first line where a screen shows it; the rest as soon as it has time. */
  readonly drawnFirst: number;
}[] = [
  {
    name: 'under the bench, to wash',
    drawnFirst: 10,
    holds: (p) => p.state === 'dirty' || p.state === 'scrubbed' || p.state === 'contact',
  },
  { name: 'ready, upside down', drawnFirst: 10, holds: (p) => p.state === 'sanitised' },
  { name: 'with water', drawnFirst: 0, holds: (p) => p.state === 'filled' },
];

/** A pail's state in a word or two, as its tag says it. */
function tagWords(pail: PailView): string {
  switch (pail.state) {
    case 'dirty':
      return 'scrub';
    case 'scrubbed':
      return 'scrubbed';
    case 'contact':
      return 'in solution';
    case 'sanitised':
      if (pail.isStale) return 'stood long';
      return pail.reservedFor === null ? '' : 'kept';
    case 'filled':
      return pail.water && pail.water.dueInHours < 24 ? 'change today' : (pail.water?.looks ?? '');
  }
}

function strokes(pail: PailView): string[] {
  return pail.lots.flatMap((l) =>
    Array.from({ length: Math.min(9, Math.ceil(l.stems / 5)) }, () => petalColour(l.colour)),
  );
}

interface Props {
  readonly told: Told<readonly PailView[]>;
  readonly chosenId: string | null;
  /** The relay that is being run. */
  readonly relay: { readonly id: string; readonly job: RelayJob } | null;
  readonly sanitiser: Sanitiser;
  /** The shop's money, ISO 4217. */
  readonly currency: string;
  readonly foods: Foods;
  readonly learnt: Readonly<Record<Dirt, LearntDemand>>;
  /** ISO date in the shop's zone. */
  readonly today: string;
  /** The next van; null where none is expected. */
  readonly van: VanView | null;
  readonly tools: readonly ToolView[];
}

/** From so many on it pays to wash them together. */
const TOGETHER_FROM = 3;

/** What of pails lies elsewhere. */
const Further = () => (
  <p>
    <Link className="reach" href="/labels?pails">
      Labels for the pails
    </Link>{' '}
    <Link className="reach" href="/desk/proof">
      Proof for an inspector
    </Link>{' '}
    <Link className="reach" href="/pails/cost">
      What water cost
    </Link>
  </p>
);

interface RackProps {
  readonly name: string;
  readonly pails: readonly PailView[];
  readonly drawnFirst: number;
  readonly isPressed: (pail: PailView) => boolean;
  readonly onTap: (pail: PailView) => void;
  readonly children?: ReactNode;
}

/** One rack as it stands: a tap takes a pail in hand, whether it is drawn or not. */
function Rack({ name, pails, drawnFirst, isPressed, onTap, children }: RackProps) {
  const drawn = useInPieces(pails, drawnFirst).length;
  return (
    <section aria-label={name}>
      <Title order={2} fz="1.25rem" ta="right" c="var(--ink-soft)">
        {name}
      </Title>
      <div className={css.shelf}>
        {pails.length === 0 && <p className="soft">none</p>}
        {pails.map((p, i) => (
          // eslint-disable-next-line no-restricted-syntax -- seventy on a page: by the kit's each costs the server 0.06 ms
          <button
            key={p.id}
            type="button"
            className={css.pail}
            aria-pressed={isPressed(p)}
            onClick={() => onTap(p)}
          >
            {i < drawn ? (
              <Pail
                sizeL={p.sizeL}
                state={p.state}
                litres={p.water?.litresLeft ?? p.litres}
                form={p.form}
                colour={p.colour}
                clarity={p.water?.looks ?? 'clear'}
                stems={strokes(p)}
              />
            ) : (
              <PailToCome stems={strokes(p)} />
            )}
            <span className={css.tag}>
              <strong>{p.name}</strong> <span className="soft">{tagWords(p)}</span>
            </span>
          </button>
        ))}
      </div>
      {children}
    </section>
  );
}

/** Which pail is in hand, or which several; a label that is scanned is a pail that is tapped. */
function useHand(scannedId: string | null) {
  const [chosen, setChosen] = useState<string | null>(scannedId);
  const [several, setSeveral] = useState<ReadonlySet<string> | null>(null);
  const [scanned, setScanned] = useState(scannedId);
  if (scanned !== scannedId) {
    setScanned(scannedId);
    setChosen(scannedId);
    if (several && scannedId !== null) setSeveral(new Set([...several, scannedId]));
  }
  const tap = ({ id }: PailView): void => {
    if (!several) return setChosen(id);
    const rest = [...several].filter((one) => one !== id);
    setSeveral(new Set(several.has(id) ? rest : [...rest, id]));
  };
  return { chosen, several, tap, setSeveral };
}

/** The racks drawn as they stand; a tap on a pail says what to do with it. */
export function PailRacks(props: Props) {
  const { told, chosenId, relay, sanitiser, currency, foods, learnt, today, van, tools } = props;
  const pails = useTold(told);
  useFetchedAtRest(AT_REST);
  const { chosen, several, tap, setSeveral } = useHand(chosenId);
  const inHand =
    pails.find((p) => p.id === chosen) ??
    pails.find((p) => p.state === 'contact') ??
    pails.find((p) => p.state === 'scrubbed' || p.state === 'dirty') ??
    pails[0];
  const toWash = pails.filter((p) => p.state === 'dirty' || p.state === 'scrubbed');
  const ready = pails.filter((p) => p.state === 'sanitised');
  const isPressed = (p: PailView): boolean => (several ? several.has(p.id) : p.id === inHand?.id);
  return (
    <Columns of="minmax(0, 1fr) minmax(260px, 330px)">
      <Stack gap="lg">
        <VisuallyHidden component="h1">Pails</VisuallyHidden>
        {relay && <RelayInHand relay={relay} pails={pails} cup={sanitiser.cup} />}
        <RoundPanel pails={pails} foods={foods} />
        {van && <VanPanel van={van} pails={pails} />}
        {RACKS.map((rack) => (
          <Rack
            key={rack.name}
            name={rack.name}
            pails={pails.filter(rack.holds)}
            drawnFirst={rack.drawnFirst}
            isPressed={isPressed}
            onTap={tap}
          >
            {rack === RACKS[0] && toWash.length > 1 && (
              <Button
                variant="quiet"
                mt="0.25rem"
                aria-pressed={several !== null}
                onClick={() => setSeveral(several ? null : new Set())}
              >
                {several ? 'One at a time' : 'Choose several'}
              </Button>
            )}
            {rack === RACKS[0] && !relay && toWash.length >= TOGETHER_FROM && (
              <RelayPanel
                dirty={toWash}
                sanitiser={sanitiser}
                currency={currency}
                learnt={learnt}
                today={today}
              />
            )}
          </Rack>
        ))}
        <ToolsPanel tools={tools} />
        <Further />
      </Stack>
      {several && (
        <SeveralInHand
          pails={pails.filter((p) => several.has(p.id))}
          sanitiser={sanitiser}
          today={today}
          onDone={() => setSeveral(null)}
        />
      )}
      {inHand && !several && (
        <PailInHand
          key={inHand.id + inHand.state}
          pail={inHand}
          clean={ready.filter((p) => p.id !== inHand.id)}
          sanitiser={sanitiser}
          foods={foods}
          today={today}
        />
      )}
    </Columns>
  );
}
