import 'server-only';
import { speciesByKey } from '@/core/species/species';
import { isWetPacked } from '@/core/vase-life/journey';
import type { Trx } from '@/data/connection';
import { manyArrangements } from '@/data/arrangements';
import { manyLotsInStock, type LotRow } from '@/data/lots';
import { manyPails } from '@/data/pails';
import { manyNewestEntries } from '@/data/record';
import { manyRunningSteps, type StepRow } from '@/data/steps';
import type { NextItem, PlaceKey, PlaceNote } from '@/shell/places';
import { canCorrect } from './corrections';
import { isForLater } from './lot-forecasts';
import type { SignedIn } from './session';

export interface ShellData {
  readonly notes: Record<PlaceKey, PlaceNote>;
  readonly next: NextItem[];
  readonly lastEntry: { id: number; words: string } | null;
}

const note = (words: string, late = false): PlaceNote => ({ words, late });
const HOUR_MS = 3_600_000;
/** What Next looks ahead: a working day. */
const AHEAD_MS = 14 * HOUR_MS;
/** A slip is noticed in the shift it was made in: older entries are not offered to the key. */
const TAKEN_BACK_WITHIN_MS = 16 * HOUR_MS;

function lotTitle(lot: LotRow): string {
  const { name } = speciesByKey(lot.speciesKey);
  return lot.variety ? `${name} ‘${lot.variety}’` : name;
}

/** Hours a lot may still stand dry: what its species bears, less what it has stood here. */
export function dryHoursLeft(lot: LotRow, at: Date): number {
  return speciesByKey(lot.speciesKey).dryHours - (at.getTime() - lot.arrivedAt.getTime()) / HOUR_MS;
}

/** Hours a box set aside must bear dry to be left alone until its day (a night and a morning). */
const BEARS_A_NIGHT_H = 20;

/** Whether a lot bears the wait till tomorrow as it stands: in water, or dry with a night to spare. */
export function bearsANight(lot: LotRow, at: Date): boolean {
  return !standsDry(lot) || dryHoursLeft(lot, at) >= BEARS_A_NIGHT_H;
}

/** Whether a lot need not be touched today: it is for another day, and bears the wait as it stands. */
export function canWait(lot: LotRow, at: Date, timeZone: string): boolean {
  return isForLater(lot, at, timeZone) && bearsANight(lot, at);
}

/** Whether a lot is out of water: in no pail, and not in a pack that holds some. */
export function standsDry(lot: LotRow): boolean {
  return !lot.fillId && !isWetPacked(lot.packing);
}

/** What a running clock is of, and what follows when it ends. */
const RUNNING_WORDS: Readonly<Record<string, string>> = {
  drink: 'drinking, then look back',
  'sap-soak': 'soaking alone, then tip out',
  plunge: 'pods under warm water, then lift out',
  'hot-dip': 'in hot water, then out',
  recut: 'water due for change',
  'look-back': 'look again: does it stand?',
};

function runningItems(lots: readonly LotRow[], steps: readonly StepRow[], at: Date): NextItem[] {
  const byId = new Map(lots.map((l) => [l.id, l]));
  return steps.flatMap((step) => {
    const lot = byId.get(step.lotId);
    if (!lot || !step.dueAt || !step.startedAt) return [];
    // A change of water days ahead is nobody's next thing.
    if (step.dueAt.getTime() - at.getTime() > AHEAD_MS) return [];
    return [
      {
        id: step.id,
        title: `${lotTitle(lot)}, lot ${lot.number}`,
        note: RUNNING_WORDS[step.kind] ?? step.step.title.toLowerCase(),
        dueAt: step.dueAt.getTime(),
        startedAt: step.startedAt.getTime(),
        href: `/bench?lot=${lot.id}`,
      },
    ];
  });
}

/** What every screen shows round its edge: counts by place, what is due, the person's last entry. */
export async function shellData(trx: Trx, me: SignedIn, at: Date): Promise<ShellData> {
  const lots = await manyLotsInStock(trx);
  const steps = await manyRunningSteps(trx);
  const pails = await manyPails(trx);
  const made = await manyArrangements(trx, 50);
  const mine = (await manyNewestEntries(trx, 60)).find(
    (e) =>
      e.personId === me.personId &&
      at.getTime() - e.at.getTime() < TAKEN_BACK_WITHIN_MS &&
      e.corrects === null &&
      !e.corrected &&
      canCorrect(e.kind),
  );
  const { timeZone } = me.shop;
  const unlooked = lots.filter((l) => !l.lookedAt && !isForLater(l, at, timeZone));
  const dry = lots.filter((l) => standsDry(l) && !canWait(l, at, timeZone));
  const late = dry.filter((l) => dryHoursLeft(l, at) < 0);
  const running = runningItems(lots, steps, at);
  const clocks = new Set(steps.map((s) => s.lotId));
  const over = running.filter((r) => (r.dueAt ?? 0) < at.getTime());
  const contact: NextItem[] = pails.flatMap((p) =>
    p.contactUntil
      ? [
          {
            id: p.id,
            title: `Pail ${p.name}`,
            note: 'out of the solution, upside down',
            dueAt: p.contactUntil.getTime(),
            startedAt: p.contactUntil.getTime() - 600_000,
            href: `/pails?pail=${p.id}`,
          },
        ]
      : [],
  );
  const thirsty: NextItem[] = dry
    .filter((l) => !clocks.has(l.id))
    .map((l) => ({
      id: l.id,
      title: `${lotTitle(l)}, lot ${l.number}`,
      note: dryHoursLeft(l, at) < 0 ? 'dry longer than it bears' : 'dry, with this long to spare',
      dueAt: at.getTime() + dryHoursLeft(l, at) * HOUR_MS,
      startedAt: null,
      href: `/bench?lot=${l.id}`,
    }));
  const ready = pails.filter((p) => p.state === 'sanitised').length;
  const open = made.filter((a) => !a.cardId).length;
  return {
    notes: {
      dock: note(unlooked.length > 0 ? `${unlooked.length} to look at` : 'all looked at'),
      bench: note(
        dry.length > 0
          ? `${late.length > 0 ? `${late.length} late, ` : ''}${dry.length} dry`
          : over.length > 0
            ? `${over.length} due`
            : 'clear',
        late.length > 0 || over.length > 0,
      ),
      pails: note(`${ready} ready`),
      rooms: note('planned'),
      make: note(`${lots.filter((l) => l.fillId).length} lots`),
      'send-off': note(open > 0 ? `${open} without card` : 'no cards due'),
      desk: note('the record'),
    },
    next: [...running, ...contact, ...thirsty]
      .sort((a, b) => (a.dueAt ?? Infinity) - (b.dueAt ?? Infinity))
      .slice(0, 8),
    lastEntry: mine ? { id: mine.id, words: mine.words } : null,
  };
}
