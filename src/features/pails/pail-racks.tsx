'use client';
import { UnstyledButton, VisuallyHidden } from '@mantine/core';
import { ShopLink as Link } from '@/shell/shop-link';
import { useState } from 'react';
import { petalColour } from '@/drawing/colours';
import { Pail } from '@/drawing/pail';
import { PailInHand } from './pail-in-hand';
import type { PailView } from './pail-view';
import css from './pails.module.css';

const RACKS: readonly { readonly name: string; readonly holds: (pail: PailView) => boolean }[] = [
  {
    name: 'under the bench, to wash',
    holds: (p) => p.state === 'dirty' || p.state === 'scrubbed' || p.state === 'contact',
  },
  { name: 'ready, upside down', holds: (p) => p.state === 'sanitised' },
  { name: 'with water', holds: (p) => p.state === 'filled' },
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
      return '';
    case 'filled':
      return pail.dueInHours !== null && pail.dueInHours < 24 ? 'change today' : pail.clarity;
  }
}

function strokes(pail: PailView): string[] {
  return pail.lots.flatMap((l) =>
    Array.from({ length: Math.min(9, Math.ceil(l.stems / 5)) }, () => petalColour(l.colour)),
  );
}

/** The racks drawn as they stand; a tap on a pail says what to do with it. */
export function PailRacks({ pails, chosenId }: { pails: readonly PailView[]; chosenId: string | null }) {
  const [chosen, setChosen] = useState<string | null>(chosenId);
  const inHand =
    pails.find((p) => p.id === chosen) ??
    pails.find((p) => p.state === 'contact') ??
    pails.find((p) => p.state === 'scrubbed' || p.state === 'dirty') ??
    pails[0];
  const ready = pails.filter((p) => p.state === 'sanitised');
  return (
    <div className={css.pails}>
      <div>
        <VisuallyHidden component="h1">Pails</VisuallyHidden>
        {RACKS.map((rack) => {
          const on = pails.filter(rack.holds);
          return (
            <section key={rack.name} className={css.rack} aria-label={rack.name}>
              <h2>{rack.name}</h2>
              <div className={css.shelf}>
                {on.length === 0 && <p className="soft">none</p>}
                {on.map((p) => (
                  <UnstyledButton
                    key={p.id}
                    className={css.pail}
                    aria-pressed={p.id === inHand?.id}
                    onClick={() => setChosen(p.id)}
                  >
                    <Pail
                      sizeL={p.sizeL}
                      state={p.state}
                      litres={p.litres}
                      clarity={p.clarity}
                      stems={strokes(p)}
                    />
                    <span className={css.tag}>
                      <strong>{p.name}</strong> <span className="soft">{tagWords(p)}</span>
                    </span>
                  </UnstyledButton>
                ))}
              </div>
            </section>
          );
        })}
        <p>
          <Link className={css.labels} href="/labels?pails">
            Labels for the pails
          </Link>
        </p>
      </div>
      {inHand && (
        <PailInHand
          key={inHand.id + inHand.state}
          pail={inHand}
          clean={ready.filter((p) => p.id !== inHand.id)}
        />
      )}
    </div>
  );
}
