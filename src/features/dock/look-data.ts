import 'server-only';
import { FLAW_KINDS, flawInLot, type FlawInLot } from '@/core/dock/flaws';
import { findGrams, type GramsPerStem } from '@/core/dock/grams';
import { arrivalHazards } from '@/core/dock/hazards';
import { boxTemperature } from '@/core/dock/temperatures';
import { speciesByKey } from '@/core/species/species';
import { manyFlaws, type ClaimRecord, type FlawRow } from '@/data/claims';
import type { Trx } from '@/data/connection';
import type { LotRow } from '@/data/lots';
import { manyPhotos, manyTemperatures } from '@/data/evidence';
import { manyPortionsOfLot } from '@/data/portions';
import { manyStays } from '@/data/stays';
import { manyStepsOfPortion } from '@/data/steps';
import { inZone } from '@/server/clock';
import { flawKindsIn } from '@/server/replan';
import type { SignedIn } from '@/server/session';
import { bearsANight, dryHoursLeft, standsDry } from '@/server/shell-data';
import { isForLater } from '@/server/lot-forecasts';
import { forecasterOf, lotBrief, lotView, type LotBrief, type LotView } from '@/server/stock';
import type { LookProps } from './lot-look';
import { outlooksOf } from './outlooks';

const IN_HAND_MS = 10 * 60_000;
const DAY_MS = 86_400_000;

/** Counted flaws of a lot, carried to the whole of it. */
function flawsOf(lot: LotView, rows: readonly FlawRow[]): FlawInLot[] {
  return rows.flatMap((row) => {
    const kind = FLAW_KINDS.find((k) => k === row.kind);
    return kind ? [flawInLot({ kind, seen: row.seen, sample: row.sample }, lot.stemsBooked)] : [];
  });
}

/** Somebody else who has the box open just now. */
export function othersHand(lot: LotBrief, me: SignedIn, at: Date): string | null {
  const { inHand } = lot;
  const isFresh = inHand !== null && at.getTime() - inHand.sinceMs < IN_HAND_MS;
  return isFresh && inHand.personId !== me.personId ? inHand.name : null;
}

/** The next box to open: one that nobody else has open, and that is for today. */
function nextToLook(lots: readonly LotBrief[], chosen: LotBrief, me: SignedIn, at: Date): string | null {
  const waiting = lots.filter((l) => !l.looked && l.id !== chosen.id && l.forDay === null);
  return (waiting.find((l) => othersHand(l, me, at) === null) ?? waiting[0])?.id ?? null;
}

/** All that is shown of the lot being looked at. */
export async function lookData(
  trx: Trx,
  me: SignedIn,
  at: Date,
  lot: LotRow,
  lots: readonly LotBrief[],
  claims: readonly ClaimRecord[],
  learned: GramsPerStem,
): Promise<LookProps | null> {
  const forecast = await forecasterOf(trx, me, at);
  const heaps = await manyPortionsOfLot(trx, lot.id);
  const [heap] = heaps;
  if (!heap) return null;
  const steps = await manyStepsOfPortion(trx, heap.id, heap.planNo);
  const stays = await manyStays(trx, [heap.id]);
  const view = {
    ...lotView(forecast(heap, steps, stays), at),
    ...lotBrief(lot, isForLater(lot, at, me.shop.timeZone)),
  };
  const species = speciesByKey(view.speciesKey);
  const [rows, temperatures, photos] = [
    await manyFlaws(trx, [view.id]),
    await manyTemperatures(trx, [view.id]),
    await manyPhotos(trx, [view.id]),
  ];
  const taken = (place: 'box' | 'water'): number | null =>
    temperatures.find((t) => t.place === place)?.tempC ?? null;
  const boxC = taken('box');
  const box = boxC === null ? null : boxTemperature(species, boxC);
  return {
    lot: view,
    nextId: nextToLook(lots, view, me, at),
    hazards: arrivalHazards(species, view.origin),
    flaws: flawsOf(view, rows),
    claimedKinds: claims.filter((c) => c.lotId === view.id).map((c) => c.kind),
    outlooks: await outlooksOf(
      trx,
      at,
      { lot: heap, steps, stays, forecast },
      flawKindsIn(rows),
      me.shop.timeZone,
    ),
    evidence: { boxC, waterC: taken('water'), photoIds: photos.map((p) => p.id) },
    measured: box?.isGrave ? [box.words] : [],
    grams: findGrams(learned, species, view.lengthCm),
    mates: lots
      .filter((l) => l.id !== view.id && l.deliveryId === view.deliveryId && l.speciesKey === view.speciesKey)
      .map((l) => ({ id: l.id, number: l.number, stems: l.stemsLeft })),
    tomorrow: inZone(new Date(at.getTime() + DAY_MS), me.shop.timeZone).date,
    dryHoursLeft: standsDry(heap) ? dryHoursLeft(lot, at) : null,
    bearsANight: bearsANight(heap, at),
    alsoInHand: othersHand(view, me, at),
    isDemo: me.shop.demo,
  };
}
