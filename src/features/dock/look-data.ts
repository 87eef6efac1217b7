import 'server-only';
import { DAY_MS } from '@/core/calendar/spans';
import { FLAW_KINDS, flawInLot, type FlawInLot } from '@/core/dock/flaws';
import { findGrams, learnGrams, type GramsPerStem } from '@/core/dock/grams';
import { arrivalHazards } from '@/core/dock/hazards';
import { boxTemperature } from '@/core/dock/temperatures';
import { spoken } from '@/core/words/say';
import { manyClaimedKinds, manyFlaws, type FlawRow } from '@/data/claims';
import { manyPhotos, manyTemperatures, manyWeighings, type TemperatureRow } from '@/data/evidence';
import { manyPortionsInStock } from '@/data/portions';
import { manyStays } from '@/data/stays';
import { manyStepsOfPortion } from '@/data/steps';
import { inZone } from '@/server/clock';
import { houseOf, waysFor } from '@/server/house';
import { once, type From } from '@/server/once';
import { shopOverrides } from '@/server/own-figures';
import { flawKindsIn } from '@/server/replan';
import type { SignedIn } from '@/server/session';
import { bearsANight, dryHoursLeft, standsDry } from '@/server/shell-data';
import { isForLater } from '@/server/lot-forecasts';
import { lotBrief, lotView, stockNow, type LotBrief, type LotInStock, type LotView } from '@/server/stock';
import type { LookProps } from './lot-look';
import type { Outlook } from './outlook';
import { outlooksOf, pastLots, type OutlookRead } from './outlooks';

const IN_HAND_MS = 10 * 60_000;

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

/** What is read of the lot being looked at, before anything is worked out of it. */
export interface LookRead {
  readonly lot: LotInStock;
  readonly lots: readonly LotBrief[];
  readonly me: SignedIn;
  readonly learned: GramsPerStem;
  readonly claimedKinds: readonly string[];
  readonly flaws: readonly FlawRow[];
  readonly temperatures: readonly TemperatureRow[];
  readonly photoIds: readonly string[];
  readonly outlook: OutlookRead;
}

/** Reads all that is shown of a lot; null where nothing of it is left. */
export async function readLook(
  from: From,
  me: SignedIn,
  at: Date,
  lot: LotInStock,
  lots: readonly LotBrief[],
): Promise<LookRead | null> {
  const heap = (await once(from, manyPortionsInStock)).find((p) => p.lotId === lot.id);
  if (!heap) return null;
  const { timeZone } = me.shop;
  const [steps, stays, flaws, weighings, claimedKinds, temperatures, photos, past, house, overrides] =
    await Promise.all([
      once(from, manyStepsOfPortion, heap.id, heap.planNo),
      once(from, manyStays, [heap.id]),
      once(from, manyFlaws, [lot.id]),
      once(from, manyWeighings, lot.speciesKey),
      once(from, manyClaimedKinds, lot.id),
      once(from, manyTemperatures, [lot.id]),
      once(from, manyPhotos, [lot.id]),
      pastLots(from, heap, at, me.species),
      once(from, houseOf),
      once(from, shopOverrides),
    ]);
  return {
    lot,
    lots,
    me,
    learned: learnGrams(weighings),
    claimedKinds,
    flaws,
    temperatures,
    photoIds: photos.map((p) => p.id),
    outlook: {
      known: { lot: heap, steps, stays },
      past,
      flaws: flawKindsIn(flaws),
      ways: waysFor(house, heap, at, timeZone),
      overrides,
      at,
      timeZone,
      species: me.species,
    },
  };
}

/** What is shown of a lot, its outlooks not yet told to the page's own parts. */
export type Look = Omit<LookProps, 'outlooks'> & { readonly outlooks: Readonly<Record<string, Outlook>> };

/** All that is shown of the lot being looked at, its forecasts made outside the transaction. */
export async function lookData(read: LookRead): Promise<Look | null> {
  const { lot, lots, me, learned, outlook } = read;
  const { at, timeZone, known } = outlook;
  const [stock] = await stockNow({
    portions: [known],
    overrides: outlook.overrides,
    at,
    timeZone,
    species: me.species,
  });
  if (!stock) return null;
  const view = {
    ...lotView(stock, at, me),
    ...lotBrief(lot, isForLater(lot, at, timeZone), me),
  };
  const species = me.species.byKey(view.speciesKey);
  const taken = (place: 'box' | 'water'): number | null =>
    read.temperatures.find((t) => t.place === place)?.tempC ?? null;
  const boxC = taken('box');
  const box = boxC === null ? null : boxTemperature(species, boxC);
  return {
    lot: view,
    nextId: nextToLook(lots, view, me, at),
    hazards: spoken(arrivalHazards(species, view.origin), me.language),
    flaws: flawsOf(view, read.flaws),
    claimedKinds: read.claimedKinds,
    outlooks: spoken(await outlooksOf(outlook), me.language),
    evidence: { boxC, waterC: taken('water'), photoIds: read.photoIds },
    measured: box?.isGrave ? [box.words] : [],
    grams: findGrams(learned, species, view.lengthCm),
    mates: lots
      .filter((l) => l.id !== view.id && l.deliveryId === view.deliveryId && l.speciesKey === view.speciesKey)
      .map((l) => ({ id: l.id, number: l.number, stems: l.stemsLeft })),
    tomorrow: inZone(new Date(at.getTime() + DAY_MS), timeZone).date,
    dryHoursLeft: standsDry(known.lot) ? dryHoursLeft(lot, at, me.species) : null,
    bearsANight: bearsANight(known.lot, at, me.species),
    alsoInHand: othersHand(view, me, at),
    isDemo: me.shop.demo,
  };
}
