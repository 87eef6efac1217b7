import Link from 'next/link';
import { DEPTH_CM } from '@/core/protocol/figures';
import type { PailWish } from '@/core/protocol/types';
import { mayShareWater } from '@/core/protocol/compose';
import { speciesByKey } from '@/core/species/species';
import { manyLotsInStock, type LotRow } from '@/data/lots';
import { manyPails, type PailRow } from '@/data/pails';
import { manyStepsInForce, type StepRow } from '@/data/steps';
import { inMyShop } from '@/server/session';
import { canWait, dryHoursLeft, standsDry } from '@/server/shell-data';
import css from './bench.module.css';
import type { BenchCard, PailChoice } from './bench-card';
import { StepCard } from './step-card';

const openStep = (steps: readonly StepRow[]): StepRow | undefined =>
  steps.find((s) => s.status === 'waiting' || s.status === 'running');

/** Pails a step may use: like water first, then clean ones, the fittest size first. */
function pailsFor(wish: PailWish | null, pails: readonly PailRow[]): PailChoice[] {
  if (!wish) return [];
  const choices = pails.flatMap((p): PailChoice[] => {
    const water = {
      solution: p.solution,
      depth: p.depth,
      alone: p.alone,
      tempC: p.fillTempC,
      depthCm: 0,
    } as PailWish;
    if (p.state === 'filled' && mayShareWater(water, wish))
      return [{ id: p.id, name: p.name, litres: p.litres ?? 0, shares: true }];
    if (p.state !== 'sanitised') return [];
    const share = Math.min(0.6, DEPTH_CM[wish.depth] / p.heightCm);
    return [{ id: p.id, name: p.name, litres: Math.round(p.sizeL * share * 2) / 2, shares: false }];
  });
  return [...choices.filter((c) => !c.shares), ...choices.filter((c) => c.shares)];
}

function cardOf(lot: LotRow, steps: readonly StepRow[], pails: readonly PailRow[]): BenchCard | null {
  const current = openStep(steps);
  if (!current) return null;
  const { name, habit } = speciesByKey(lot.speciesKey);
  const at = steps.indexOf(current);
  return {
    lotId: lot.id,
    lotNumber: lot.number,
    name,
    variety: lot.variety,
    stems: lot.stemsLeft,
    habit,
    colour: lot.colour,
    stage: lot.stage,
    droop: lot.droop,
    pail: lot.pailName,
    step: {
      id: current.id,
      kind: current.kind,
      step: current.step,
      status: current.status,
      dueAt: current.dueAt?.getTime() ?? null,
    },
    then: steps
      .slice(at + 1)
      .filter((s) => s.status === 'waiting')
      .map((s) => s.step.title),
    stepNo: at + 1,
    stepCount: steps.length,
    pails: current.status === 'waiting' ? pailsFor(current.step.pail, pails) : [],
  };
}

/** Which lot is in hand: the one asked for, then whoever bears least time dry; clocks that run need nobody. */
function inOrder(
  lots: readonly LotRow[],
  cards: ReadonlyMap<string, BenchCard>,
  at: Date,
  asked: string | null,
): BenchCard[] {
  const rank = (lot: LotRow): number => {
    const card = cards.get(lot.id);
    if (lot.id === asked) return -1e9;
    const due = card?.step.dueAt ?? null;
    if (card?.step.status === 'running') return due !== null && due <= at.getTime() ? -1e6 : 1e6;
    return (lot.fillId ? 1000 : standsDry(lot) ? 0 : 500) + dryHoursLeft(lot, at);
  };
  return [...lots].sort((a, b) => rank(a) - rank(b)).flatMap((lot) => cards.get(lot.id) ?? []);
}

/** Who does what now: a big card for the lot in hand, one for another pair of hands, the rest below. */
export async function BenchPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const asked = typeof search.lot === 'string' ? search.lot : null;
  const cards = await inMyShop(async (trx, me, at) => {
    const here = await manyLotsInStock(trx);
    const [lots, steps, pails] = [
      here.filter((l) => !canWait(l, at, me.shop.timeZone)),
      await manyStepsInForce(trx),
      await manyPails(trx),
    ];
    const made = new Map(
      lots.flatMap((lot) => {
        const card = cardOf(
          lot,
          steps.filter((s) => s.lotId === lot.id),
          pails,
        );
        return card ? [[lot.id, card] as const] : [];
      }),
    );
    return inOrder(lots, made, at, asked);
  });
  const [first, second, ...rest] = cards;
  if (!first)
    return (
      <section>
        <h1>The bench is clear</h1>
        <p style={{ margin: '14px 0 24px' }}>
          Every lot is in its water and in its place. The next van is booked in at the dock.
        </p>
        <Link className="plain" href="/dock">
          To the dock
        </Link>
      </section>
    );
  return (
    <div className={css.bench}>
      <StepCard key={first.step.id + first.step.status} card={first} inHand avoidPail={null} />
      {second && (
        <StepCard
          key={second.step.id + second.step.status}
          card={second}
          inHand={false}
          avoidPail={first.pails[0]?.id ?? null}
        />
      )}
      {rest.length > 0 && (
        <section className={css.rest} aria-label="After these">
          <h2>After these</h2>
          <ul className="rowlist">
            {rest.map((c) => (
              <li key={c.lotId}>
                <Link className={css.restRow} href={`/bench?lot=${c.lotId}`}>
                  <span>
                    <strong>{c.name}</strong>
                    {c.variety && ` ‘${c.variety}’`}{' '}
                    <span className="soft">
                      lot {c.lotNumber}, {c.stems}
                    </span>
                  </span>
                  <span className="soft">
                    {c.step.status === 'running' ? 'its clock runs' : c.step.step.title.toLowerCase()}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
